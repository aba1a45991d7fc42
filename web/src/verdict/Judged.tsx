import { type KeyboardEvent, useState } from 'react';
import { Button, ButtonGroup } from 'react-bootstrap';
import { useSearchParams } from 'react-router';
import type { Judgement } from '../api/client';
import { compass } from '../parts/format';
import { PlanLanes } from '../plan/PlanLanes';
import { LightSummary } from './Light';
import { Cautions, LimbList, LimbVerdict } from './LimbVerdicts';
import { standingAfter, type View } from './projection';
import { marksOf, TreeDrawing } from './TreeDrawing';
import { Triage } from './Triage';

const SIDES = [180, 270, 0, 90];

/** The judgement of a tree: its drawing, its limbs, its plan. */
export function Judged({ judgement, treeId }: { judgement: Judgement; treeId: number }) {
  const { evaluation, drawing } = judgement;
  const [params, setParams] = useSearchParams();
  const [after, setAfter] = useState(0);
  const view: View = params.get('view') === 'above' ? 'above' : Number(params.get('view') ?? 180);
  const picked = params.get('limb') ?? undefined;
  const set = (key: string, value: string) =>
    setParams(
      (now) => {
        now.set(key, value);
        return now;
      },
      { replace: true },
    );
  const limbs = new Map(evaluation.limbs.map((limb) => [limb.id, limb]));
  const years = [...new Set(evaluation.plan.map((lane) => lane.year))];
  const labels = new Map(evaluation.plan.map((lane) => [lane.year, lane.yearLabel]));
  const upTo = after === 0 ? -1 : (years[after - 1] ?? -1);
  const standing = standingAfter(
    drawing,
    evaluation.plan.filter((lane) => lane.year <= upTo),
  );
  // What has no plan to come stands in today's light; later in the light after the last lane up to that year.
  const lanes = evaluation.plan.filter((lane) => lane.year <= upTo).length;
  const light = new Map(
    lanes === 0
      ? evaluation.limbs.flatMap((limb) => (limb.light == null ? [] : [[limb.id, limb.light] as const]))
      : Object.entries(judgement.lightAfter[lanes - 1] ?? {}),
  );
  const turn = (step: number) => set('view', String(((view === 'above' ? 180 : view) + step + 360) % 360));
  const keys = (e: KeyboardEvent) => {
    const step = {
      ArrowLeft: () => turn(45),
      ArrowRight: () => turn(-45),
      ArrowUp: () => setAfter(Math.min(years.length, after + 1)),
      ArrowDown: () => setAfter(Math.max(0, after - 1)),
    }[e.key];
    if (!step) return;
    e.preventDefault();
    step();
  };
  const pickedLimb = picked ? limbs.get(picked) : undefined;
  return (
    <>
      <Triage judgement={judgement} treeId={treeId} />
      <LightSummary judgement={judgement} />
      <div className="tree-page">
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
            {years.length > 0 && (
              <ButtonGroup size="sm" aria-label="Time">
                {[0, ...years].map((year, i) => (
                  <Button
                    key={year}
                    variant={after === i ? 'secondary' : 'outline-secondary'}
                    aria-pressed={after === i}
                    onClick={() => setAfter(i)}
                  >
                    {i === 0 ? 'now' : 'after ' + labels.get(year)}
                  </Button>
                ))}
              </ButtonGroup>
            )}
          </div>
          <div
            tabIndex={0}
            onKeyDown={keys}
            role="application"
            aria-label="Drawing: left and right arrows walk round the tree, up and down step through the years"
          >
            <TreeDrawing
              drawing={drawing}
              limbs={limbs}
              standing={standing}
              view={view}
              picked={picked}
              onPick={(id) => set('limb', id)}
              marks={after === 0 ? marksOf(evaluation.limbs) : new Map()}
              light={light}
            />
          </div>
          <p className="small faint mb-0">
            {view === 'above' ? 'Seen from above.' : 'Seen from the ' + compass(view) + '.'} Teeth: comes off.
            Bar: shortened. Arc: bent. Hatched: dead. Leaf is tinted by its light, the share of the open sky’s
            written on it.
          </p>
        </div>
        <div>
          {pickedLimb ? (
            <LimbVerdict
              limb={pickedLimb}
              judgement={judgement}
              treeId={treeId}
              onPick={(id) => set('limb', id)}
            />
          ) : (
            <p className="faint">Pick a limb in the drawing or the list for its verdict and why.</p>
          )}
          <Cautions cautions={evaluation.cautions} />
          <LimbList
            limbs={evaluation.limbs}
            judgement={judgement}
            picked={picked}
            onPick={(id) => set('limb', id)}
          />
        </div>
      </div>
      <div className="mt-3">
        <PlanLanes judgement={judgement} treeId={treeId} picked={picked} onPick={(id) => set('limb', id)} />
      </div>
    </>
  );
}
