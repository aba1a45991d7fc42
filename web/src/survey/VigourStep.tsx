import type { Draft } from '../field/kept';
import { Chips, NumberInput } from '../parts/inputs';
import type { KindAsks } from './kinds';
import { DENSITY, LAST_CUT } from '../vocabulary/survey';
import { SEEN_BY_MONTH, STAGES } from '../vocabulary/season';

/** How it grows, and when and how hard it was cut. */
export function VigourStep({
  draft,
  asks,
  southern,
  change,
  setTree,
}: {
  draft: Draft;
  asks: KindAsks;
  southern: boolean;
  change: (make: (now: Draft) => Draft) => void;
  setTree: (part: Draft['tree']) => void;
}) {
  const { tree } = draft;
  const shown = SEEN_BY_MONTH(Number(draft.surveyedOn.slice(5, 7)) - 1, southern);
  const seen = Object.keys(STAGES).find((code) => STAGES[code]!.bbch === draft.observedStage?.bbch);
  const yes = (value: boolean | null | undefined) => (value == null ? undefined : String(value));
  return (
    <>
      <NumberInput
        label="End shoots this year"
        unit="cm"
        length="cm"
        value={tree.shootExtensionCm}
        step={5}
        max={500}
        onChange={(shootExtensionCm) => setTree({ shootExtensionCm })}
        hint="From the last ring of scars to the tip; a few round the tree, the middle one"
      />
      {asks.uprights && (
        <>
          <NumberInput
            label="Upright shoots"
            unit="counted"
            value={tree.waterSprouts}
            step={1}
            max={5000}
            onChange={(waterSprouts) => setTree({ waterSprouts })}
          />
          <NumberInput
            label="Root suckers"
            unit="counted"
            value={tree.rootSuckers}
            step={1}
            max={5000}
            onChange={(rootSuckers) => setTree({ rootSuckers })}
          />
        </>
      )}
      {asks.density && (
        <Chips
          label="Sky seen through the crown"
          options={DENSITY}
          value={tree.leafDensity}
          onChange={(leafDensity) => setTree({ leafDensity })}
          hint="Look up from beneath it, in leaf; not said, it is taken from the trunk"
        />
      )}
      {asks.youngShoots && (
        <NumberInput
          label={asks.youngShoots.label}
          unit="counted"
          value={tree.youngShoots}
          step={5}
          max={5000}
          onChange={(youngShoots) => setTree({ youngShoots })}
          hint={asks.youngShoots.hint}
        />
      )}
      <Chips
        label="What do the buds and shoots show?"
        options={Object.fromEntries(shown.map((code) => [code, STAGES[code]!.name]))}
        value={seen}
        onChange={(code) =>
          change((now) => ({
            ...now,
            observedStage: code ? { bbch: STAGES[code]!.bbch, on: now.surveyedOn } : undefined,
          }))
        }
        hint={seen ? 'How it looks: ' + STAGES[seen]!.look : 'It moves this year’s windows of the whole kind'}
      />
      <Chips
        label="Still growing?"
        options={{ true: 'yes, fresh leaf at the end buds', false: 'no' }}
        value={yes(tree.stillGrowing)}
        onChange={(said) => setTree({ stillGrowing: said === undefined ? undefined : said === 'true' })}
      />
      <NumberInput
        label="Years since it was cut"
        value={tree.yearsSinceCut}
        step={1}
        max={300}
        onChange={(yearsSinceCut) => setTree({ yearsSinceCut })}
      />
      <Chips
        label="Cut the last time"
        options={LAST_CUT}
        value={tree.lastCut}
        onChange={(lastCut) => setTree({ lastCut })}
      />
      <NumberInput
        label="Taken in the last 12 months"
        unit="% of the crown"
        value={tree.removedLast12Months == null ? undefined : Math.round(tree.removedLast12Months * 100)}
        step={5}
        max={100}
        onChange={(share) => setTree({ removedLast12Months: share === undefined ? undefined : share / 100 })}
      />
      <Chips
        label="Has it ever fruited?"
        options={{ true: 'yes', false: 'not yet' }}
        value={yes(tree.hasFruited)}
        onChange={(said) => setTree({ hasFruited: said === undefined ? undefined : said === 'true' })}
      />
    </>
  );
}
