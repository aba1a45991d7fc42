import type { Wood } from '../api/client';
import { date } from '../parts/format';

type Wound = Wood['wounds'][number];

const WIDE = 260;
const HIGH = 84;
const LEFT = 30;
const FOOT = 16;
const MS_A_YEAR = 365.25 * 24 * 3600 * 1000;

const yearOf = (iso: string) => new Date(iso + 'T00:00:00Z').getTime() / MS_A_YEAR + 1970;

/** The open width of a wound by year: what was measured as dots, where it is bound as a line, how sure that is as a band. */
export function WoundPlot({ wound }: { wound: Wound }) {
  const seen = [
    { on: wound.madeOn, mm: wound.diameterCm * 10 },
    ...wound.looks.map((look) => ({
      on: look.on,
      mm: look.state === 'closed' ? 0 : (look.longMm + look.shortMm) / 2,
    })),
  ];
  const last = seen.at(-1)!;
  const first = yearOf(wound.madeOn);
  const ends = Math.max(yearOf(last.on) + 1, wound.high ?? wound.closedYear ?? 0, first + 3) + 0.5;
  const most = Math.max(...seen.map((one) => one.mm), 10);
  const x = (year: number) => LEFT + ((Math.min(year, ends) - first) / (ends - first)) * (WIDE - LEFT - 6);
  const y = (mm: number) => 6 + (1 - mm / most) * (HIGH - FOOT - 6);
  const closes = (year: number) => `${x(yearOf(last.on))},${y(last.mm)} ${x(year + 0.5)},${y(0)}`;
  const words =
    seen.map((one) => `${date(one.on)} ${Math.round(one.mm)} mm`).join(', ') +
    (wound.closedYear ? `; closed about ${wound.closedYear}` : '; not closing');
  return (
    <svg viewBox={`0 0 ${WIDE} ${HIGH}`} className="wound-plot" role="img" aria-label={words}>
      <line x1={LEFT} x2={WIDE - 4} y1={y(0)} y2={y(0)} className="axis" />
      <text x={LEFT - 4} y={y(most) + 4} textAnchor="end">
        {Math.round(most)}
      </text>
      <text x={LEFT - 4} y={y(0) + 4} textAnchor="end">
        0 mm
      </text>
      <text x={LEFT} y={HIGH - 3}>
        {wound.madeOn.slice(0, 4)}
      </text>
      <text x={WIDE - 4} y={HIGH - 3} textAnchor="end">
        {Math.floor(ends)}
      </text>
      {last.mm > 0 && wound.low && (
        <polygon
          className="band"
          points={`${closes(wound.low)} ${x((wound.high ?? ends) + 0.5)},${
            wound.high ? y(0) : y(last.mm * 0.5)
          }`}
        />
      )}
      {last.mm > 0 && wound.closedYear && <polyline className="ahead" points={closes(wound.closedYear)} />}
      <polyline className="seen" points={seen.map((one) => `${x(yearOf(one.on))},${y(one.mm)}`).join(' ')} />
      {seen.map((one) => (
        <circle key={one.on} cx={x(yearOf(one.on))} cy={y(one.mm)} r={3} />
      ))}
    </svg>
  );
}
