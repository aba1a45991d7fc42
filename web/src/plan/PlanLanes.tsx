import { type DragEvent, type KeyboardEvent, useEffect, useRef, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import {
  type Judgement,
  type Lane,
  type LimbAnswer,
  type PlanWishes,
  type PlannedCut,
  Problem,
  type Time,
} from '../api/client';
import { date, dates, percent, personMinutes } from '../parts/format';
import { ProblemAlert } from '../parts/ProblemAlert';
import { Reasons } from '../parts/Reasons';
import { SEASONS, VERDICTS } from '../vocabulary/verdict';
import { givenBack, keyOf, moved, type Moving, placeOf, type Row, rows, stepped } from './moves';
import { LimbEdits, PlanSettings } from './PlanEditing';
import { PlanState } from './PlanState';
import { useEditPlan } from './queries';

const seasonOf = (time: { season: string; quality?: string | null }) =>
  SEASONS[time.season] + (time.quality === 'with-care' ? ', with care' : '');

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

function LaneRow({
  row,
  over,
  onOver,
  onDrop,
  moving,
  children,
}: {
  row: Row;
  over: boolean;
  onOver: () => void;
  onDrop: () => void;
  moving: boolean;
  children: React.ReactNode;
}) {
  const { lane, time } = row;
  const season = lane ?? time!;
  const window = lane?.window ?? time!;
  const drag = (e: DragEvent) => {
    if (!moving) return;
    e.preventDefault();
    onOver();
  };
  return (
    <div
      className={'lane' + (over ? ' over' : '') + (lane ? '' : ' empty')}
      role="group"
      aria-label={season.yearLabel + ' ' + seasonOf(season)}
      onDragOver={drag}
      onDrop={(e) => {
        e.preventDefault();
        onDrop();
      }}
    >
      <div>
        <strong>{season.yearLabel}</strong> {seasonOf(season)}
        <div className="faint small">
          {season.season === 'any'
            ? lane
              ? 'until ' + date(window.closes)
              : 'outside its windows'
            : dates(window.opens, window.closes)}
        </div>
      </div>
      {lane ? (
        <>
          <div className="discs">
            {children}
            <span className="small">{summary(lane)}</span>
            {lane.tasks?.map((task) => (
              <span className="small w-100" key={task.what.code}>
                {task.what.text}{' '}
                {task.minutes > 0 && <span className="faint">{personMinutes(task.minutes)}</span>}
              </span>
            ))}
            {lane.overrun && <span className="state urgent">{lane.overrun.text}</span>}
            {lane.cuts.flatMap((cut) => [
              ...cut.breaks.map((reason) => (
                <span className="small breaks w-100" key={'b' + cut.limb + reason.code}>
                  <i className="bi bi-exclamation-triangle" aria-hidden="true" /> {cut.limb}: {reason.text}
                </span>
              )),
              ...(cut.cut.sideBranch
                ? [
                    <span className="small faint w-100" key={'t' + cut.limb}>
                      {cut.limb}: back to {cut.cut.sideBranch}, which takes over.
                    </span>,
                  ]
                : []),
              ...cut.reasons.map((reason) => (
                <span className="small faint w-100" key={cut.limb + reason.code}>
                  {cut.limb}: {reason.text}
                </span>
              )),
            ])}
          </div>
          <Gauge lane={lane} />
        </>
      ) : (
        <div className="faint small">Drop it here</div>
      )}
    </div>
  );
}

function Disc({
  cut,
  limb,
  picked,
  onPick,
  onKeyDown,
  onDragStart,
  onDragEnd,
}: {
  cut: PlannedCut;
  limb?: LimbAnswer;
  picked: boolean;
  onPick: () => void;
  onKeyDown: (e: KeyboardEvent) => void;
  onDragStart: () => void;
  onDragEnd: () => void;
}) {
  const size = Math.round(26 + 3 * Math.min(20, cut.cut.diameterCm));
  const dead = limb?.crownShare === 0;
  const says =
    `${VERDICTS[cut.kind]} ${cut.limb}, ${cut.cut.diameterCm} cm, ${percent(cut.share)} of the crown` +
    (cut.cut.sideBranch ? ', back to ' + cut.cut.sideBranch + ' which takes over' : '') +
    (limb?.urgent ? ', urgent' : '') +
    (cut.byHand ? ', moved by hand' : '') +
    (cut.breaks.length ? ', breaks a rule' : '');
  return (
    <button
      type="button"
      draggable
      data-cut={cut.limb + cut.kind}
      className={`disc ${cut.kind}${dead ? ' dead' : ''}${limb?.urgent ? ' urgent' : ''}${picked ? ' picked' : ''}${cut.byHand ? ' by-hand' : ''}`}
      style={{ width: size, height: size }}
      aria-label={says}
      title={says}
      onClick={onPick}
      onKeyDown={onKeyDown}
      onDragStart={(e) => {
        e.dataTransfer.setData('text/plain', cut.limb);
        e.dataTransfer.effectAllowed = 'move';
        // The rows that appear must not move the disc while the browser takes hold of it.
        window.setTimeout(onDragStart);
      }}
      onDragEnd={onDragEnd}
    >
      {cut.limb}
      {cut.byHand && <i className="bi bi-hand-index-thumb" aria-hidden="true" />}
    </button>
  );
}

/** Every time the picked limb's cut can be moved to, for those who do not drag. */
function MoveTo({
  judgement,
  limb,
  busy,
  onMove,
  onGiveBack,
}: {
  judgement: Judgement;
  limb: string;
  busy: boolean;
  onMove: (cut: Moving, to: Time) => void;
  onGiveBack: (cut: Moving) => void;
}) {
  const cuts = judgement.evaluation.plan.flatMap((lane) => lane.cuts.filter((cut) => cut.limb === limb));
  const waiting = judgement.evaluation.notPlaced.some((one) => one.limb === limb);
  const answer = judgement.evaluation.limbs.find((one) => one.id === limb);
  // What is left for want of a branch to cut to is listed too, but has no cut that could be moved.
  const movable: Moving[] = waiting && answer?.cut ? [{ limb, kind: answer.verdict }] : cuts;
  if (movable.length === 0) return null;
  return (
    <div className="move-to no-print" aria-live="polite">
      {movable.map((cut) => {
        const place = placeOf(judgement, cut);
        const id = 'move-' + cut.limb + cut.kind;
        return (
          <div key={id} className="d-flex flex-wrap gap-2 align-items-center">
            <Form.Label htmlFor={id} className="mb-0">
              Move: {VERDICTS[cut.kind]} {cut.limb}
            </Form.Label>
            <Form.Select
              id={id}
              size="sm"
              style={{ width: 'auto' }}
              disabled={busy}
              value={place ? keyOf(place.lane) : ''}
              onChange={(e) => {
                const to = judgement.times.find((time) => keyOf(time) === e.target.value);
                if (to) onMove(cut, to);
              }}
            >
              {!place && <option value="">no place yet</option>}
              {judgement.times.map((time) => (
                <option key={keyOf(time)} value={keyOf(time)}>
                  {time.yearLabel} {seasonOf(time)}
                  {time.season === 'any' ? '' : ', ' + dates(time.opens, time.closes)}
                </option>
              ))}
            </Form.Select>
            {place?.cut.byHand && (
              <Button size="sm" variant="link" className="p-0" onClick={() => onGiveBack(cut)}>
                Leave it to the rules
              </Button>
            )}
          </div>
        );
      })}
    </div>
  );
}

function summary(lane: Lane): string {
  const parts: string[] = [];
  const bends = lane.cuts.filter((cut) => cut.kind === 'bend').length;
  const cuts = lane.cuts.length - bends;
  if (cuts)
    parts.push(cuts + (cuts === 1 ? ' cut' : ' cuts') + (lane.bigCuts ? ', ' + lane.bigCuts + ' big' : ''));
  if (bends) parts.push(bends + ' to bend');
  if (lane.detail) parts.push(lane.detail.shoots + ' counted shoots');
  if (lane.upkeepMinutes) parts.push('the ordinary yearly cutting');
  parts.push(personMinutes(lane.minutes) + (lane.upkeepMinutes ? ', an estimate' : ''));
  if (lane.crop >= 0.005) parts.push(percent(lane.crop) + ' of the crop given up');
  const text = parts.join(', ');
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** How much of the crown the lane takes, against what it may. */
function Gauge({ lane }: { lane: Lane }) {
  return (
    <div>
      <CrownGauge lane={lane} />
      {lane.cultivars?.map((one) => (
        <div className="small d-flex gap-2 align-items-center" key={one.cultivar}>
          <svg viewBox="0 0 100 8" width={100} aria-hidden="true" className="cultivar-gauge">
            <rect width={100} height={8} className="all" />
            <rect width={one.share * 100} height={8} className="taken" />
          </svg>
          {one.cultivar || 'cultivar not said'}: {percent(one.share)}
        </div>
      ))}
    </div>
  );
}

function CrownGauge({ lane }: { lane: Lane }) {
  if (lane.allowance == null) return <span className="faint small">No crown allowance for this kind.</span>;
  const detail = lane.detail?.share ?? 0;
  const taken = lane.share + detail;
  const full = Math.max(0.4, taken, lane.allowance);
  const x = (share: number) => (share / full) * 200;
  const over = taken > lane.allowance + 1e-6;
  return (
    <div>
      <svg
        className="gauge"
        viewBox="0 0 200 20"
        role="img"
        aria-label={`Takes ${percent(taken)} of the crown, ${percent(lane.allowance)} allowed`}
      >
        <rect x={0} y={6} width={200} height={10} fill="var(--ground)" />
        <rect x={0} y={6} width={x(lane.share)} height={10} fill={over ? 'var(--rust)' : 'var(--damson)'} />
        <rect x={x(lane.share)} y={6} width={x(detail)} height={10} fill="var(--damson-pale)" />
        <line
          x1={x(lane.allowance)}
          x2={x(lane.allowance)}
          y1={1}
          y2={20}
          stroke="var(--ink)"
          strokeWidth={2}
        />
      </svg>
      <div className="small">
        {percent(taken)} of the crown <span className="faint">of {percent(lane.allowance)} allowed</span>
      </div>
    </div>
  );
}
