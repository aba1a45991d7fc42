import { type KeyboardEvent } from 'react';
import { Button, ButtonGroup, Form } from 'react-bootstrap';
import { useSearchParams } from 'react-router';
import type { Judgement } from '../api/client';
import { compass } from '../parts/format';
import { ProblemAlert } from '../parts/ProblemAlert';
import { asItStands, type View } from '../verdict/projection';
import { marksOf, TreeDrawing } from '../verdict/TreeDrawing';
import { drawn, frame } from './drawn';
import { Key, Plots } from './Plots';
import { useOutlook } from './queries';
import { Regrown } from './Regrown';
import { ORDER, type Way, WAY_MEANS, WAYS } from './words';

const SIDES = [180, 270, 0, 90];

/** The tree drawn from any side, in any of the next ten years, left alone, by the plan, or cut all at once. */
export function TreeInTime({
  judgement,
  treeId,
  picked,
  onPick,
}: {
  judgement: Judgement;
  treeId: number;
  picked?: string;
  onPick: (limb: string) => void;
}) {
  const { evaluation, drawing } = judgement;
  const outlook = useOutlook(treeId);
  const [params, setParams] = useSearchParams();
  const view: View = params.get('view') === 'above' ? 'above' : Number(params.get('view') ?? 180);
  const way: Way = ORDER.find((one) => one === params.get('way')) ?? 'plan';
  const ten = outlook.data;
  const last = ten ? ten.plan.years.length - 1 : 0;
  const at = Math.max(0, Math.min(last, Number(params.get('year') ?? 0)));
  const beside = params.get('beside') === 'yes';
  const set = (key: string, value: string) =>
    setParams(
      (now) => {
        now.set(key, value);
        return now;
      },
      { replace: true },
    );
  const step = (to: number) => set('year', String(Math.max(0, Math.min(last, to))));
  const turn = (by: number) => set('view', String(((view === 'above' ? 180 : view) + by + 360) % 360));
  const keys = (e: KeyboardEvent) => {
    const does = {
      ArrowLeft: () => turn(45),
      ArrowRight: () => turn(-45),
      ArrowUp: () => step(at + 1),
      ArrowDown: () => step(at - 1),
    }[e.key];
    if (!does) return;
    e.preventDefault();
    does();
  };
  const limbs = new Map(evaluation.limbs.map((limb) => [limb.id, limb]));
  const year = ten?.[way].years[at];
  const sheet = ten && frame(drawing, ten);
  const draw = (of: Way, small: boolean) => {
    const then = ten && at > 0 ? drawn(drawing, ten[of].years[at]!) : undefined;
    const light = then
      ? then.light
      : new Map(
          evaluation.limbs.flatMap((limb) => (limb.light == null ? [] : [[limb.id, limb.light] as const])),
        );
    return (
      <TreeDrawing
        drawing={drawing}
        limbs={limbs}
        standing={then?.standing ?? asItStands(drawing)}
        view={view}
        picked={picked}
        onPick={onPick}
        marks={then ? then.marks : of === 'leftAlone' ? new Map() : marksOf(evaluation.limbs)}
        light={light}
        reachM={sheet}
        plain={small}
      >
        {ten && <Regrown shoots={ten[of].years[at]!.regrown} view={view} />}
      </TreeDrawing>
    );
  };
  return (
    <div>
      <div className="d-flex flex-wrap gap-2 mb-1 align-items-center no-print">
        <ButtonGroup size="sm" aria-label="Side">
          <Button variant="outline-secondary" aria-label="Walk left" onClick={() => turn(45)}>
            <i className="bi bi-arrow-left" aria-hidden="true" />
          </Button>
          {SIDES.map((side) => (
            <Button
              key={side}
              variant={view === side ? 'secondary' : 'outline-secondary'}
              aria-pressed={view === side}
              onClick={() => set('view', String(side))}
            >
              from {compass(side)}
            </Button>
          ))}
          <Button
            variant={view === 'above' ? 'secondary' : 'outline-secondary'}
            aria-pressed={view === 'above'}
            onClick={() => set('view', 'above')}
          >
            above
          </Button>
          <Button variant="outline-secondary" aria-label="Walk right" onClick={() => turn(-45)}>
            <i className="bi bi-arrow-right" aria-hidden="true" />
          </Button>
        </ButtonGroup>
      </div>
      <div className="d-flex flex-wrap gap-2 mb-1 align-items-center no-print">
        <ButtonGroup size="sm" aria-label="Way">
          {ORDER.map((one) => (
            <Button
              key={one}
              variant={way === one ? 'secondary' : 'outline-secondary'}
              aria-pressed={way === one}
              title={WAY_MEANS[one]}
              onClick={() => set('way', one)}
            >
              {WAYS[one]}
            </Button>
          ))}
        </ButtonGroup>
        <Form.Check
          type="switch"
          id="beside"
          label="side by side"
          checked={beside}
          onChange={() => set('beside', beside ? 'no' : 'yes')}
        />
      </div>
      <div className="year-step no-print">
        <Button
          size="sm"
          variant="outline-secondary"
          aria-label="A year back"
          disabled={at === 0}
          onClick={() => step(at - 1)}
        >
          <i className="bi bi-chevron-left" aria-hidden="true" />
        </Button>
        <Form.Range
          aria-label="Year"
          aria-valuetext={year?.yearLabel}
          min={0}
          max={last}
          value={at}
          onChange={(e) => step(Number(e.target.value))}
        />
        <Button
          size="sm"
          variant="outline-secondary"
          aria-label="A year on"
          disabled={at >= last}
          onClick={() => step(at + 1)}
        >
          <i className="bi bi-chevron-right" aria-hidden="true" />
        </Button>
        <strong aria-live="polite">{at === 0 ? 'now' : 'early ' + year?.yearLabel}</strong>
      </div>
      <ProblemAlert error={outlook.error} />
      <div
        tabIndex={0}
        onKeyDown={keys}
        role="application"
        aria-label="Drawing: left and right arrows walk round the tree, up and down step through the years"
        className={beside ? 'three-ways' : undefined}
      >
        {beside
          ? ORDER.map((one) => (
              <figure key={one} className={one === way ? 'chosen' : undefined}>
                <figcaption>{WAYS[one]}</figcaption>
                {draw(one, true)}
              </figure>
            ))
          : draw(way, false)}
      </div>
      <p className="small faint mb-1">
        {view === 'above' ? 'Seen from above.' : 'Seen from the ' + compass(view) + '.'} Teeth: comes off.
        Bar: shortened. Arc: bent. Hatched: dead. Green strokes: shoots that answered a cut. Leaf is tinted by
        its light, the share of the open sky’s written on it.
      </p>
      {ten && (
        <>
          <div className="d-flex flex-wrap gap-3 align-items-baseline">
            <h2 className="mb-0">Ten years on</h2>
            <Key />
          </div>
          <p className="small mb-1">{WAY_MEANS[way]}</p>
          <Plots ten={ten} way={way} at={at} onStep={step} />
          <p className="small faint">
            Not a forecast to the shoot: our own assumptions, see Numbers. The shaded band is what comes of
            growth, dying and regrowth {Math.round(ten.off * 100)} % weaker or stronger.
          </p>
        </>
      )}
    </div>
  );
}
