import { type Lane } from '../api/client';
import { date, dates, percent, personMinutes } from '../parts/format';
import { SEASONS } from '../vocabulary/verdict';
import { type Row } from './moves';
import { Icon } from '../parts/Icon';

export const seasonOf = (time: { season: string; quality?: string | null }) =>
  SEASONS[time.season] + (time.quality === 'with-care' ? ', with care' : '');

export function LaneRow({
  row,
  over,
  shown,
  onLook,
  children,
}: {
  row: Row;
  /** Whether a cut is held over it. */
  over: boolean;
  /** Whether the drawing shows what falls in it. */
  shown: boolean;
  /** Looked at by the pointer, or no longer. */
  onLook: (row?: string) => void;
  children: React.ReactNode;
}) {
  const { lane, time } = row;
  const season = lane ?? time!;
  const window = lane?.window ?? time!;
  return (
    <div
      className={'lane' + (over ? ' over' : '') + (lane ? '' : ' empty') + (shown ? ' shown' : '')}
      role="group"
      data-lane={row.key}
      aria-label={season.yearLabel + ' ' + seasonOf(season)}
      onPointerEnter={() => lane && onLook(row.key)}
      onPointerLeave={() => onLook(undefined)}
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
                  <Icon name="exclamation-triangle" /> {cut.limb}: {reason.text}
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
        <div className="faint small">Let go of it here</div>
      )}
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
  if (lane.detail) parts.push(lane.detail.shoots + ' young shoots');
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
  // What goes past is seen to go past, however little.
  const shown =
    over && percent(taken) === percent(lane.allowance) ? (taken * 100).toFixed(1) + ' %' : percent(taken);
  return (
    <div>
      <svg
        className="gauge"
        viewBox="0 0 200 20"
        role="img"
        aria-label={`Takes ${shown} of the crown as it stands then, ${percent(lane.allowance)} allowed`}
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
        <span title="Of the crown as it stands when this work begins">{shown} of the crown then</span>{' '}
        <span className="faint">of {percent(lane.allowance)} allowed</span>
      </div>
    </div>
  );
}
