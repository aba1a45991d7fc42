import { useState } from 'react';
import { Alert, Button, Form } from 'react-bootstrap';
import { currentPersonId } from '../api/client';
import { unfinished } from './draft';
import type { Draft } from '../field/kept';
import { Chips, Direction, More, NumberInput, Ticks } from '../parts/inputs';
import type { KindAsks } from './kinds';
import { keepUnits, unitsOf } from '../parts/measure';
import { MeasureHelper } from './MeasureHelper';
import { AROUND, BENEATH, DENSITY, LAST_CUT, LEANS, LOPSIDED, UNIONS } from '../vocabulary/survey';
import { SEEN_BY_MONTH, STAGES } from '../vocabulary/season';

/** The whole tree, measured. */
export function TreeStep({
  draft,
  today,
  bush,
  change,
  setTree,
}: {
  draft: Draft;
  today: string;
  /** It has stems and no trunk to measure. */
  bush: boolean;
  change: (make: (now: Draft) => Draft) => void;
  setTree: (part: Draft['tree']) => void;
}) {
  const [units, setUnits] = useState(unitsOf(currentPersonId()));
  const { tree } = draft;
  // The width reckoned with is the mean of both ways.
  const spread = (ways: { spreadNorthSouthM?: number; spreadEastWestM?: number }) => {
    const both = {
      spreadNorthSouthM: tree.spreadNorthSouthM,
      spreadEastWestM: tree.spreadEastWestM,
      ...ways,
    };
    const known = Object.values(both).filter((one): one is number => one != null);
    const mean = known.length > 0 ? known.reduce((sum, one) => sum + one, 0) / known.length : undefined;
    setTree({ ...ways, spreadM: mean === undefined ? undefined : Math.round(mean * 100) / 100 });
  };
  return (
    <>
      <Chips
        label="Measure in"
        options={{ metric: 'metres', imperial: 'feet and inches' }}
        value={units}
        onChange={(chosen) => {
          const next = chosen === 'imperial' ? 'imperial' : 'metric';
          keepUnits(currentPersonId(), next);
          setUnits(next);
        }}
      />
      <div className="walk-field">
        <label htmlFor="walk-day">Day of the walk</label>
        <Form.Control
          id="walk-day"
          type="date"
          max={today}
          style={{ minHeight: 48 }}
          value={draft.surveyedOn}
          onChange={(e) => change((now) => ({ ...now, surveyedOn: e.target.value }))}
        />
      </div>
      <NumberInput
        label="Height"
        unit="m"
        length="m"
        value={tree.heightM}
        step={0.1}
        min={0.1}
        max={60}
        onChange={(heightM) => setTree({ heightM })}
      />
      <MeasureHelper of="height" unit="m" onFound={(heightM) => setTree({ heightM })} />
      <NumberInput
        label="Width of the crown"
        unit="m, the mean of both ways"
        length="m"
        value={tree.spreadM}
        step={0.1}
        min={0.1}
        max={60}
        onChange={(spreadM) => setTree({ spreadM, spreadNorthSouthM: undefined, spreadEastWestM: undefined })}
      />
      <NumberInput
        label="Width allotted"
        unit="m, if it is to keep to one"
        length="m"
        value={tree.spreadTargetM}
        step={0.1}
        min={0.5}
        max={60}
        onChange={(spreadTargetM) => setTree({ spreadTargetM })}
      />
      <More title="Both ways" open={tree.spreadNorthSouthM != null || tree.spreadEastWestM != null}>
        <NumberInput
          label="North to south"
          unit="m"
          length="m"
          value={tree.spreadNorthSouthM}
          step={0.1}
          min={0.1}
          max={60}
          onChange={(spreadNorthSouthM) => spread({ spreadNorthSouthM })}
        />
        <NumberInput
          label="East to west"
          unit="m"
          length="m"
          value={tree.spreadEastWestM}
          step={0.1}
          min={0.1}
          max={60}
          onChange={(spreadEastWestM) => spread({ spreadEastWestM })}
        />
      </More>
      {!bush && (
        <>
          <NumberInput
            label="Girth of the trunk"
            unit="cm"
            length="cm"
            value={tree.trunkGirthCm}
            step={1}
            min={1}
            max={1500}
            onChange={(trunkGirthCm) => setTree({ trunkGirthCm })}
            hint="Round it at its narrowest below the first limb"
          />
          <MeasureHelper of="girth" unit="cm" onFound={(trunkGirthCm) => setTree({ trunkGirthCm })} />
        </>
      )}
      <Chips
        label="Heavier on one side, from"
        options={LOPSIDED}
        value={tree.lopsidedFrom}
        onChange={(lopsidedFrom) => setTree({ lopsidedFrom })}
        hint="Asked before correcting; leave it open when it stands even"
      />
    </>
  );
}

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

/** The trunk: lean, crack, hollow. */
export function TrunkStep({ draft, setTree }: { draft: Draft; setTree: (part: Draft['tree']) => void }) {
  const trunk = draft.tree.trunk ?? {};
  const set = (part: typeof trunk) => setTree({ trunk: { ...trunk, ...part } });
  return (
    <>
      <Chips
        label="Where its main stems meet"
        options={UNIONS}
        value={trunk.union}
        onChange={(union) => set({ union })}
      />
      <Chips label="Lean" options={LEANS} value={trunk.lean} onChange={(lean) => set({ lean })} />
      {trunk.lean === 'lifting-soil' && (
        <Alert variant="danger">
          Keep people away from under it. A licensed arborist decides before anyone works here.
        </Alert>
      )}
      <NumberInput
        label="Crack"
        unit="cm long"
        length="cm"
        value={trunk.crackCm}
        step={5}
        max={3000}
        onChange={(crackCm) => set({ crackCm })}
        hint="Empty: none"
      />
      {!!trunk.crackCm && (
        <Chips
          label="The crack is"
          options={{ true: 'fresh', false: 'callused over' }}
          value={trunk.crackFresh == null ? undefined : String(trunk.crackFresh)}
          onChange={(fresh) => set({ crackFresh: fresh === undefined ? undefined : fresh === 'true' })}
        />
      )}
      <NumberInput
        label="Sound wall round a hollow"
        unit="cm"
        length="cm"
        value={trunk.soundWallCm}
        step={1}
        max={300}
        onChange={(soundWallCm) => set({ soundWallCm })}
        hint="Empty: not hollow"
      />
      <NumberInput
        label="Largest old wound still open"
        unit="cm wide"
        length="cm"
        value={trunk.openWoundCm}
        step={1}
        max={200}
        onChange={(openWoundCm) => set({ openWoundCm })}
      />
      <Ticks
        label="Seen on it"
        options={{ fungus: 'fungus', tiesBite: 'ties or wire bite in' }}
        value={(['fungus', 'tiesBite'] as const).filter((name) => trunk[name])}
        onChange={(names) => set({ fungus: names.includes('fungus'), tiesBite: names.includes('tiesBite') })}
      />
    </>
  );
}

/** What stands near the tree. */
export function AroundStep({
  draft,
  change,
}: {
  draft: Draft;
  change: (make: (now: Draft) => Draft) => void;
}) {
  const set = (i: number, part: Draft['surroundings'][number]) =>
    change((now) => ({
      ...now,
      surroundings: now.surroundings.map((one, j) => (i === j ? { ...one, ...part } : one)),
    }));
  return (
    <>
      <Ticks
        label="Within falling distance"
        options={BENEATH}
        value={draft.tree.beneath ?? []}
        onChange={(beneath) => change((now) => ({ ...now, tree: { ...now.tree, beneath } }))}
      />
      {draft.tree.beneath?.includes('power-line') && (
        <Alert variant="danger">
          Keep away from the line. Its keeper and a licensed arborist decide before anyone works here.
        </Alert>
      )}
      <p className="faint">
        What shades it or stands within reach of it. Registered trees are known already: name walls, hedges
        and what stands over the fence.
      </p>
      {draft.surroundings.map((near, i) => (
        <section key={i} className="border-top pt-2" aria-label={'Neighbour ' + (i + 1)}>
          <Chips
            label={'Neighbour ' + (i + 1)}
            options={AROUND}
            value={near.kind}
            onChange={(kind) => set(i, { kind, radiusM: undefined, lengthM: undefined })}
          />
          <Direction
            label="Direction"
            value={near.bearingDeg}
            onChange={(bearingDeg) => set(i, { bearingDeg })}
          />
          <NumberInput
            label="Distance"
            unit="m"
            length="m"
            value={near.distanceM}
            step={0.5}
            max={500}
            onChange={(distanceM) => set(i, { distanceM })}
          />
          <NumberInput
            label="Height"
            unit="m"
            value={near.heightM}
            step={0.5}
            min={0.1}
            max={150}
            onChange={(heightM) => set(i, { heightM })}
          />
          {near.kind === 'tree' ? (
            <NumberInput
              label="Radius of its crown"
              unit="m"
              length="m"
              value={near.radiusM}
              step={0.5}
              min={0.1}
              max={60}
              onChange={(radiusM) => set(i, { radiusM })}
            />
          ) : (
            <NumberInput
              label="Length"
              unit="m across the direction"
              value={near.lengthM}
              step={1}
              min={0.1}
              max={2000}
              onChange={(lengthM) => set(i, { lengthM })}
            />
          )}
          <Button
            size="sm"
            variant="outline-danger"
            className="mb-3"
            onClick={() =>
              change((now) => ({ ...now, surroundings: now.surroundings.filter((_, j) => j !== i) }))
            }
          >
            Take it out
          </Button>
        </section>
      ))}
      <Button
        className="w-100"
        variant="outline-primary"
        style={{ minHeight: 52 }}
        onClick={() => change((now) => ({ ...now, surroundings: [...now.surroundings, { kind: 'tree' }] }))}
      >
        <i className="bi bi-plus-lg" aria-hidden="true" /> Add a neighbour
      </Button>
    </>
  );
}

/** What was entered so far and what is still wanted. */
export function Summary({
  draft,
  bush,
  openLimb,
}: {
  draft: Draft;
  bush: boolean;
  openLimb: (id: string) => void;
}) {
  const wanted = [
    draft.tree.heightM == null && 'height',
    draft.tree.spreadM == null && 'width of the crown',
    !bush && draft.tree.trunkGirthCm == null && 'girth of the trunk',
    bush && draft.limbs.length === 0 && 'a stem at least',
  ].filter(Boolean);
  const open = unfinished(draft);
  return (
    <>
      <p>
        {draft.limbs.length} {draft.limbs.length === 1 ? 'limb' : 'limbs'},{' '}
        {draft.limbs.filter((one) => one.faults?.length).length} of them with something wrong.
      </p>
      {open.map(([id, one]) => (
        <Alert key={id} variant="warning" className="py-2">
          Limb {one.limb.id} is being entered and not among them yet.{' '}
          <Button size="sm" variant="outline-primary" onClick={() => openLimb(id)}>
            Finish limb {one.limb.id}
          </Button>
        </Alert>
      ))}
      {wanted.length > 0 && <p className="text-danger">Still wanted: {wanted.join(', ')}.</p>}
      {draft.limbs.length === 0 && <p className="faint">Without limbs only the tree as a whole is judged.</p>}
    </>
  );
}
