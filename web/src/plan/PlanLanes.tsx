import type { Evaluation, Lane } from '../api/client';
import { date, dates, minutes, percent } from '../parts/format';
import { Reasons } from '../parts/Reasons';
import { SEASONS, VERDICTS } from '../verdict/words';

/** A lane for each year and season: its cuts as discs as wide as the wood, and what they take of the crown. */
export function PlanLanes({
  evaluation,
  picked,
  onPick,
}: {
  evaluation: Evaluation;
  picked?: string;
  onPick: (limb: string) => void;
}) {
  const { plan, notPlaced, limbs } = evaluation;
  const byId = new Map(limbs.map((limb) => [limb.id, limb]));
  return (
    <section aria-label="Plan">
      <h2>The plan</h2>
      {plan.length === 0 && <p>Nothing needs doing in the years planned.</p>}
      <div className="lanes">
        {plan.map((lane) => (
          <div className="lane" key={lane.year + lane.season + lane.window.opens}>
            <div>
              <strong>{lane.yearLabel}</strong> {SEASONS[lane.season]}
              <div className="faint small">
                {lane.season === 'any'
                  ? 'until ' + date(lane.window.closes)
                  : dates(lane.window.opens, lane.window.closes)}
              </div>
            </div>
            <div className="discs">
              {lane.cuts.map((cut) => {
                const limb = byId.get(cut.limb);
                const size = Math.round(26 + 3 * Math.min(20, cut.cut.diameterCm));
                const dead = limb?.crownShare === 0;
                return (
                  <button
                    key={cut.limb}
                    type="button"
                    className={`disc ${cut.kind}${dead ? ' dead' : ''}${limb?.urgent ? ' urgent' : ''}${picked === cut.limb ? ' picked' : ''}`}
                    style={{ width: size, height: size }}
                    aria-label={`${VERDICTS[cut.kind]} ${cut.limb}, ${cut.cut.diameterCm} cm, ${percent(cut.share)} of the crown${limb?.urgent ? ', urgent' : ''}`}
                    title={`${VERDICTS[cut.kind]} ${cut.limb}, ${cut.cut.diameterCm} cm, ${percent(cut.share)} of the crown${limb?.urgent ? ', urgent' : ''}`}
                    onClick={() => onPick(cut.limb)}
                  >
                    {cut.limb}
                  </button>
                );
              })}
              <span className="small">{summary(lane)}</span>
              {lane.overrun && <span className="state urgent">{lane.overrun.text}</span>}
              {lane.cuts
                .flatMap((cut) => cut.reasons.map((reason) => ({ limb: cut.limb, reason })))
                .map(({ limb, reason }) => (
                  <span className="small faint w-100" key={limb + reason.code}>
                    {limb}: {reason.text}
                  </span>
                ))}
            </div>
            <Gauge lane={lane} />
          </div>
        ))}
      </div>
      {notPlaced.length > 0 && (
        <div className="mt-2">
          <h3>No place found for</h3>
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

function summary(lane: Lane): string {
  const parts: string[] = [];
  const bends = lane.cuts.filter((cut) => cut.kind === 'bend').length;
  const cuts = lane.cuts.length - bends;
  if (cuts)
    parts.push(cuts + (cuts === 1 ? ' cut' : ' cuts') + (lane.bigCuts ? ', ' + lane.bigCuts + ' big' : ''));
  if (bends) parts.push(bends + ' to bend');
  if (lane.detail) parts.push(lane.detail.shoots + ' counted shoots');
  parts.push(minutes(lane.minutes));
  return parts.join(', ');
}

/** How much of the crown the lane takes, against what it may. */
function Gauge({ lane }: { lane: Lane }) {
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
        <rect x={0} y={6} width={200} height={10} fill="#ece5d2" />
        <rect x={0} y={6} width={x(lane.share)} height={10} fill={over ? '#a03a17' : '#5b2a52'} />
        <rect x={x(lane.share)} y={6} width={x(detail)} height={10} fill="#b795af" />
        <line x1={x(lane.allowance)} x2={x(lane.allowance)} y1={1} y2={20} stroke="#33261d" strokeWidth={2} />
      </svg>
      <div className="small">
        {percent(taken)} of the crown <span className="faint">of {percent(lane.allowance)} allowed</span>
      </div>
    </div>
  );
}
