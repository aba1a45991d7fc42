import type { ReactNode } from 'react';

/** One picture of the answer: what it shows as a heading, the picture, and a sentence that says it. */
export function Picture({ title, says, children }: { title: string; says: ReactNode; children?: ReactNode }) {
  return (
    <section className="answer-picture" aria-label={title}>
      <h2>{title}</h2>
      {children}
      <p>{says}</p>
    </section>
  );
}

const WIDE = 340;
const HIGH = 150;
const FOOT = 18;
const LEFT = 34;

/** A bar a year, parted where it has parts; what is written at its foot says the year, on top how much. */
export function YearBars({
  bars,
  label,
}: {
  bars: { year: number; parts: { value: number; className: string }[]; top?: string }[];
  label: string;
}) {
  const most = Math.max(1e-9, ...bars.map((bar) => bar.parts.reduce((sum, part) => sum + part.value, 0)));
  const step = (WIDE - 8) / Math.max(1, bars.length);
  const few = Math.ceil(bars.length / 7);
  return (
    <svg viewBox={`0 0 ${WIDE} ${HIGH}`} role="img" aria-label={label}>
      {bars.map((bar, i) => {
        let at = HIGH - FOOT;
        return (
          <g key={bar.year}>
            {bar.parts.map((part) => {
              const high = (part.value / most) * (HIGH - FOOT - 16);
              at -= high;
              return (
                <rect
                  key={part.className}
                  className={part.className}
                  x={4 + i * step + step * 0.12}
                  y={at}
                  width={step * 0.76}
                  height={high}
                />
              );
            })}
            {bar.top && (
              <text x={4 + (i + 0.5) * step} y={at - 3} textAnchor="middle">
                {bar.top}
              </text>
            )}
            {(bars.length - 1 - i) % few === 0 && (
              <text x={4 + (i + 0.5) * step} y={HIGH - 4} textAnchor="middle">
                {bar.year}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}

export interface Interval {
  name: string;
  value?: number | null;
  low?: number | null;
  high?: number | null;
  faint?: boolean;
}

/** Dots with their intervals on one line with zero, or with what was before. */
export function Intervals({
  rows,
  zero = 0,
  zeroName,
  write,
  label,
}: {
  rows: Interval[];
  zero?: number;
  zeroName: string;
  write: (value: number) => string;
  label: string;
}) {
  const known = rows.filter((row) => row.value != null);
  const ends = known.flatMap((row) => [row.low ?? row.value!, row.high ?? row.value!, zero]);
  const least = Math.min(zero, ...ends);
  const most = Math.max(zero, ...ends);
  const room = (most - least) * 0.08 || 0.1;
  const names = 112;
  const x = (value: number) =>
    names + ((value - least + room) / (most - least + 2 * room)) * (WIDE - names - 52);
  const high = rows.length * 22 + FOOT + 6;
  return (
    <svg viewBox={`0 0 ${WIDE} ${high}`} role="img" aria-label={label}>
      <line className="zero" x1={x(zero)} x2={x(zero)} y1={2} y2={high - FOOT} />
      <text x={x(zero)} y={high - 4} textAnchor="middle">
        {zeroName}
      </text>
      {rows.map((row, i) => {
        const y = 14 + i * 22;
        return (
          <g key={row.name} opacity={row.faint ? 0.55 : 1}>
            <text x={names - 6} y={y + 4} textAnchor="end">
              {row.name}
            </text>
            {row.value == null ? (
              <text x={names} y={y + 4} className="faint">
                too little to tell
              </text>
            ) : (
              <>
                {row.low != null && row.high != null && (
                  <line className="interval" x1={x(row.low)} x2={x(row.high)} y1={y} y2={y} />
                )}
                <circle cx={x(row.value)} cy={y} r={4.5} />
                <text x={WIDE - 2} y={y + 4} textAnchor="end">
                  {write(row.value)}
                </text>
              </>
            )}
          </g>
        );
      })}
    </svg>
  );
}

/** Two or three shares as bars of the whole. */
export function ShareBars({ shares, label }: { shares: [name: string, share: number][]; label: string }) {
  return (
    <svg viewBox={`0 0 ${WIDE} ${shares.length * 30 + 6}`} role="img" aria-label={label}>
      {shares.map(([name, share], i) => (
        <g key={name}>
          <text x={LEFT * 3} y={22 + i * 30} textAnchor="end">
            {name}
          </text>
          <rect className="whole" x={LEFT * 3 + 6} y={8 + i * 30} width={WIDE - LEFT * 3 - 60} height={18} />
          <rect
            className="part"
            x={LEFT * 3 + 6}
            y={8 + i * 30}
            width={(WIDE - LEFT * 3 - 60) * Math.max(0, Math.min(1, share))}
            height={18}
          />
          <text x={WIDE - 2} y={22 + i * 30} textAnchor="end">
            {Math.round(share * 100)} %
          </text>
        </g>
      ))}
    </svg>
  );
}
