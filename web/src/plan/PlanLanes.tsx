import { type KeyboardEvent, useEffect, useRef } from 'react';
import { Button } from 'react-bootstrap';
import { Link } from 'react-router';
import {
  type Judgement,
  type Lane,
  type PlanWishes,
  type PlannedCut,
  Problem,
  type Time,
} from '../api/client';
import { personMinutes } from '../parts/format';
import { ProblemAlert } from '../parts/ProblemAlert';
import { Reasons } from '../vocabulary/Reasons';
import { SEASONS } from '../vocabulary/verdict';
import { Disc } from './Disc';
import { LaneRow } from './LaneRow';
import { keyOf, type Moving, rows, stepped } from './moves';
import { PlanSettings } from './PlanEditing';
import { PlanState } from './PlanState';
import { useDragged } from '../parts/useDragged';
import type { PlanEdits } from './usePlanEdits';

/** A lane for each year and season: its cuts as discs as wide as the wood, and what they take of the crown. Cuts can be dragged, or moved by keys. */
export function PlanLanes({
  judgement,
  treeId,
  edits: plan,
  picked,
  onPick,
  shown,
  onLook,
}: {
  judgement: Judgement;
  treeId: number;
  edits: PlanEdits;
  picked?: string;
  onPick: (limb: string) => void;
  /** The lane whose cuts the drawing shows. */
  shown?: string;
  onLook: (lane?: string) => void;
}) {
  const { plan: lanes, notPlaced, care, upkeep, limbs } = judgement.evaluation;
  const refocus = useRef<Moving>(undefined);
  const section = useRef<HTMLElement>(null);
  const byId = new Map(limbs.map((limb) => [limb.id, limb]));
  const to = (cut: Moving, time: Time | undefined) => {
    if (!time) return;
    refocus.current = cut;
    plan.move(cut, time);
  };
  const { held, over, grip, wasDrag } = useDragged<Moving>((cut, row) =>
    to(
      cut,
      judgement.times.find((time) => keyOf(time) === row),
    ),
  );
  // A moved cut stands in another row: whoever moved it by keys can go on.
  useEffect(() => {
    const cut = refocus.current;
    if (!cut) return;
    const disc = [...(section.current?.querySelectorAll<HTMLElement>('[data-cut]') ?? [])].find(
      (one) => one.dataset.cut === cut.limb + cut.kind,
    );
    if (disc && document.activeElement === document.body) disc.focus({ preventScroll: true });
    if (!plan.busy) refocus.current = undefined;
  }, [judgement, plan.busy]);
  const keys = (e: KeyboardEvent, lane: Lane, cut: PlannedCut) => {
    const by = { ArrowUp: -1, ArrowDown: 1 }[e.key] as -1 | 1 | undefined;
    if (!by) return;
    e.preventDefault();
    to(cut, stepped(judgement, lane, by));
  };
  return (
    <section aria-label="Plan" ref={section}>
      <div className="d-flex flex-wrap gap-2 align-items-baseline no-print">
        <span className="faint small">
          Drag a cut to another time, or pick it and press the up or down arrow.
        </span>
        <span className="ms-auto d-flex gap-2">
          {lanes.length > 0 && (
            <Link className="btn btn-sm btn-outline-primary" to="owner">
              For the owner
            </Link>
          )}
          {plan.undo && (
            <Button size="sm" variant="outline-primary" onClick={plan.undo}>
              Undo the last change
            </Button>
          )}
          {edited(judgement.edits) && (
            <Button size="sm" variant="link" onClick={() => plan.send({})}>
              Leave all to the rules
            </Button>
          )}
        </span>
      </div>
      <PlanState judgement={judgement} treeId={treeId} />
      <PlanSettings key={judgement.planVersion} judgement={judgement} send={plan.send} busy={plan.busy} />
      <ProblemAlert error={plan.error} />
      {plan.tried && plan.error instanceof Problem && plan.error.status === 409 && (
        <p>
          The plan below is theirs.{' '}
          <Button
            size="sm"
            variant="outline-primary"
            disabled={plan.reading}
            onClick={() => to(plan.tried!.cut, plan.tried!.time)}
          >
            Move {plan.tried.cut.limb} to {plan.tried.time.yearLabel} in it all the same
          </Button>
        </p>
      )}
      {lanes.length === 0 && <p>Nothing needs doing in the years planned.</p>}
      <div className="lanes">
        {rows(judgement, !!held).map((row) => (
          <LaneRow key={row.key} row={row} over={over === row.key} shown={shown === row.key} onLook={onLook}>
            {row.lane?.cuts.map((cut) => (
              <Disc
                key={cut.limb + cut.kind}
                cut={cut}
                limb={byId.get(cut.limb)}
                picked={picked === cut.limb}
                onPick={() => onPick(cut.limb)}
                onKeyDown={(e) => keys(e, row.lane!, cut)}
                grip={grip({ limb: cut.limb, kind: cut.kind })}
                wasDrag={wasDrag}
              />
            ))}
          </LaneRow>
        ))}
      </div>
      {held && (
        <span className="held-cut" style={{ left: held.x, top: held.y }} aria-hidden="true">
          {held.thing.limb}
        </span>
      )}
      {upkeep && (
        <p className="small">
          {lanes.length > 0 ? 'Then every' : 'Every'} year from {upkeep.fromYearLabel},{' '}
          {SEASONS[upkeep.season]}: the ordinary cutting of a kept tree, {personMinutes(upkeep.minutes)}{' '}
          <span className="faint">(an estimate from kind, age and size)</span>.
        </p>
      )}
      {care.length > 0 && (
        <section aria-label="Care besides">
          <h2 className="mt-2 minor">Care besides</h2>
          <ul className="mb-2">
            {care.map((one) => (
              <li key={one.year + one.what.code}>
                <strong>{one.yearLabel}</strong> {one.what.text}{' '}
                <span className="faint">{personMinutes(one.minutes)}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {notPlaced.length > 0 && (
        <div className="mt-2">
          <h2 className="minor">Not in the plan, and why</h2>
          {notPlaced.map((limb) => (
            <div key={limb.limb}>
              <button type="button" className="btn btn-link p-0" onClick={() => onPick(limb.limb)}>
                {limb.limb}
              </button>
              <Reasons reasons={limb.reasons} />
            </div>
          ))}
        </div>
      )}
    </section>
  );
}

const edited = (edits: PlanWishes) =>
  edits.years != null ||
  edits.allowance != null ||
  [edits.pins, edits.decided, edits.insisted, edits.split].some((list) => (list ?? []).length > 0);
