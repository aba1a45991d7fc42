import { type KeyboardEvent, useMemo } from 'react';
import { Form } from 'react-bootstrap';
import type { Judgement } from '../api/client';
import { drawn, frame } from '../drawing/drawn';
import { Horizon } from '../drawing/Horizon';
import type { DrawnWound } from '../drawing/limbs';
import { type Mark, marksOf } from '../drawing/marks';
import { asItStands, type Standing } from '../drawing/projection';
import { TreeDrawing } from '../drawing/TreeDrawing';
import { compass } from '../parts/format';
import { ProblemAlert } from '../parts/ProblemAlert';
import type { Line } from '../vocabulary/outlook';
import type { Look } from './useLook';
import { YearStrip } from './YearStrip';

const YEARS_AHEAD = 10;
const STEP_DEG = 15;
const NO_MARKS = new Map<string, Mark>();

/** The tree, from any side, in any of the next ten years, left alone, by the plan or cut all at once. */
export function Stage({
  judgement,
  lines,
  error,
  look: { view, way: asked, year: wanted, beside, leaf },
  change,
  lane,
  picked,
  onPick,
  wounds,
}: {
  judgement: Judgement;
  lines: Line[];
  error: unknown;
  look: Look;
  change: (make: (now: Look) => Partial<Look>) => void;
  /** A lane of the plan that is looked at: the tree when it begins, and what it takes. */
  lane?: { standing: Standing[]; marks: Map<string, Mark> };
  picked?: string;
  onPick: (limb: string) => void;
  /** Open wounds of the tree as it stands, where they are asked for. */
  wounds?: DrawnWound[];
}) {
  const { evaluation, drawing } = judgement;
  const shown = lines.find((line) => line.key === asked) ?? lines.find((line) => line.key === 'plan');
  const last = shown ? shown.years.length - 1 : 0;
  // Keys pressed before the years are there are not lost.
  const most = shown ? last : YEARS_AHEAD;
  const at = Math.max(0, Math.min(last, wanted));
  const inLeaf = leaf ?? drawing.inLeaf;
  const answered = at > 0 ? (shown?.years[at]?.regrown ?? []).reduce((sum, one) => sum + one.shoots, 0) : 0;
  const turn = (by: number) =>
    change((now) => ({ view: ((now.view === 'above' ? 180 : now.view) + by + 360) % 360 }));
  const step = (by: number) => change((now) => ({ year: Math.max(0, Math.min(most, now.year + by)) }));
  const keys = (e: KeyboardEvent) => {
    const does = {
      ArrowLeft: () => turn(STEP_DEG),
      ArrowRight: () => turn(-STEP_DEG),
      ArrowUp: () => step(1),
      ArrowDown: () => step(-1),
    }[e.key];
    if (!does) return;
    e.preventDefault();
    does();
  };
  const limbs = useMemo(() => new Map(evaluation.limbs.map((limb) => [limb.id, limb])), [evaluation]);
  const sheet = useMemo(
    () => frame(drawing, beside ? lines : shown ? [shown] : []),
    [drawing, lines, shown, beside],
  );
  const now = useMemo(
    () => ({
      standing: asItStands(drawing),
      marks: marksOf(evaluation.limbs),
      light: new Map(
        evaluation.limbs.flatMap((limb) => (limb.light == null ? [] : [[limb.id, limb.light] as const])),
      ),
    }),
    [drawing, evaluation],
  );
  const years = useMemo(
    () => new Map(lines.map((line) => [line.key, at > 0 ? drawn(drawing, line.years[at]!) : undefined])),
    [drawing, lines, at],
  );
  const draw = (of: Line | undefined, small: boolean) => {
    const then = of && years.get(of.key);
    const scene = then ?? (!small && lane) ?? undefined;
    return (
      <TreeDrawing
        drawing={drawing}
        limbs={limbs}
        standing={(scene || now).standing}
        view={view}
        picked={picked}
        onPick={onPick}
        onTurn={(side) => change(() => ({ view: side }))}
        marks={scene ? scene.marks : of?.key === 'leftAlone' ? NO_MARKS : now.marks}
        light={then ? then.light : now.light}
        reachM={lines.length > 0 ? sheet : undefined}
        inLeaf={inLeaf}
        plain={small}
        answers={at > 0 ? of?.years[at] : undefined}
        wounds={scene ? undefined : wounds}
      />
    );
  };
  return (
    <section aria-label="The tree" className="stage">
      <div
        tabIndex={0}
        onKeyDown={keys}
        role="application"
        aria-label="Drawing: left and right arrows walk round the tree, up and down step through the years"
        className={beside ? 'three-ways' : undefined}
      >
        {beside
          ? lines.map((one) => (
              <figure key={one.key} className={one.key === shown?.key ? 'chosen' : undefined}>
                <figcaption>{one.name}</figcaption>
                {draw(one, true)}
              </figure>
            ))
          : draw(shown, false)}
      </div>
      <Horizon view={view} onTurn={(side) => change(() => ({ view: side }))} />
      <ProblemAlert error={error} />
      {shown && (
        <div className="ahead no-print">
          <div className="ways" role="group" aria-label="Way">
            {lines.map((one) => (
              <button
                key={one.key}
                type="button"
                aria-pressed={shown.key === one.key}
                title={one.means}
                onClick={() => change(() => ({ way: one.key }))}
              >
                {one.name}
              </button>
            ))}
          </div>
          <YearStrip
            line={shown}
            plan={evaluation.plan}
            at={at}
            onStep={(year) => change(() => ({ year }))}
          />
          <div className="switches">
            <Form.Check
              type="switch"
              id="beside"
              label="side by side"
              checked={beside}
              onChange={() => change((was) => ({ beside: !was.beside }))}
            />
            <Form.Check
              type="switch"
              id="in-leaf"
              label="in leaf"
              checked={inLeaf}
              onChange={() => change(() => ({ leaf: inLeaf === drawing.inLeaf ? !inLeaf : undefined }))}
            />
          </div>
        </div>
      )}
      <p className="small faint mb-0 caption" aria-live="polite">
        {at === 0 ? 'Now' : 'Early ' + shown?.years[at]?.yearLabel + ', ' + shown?.name}
        {view === 'above' ? ', from above' : ', from the ' + compass(view)}.{' '}
        {answered > 0 && answered + ' shoots answered the cuts. '}
        <span>
          Teeth: comes off. Bar: shortened. Arc: bent. Crossed: dead. Damson and pale: what goes. The share
          written on a limb: its light, of the open sky’s.
        </span>
      </p>
    </section>
  );
}
