import { type KeyboardEvent, useEffect, useRef, useState } from 'react';
import { Button } from 'react-bootstrap';
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
import { Reasons } from '../parts/Reasons';
import { SEASONS } from '../vocabulary/verdict';
import { givenBack, moved, type Moving, rows, stepped } from './moves';
import { LimbEdits, PlanSettings } from './PlanEditing';
import { PlanState } from './PlanState';
import { useEditPlan } from './queries';
import { LaneRow } from './LaneRow';
import { Disc } from './Disc';
import { MoveTo } from './MoveTo';

/** A lane for each year and season: its cuts as discs as wide as the wood, and what they take of the crown. Cuts can be dragged, or moved by keys. */
export function PlanLanes({
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
  const { plan, notPlaced, care, upkeep, limbs } = judgement.evaluation;
  const move = useEditPlan(treeId);
  const [moving, setMoving] = useState<Moving>();
  const [over, setOver] = useState<string>();
  const [before, setBefore] = useState<PlanWishes[]>([]);
  const refocus = useRef<Moving>(undefined);
  const section = useRef<HTMLElement>(null);
  const [tried, setTried] = useState<{ cut: Moving; time: Time }>();
  const byId = new Map(limbs.map((limb) => [limb.id, limb]));
  const edits = judgement.edits;
  const pins = edits.pins ?? [];
  const send = (next: PlanWishes, undoing = false) =>
    move.mutate(
      { version: judgement.planVersion, edits: next },
      { onSuccess: () => setBefore((list) => (undoing ? list.slice(0, -1) : [...list, edits])) },
    );
  const to = (cut: Moving, time: Time | undefined) => {
    setMoving(undefined);
    setOver(undefined);
    if (!time) return;
    setTried({ cut, time });
    refocus.current = cut;
    send({ ...edits, pins: moved(pins, cut, time) });
  };
  // A moved cut stands in another row: whoever moved it by keys can go on.
  useEffect(() => {
    const cut = refocus.current;
    if (!cut || move.isPending) return;
    const disc = [...(section.current?.querySelectorAll<HTMLElement>('[data-cut]') ?? [])].find(
      (one) => one.dataset.cut === cut.limb + cut.kind,
    );
    if (disc && document.activeElement === document.body) disc.focus({ preventScroll: true });
    refocus.current = undefined;
  }, [judgement, move.isPending]);
  const keys = (e: KeyboardEvent, lane: Lane, cut: PlannedCut) => {
    const by = { ArrowUp: -1, ArrowDown: 1 }[e.key] as -1 | 1 | undefined;
    if (!by) return;
    e.preventDefault();
    to(cut, stepped(judgement, lane, by));
  };
  const last = before[before.length - 1];
  return (
    <section aria-label="Plan" ref={section}>
      <div className="d-flex flex-wrap gap-3 align-items-baseline">
        <h2>The plan</h2>
        <span className="faint small no-print">
          Drag a cut to another time, or pick it and press the up or down arrow.
        </span>
        <span className="ms-auto d-flex gap-2 no-print">
          {plan.length > 0 && (
            <a className="btn btn-sm btn-outline-primary" href={'/api/trees/' + treeId + '/owners-plan.pdf'}>
              For the owner
            </a>
          )}
          {last && (
            <Button size="sm" variant="outline-primary" onClick={() => send(last, true)}>
              Undo the last change
            </Button>
          )}
          {edited(edits) && (
            <Button size="sm" variant="link" onClick={() => send({})}>
              Leave all to the rules
            </Button>
          )}
        </span>
      </div>
      <PlanState judgement={judgement} treeId={treeId} />
      <PlanSettings
        key={judgement.planVersion}
        judgement={judgement}
        send={(next) => send(next)}
        busy={move.isPending}
      />
      <ProblemAlert error={move.error} />
      {tried && move.error instanceof Problem && move.error.status === 409 && (
        <p>
          The plan below is theirs.{' '}
          <Button size="sm" variant="outline-primary" onClick={() => to(tried.cut, tried.time)}>
            Move {tried.cut.limb} to {tried.time.yearLabel} in it all the same
          </Button>
        </p>
      )}
      {plan.length === 0 && <p>Nothing needs doing in the years planned.</p>}
      <div className="lanes">
        {rows(judgement, !!moving).map((row) => (
          <LaneRow
            key={row.key}
            row={row}
            over={over === row.key}
            onOver={() => setOver(row.key)}
            onDrop={() => moving && to(moving, row.time)}
            moving={!!moving}
          >
            {row.lane?.cuts.map((cut) => (
              <Disc
                key={cut.limb + cut.kind}
                cut={cut}
                limb={byId.get(cut.limb)}
                picked={picked === cut.limb}
                onPick={() => onPick(cut.limb)}
                onKeyDown={(e) => keys(e, row.lane!, cut)}
                onDragStart={() => setMoving({ limb: cut.limb, kind: cut.kind })}
                onDragEnd={() => {
                  setMoving(undefined);
                  setOver(undefined);
                }}
              />
            ))}
          </LaneRow>
        ))}
      </div>
      {upkeep && (
        <p className="small">
          {plan.length > 0 ? 'Then every' : 'Every'} year from {upkeep.fromYearLabel},{' '}
          {SEASONS[upkeep.season]}: the ordinary cutting of a kept tree, {personMinutes(upkeep.minutes)}{' '}
          <span className="faint">(an estimate from kind, age and size)</span>.
        </p>
      )}
      {picked && (
        <MoveTo
          judgement={judgement}
          limb={picked}
          busy={move.isPending}
          onMove={to}
          onGiveBack={(cut) => send({ ...edits, pins: givenBack(pins, cut) })}
        />
      )}
      {picked && (
        <LimbEdits judgement={judgement} limb={picked} send={(next) => send(next)} busy={move.isPending} />
      )}
      {care.length > 0 && (
        <section aria-label="Care besides">
          <h3 className="mt-2">Care besides</h3>
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
          <h3>Not in the plan, and why</h3>
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
