import { type ReactNode, useSyncExternalStore } from 'react';
import type { SeasonWindow } from '../api/client';
import { dates, month, words } from '../parts/format';
import { WORK } from '../vocabulary/season';

/** Room for the months' names and for today's above them. */
export const HEAD = 27;
const LABEL = 128;
const WIDTH = 1200;
/** On a phone the same letters want more of the strip. */
const NARROW = 440;
const NARROW_LABEL = 104;
const NARROW_BELOW_PX = 700;

const onTurned = (turned: () => void) => {
  window.addEventListener('resize', turned);
  return () => window.removeEventListener('resize', turned);
};
/** Whether the year is drawn for a phone; follows a phone that is turned. */
export const useNarrow = () => useSyncExternalStore(onTurned, () => window.innerWidth < NARROW_BELOW_PX);

const dayMs = 86_400_000;
export const plusDays = (day: string, days: number) =>
  new Date(Date.parse(day) + days * dayMs).toISOString().slice(0, 10);

/** A stretch of the year from left to right: where a day lies on it. */
export interface Year {
  from: string;
  until: string;
  today: string;
  x: (day: string) => number;
  height: number;
  width: number;
  narrow: boolean;
}

export function yearOf(
  { from, until, today }: { from: string; until: string; today: string },
  height: number,
  narrow: boolean,
): Year {
  const days = (Date.parse(until) - Date.parse(from)) / dayMs;
  const at = (day: string) => Math.min(days, Math.max(0, (Date.parse(day) - Date.parse(from)) / dayMs));
  const width = narrow ? NARROW : WIDTH;
  const label = narrow ? NARROW_LABEL : LABEL;
  return {
    from,
    until,
    today,
    height,
    width,
    narrow,
    x: (day) => label + (at(day) / days) * (width - label),
  };
}

/** The months as a frame, today as a line through all. */
export function YearFrame({ year, label, children }: { year: Year; label: string; children: ReactNode }) {
  const { x, height } = year;
  const months: { iso: string; name: string }[] = [];
  for (
    let first = new Date(Date.UTC(+year.from.slice(0, 4), +year.from.slice(5, 7) - 1, 1));
    first.toISOString().slice(0, 10) < year.until;
    first = new Date(Date.UTC(first.getUTCFullYear(), first.getUTCMonth() + 1, 1))
  )
    months.push({
      iso: first.toISOString().slice(0, 10),
      name: month(first.getUTCMonth()).slice(0, year.narrow ? 1 : 3),
    });
  return (
    <svg viewBox={`0 0 ${year.width} ${height}`} role="group" aria-label={label}>
      <defs>
        <pattern
          id="with-care"
          width="5"
          height="5"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width="5" height="5" fill="var(--quince-pale)" />
          <rect width="2.2" height="5" fill="var(--quince-bright)" />
        </pattern>
      </defs>
      {months.map((month) => (
        <g key={month.iso}>
          <line x1={x(month.iso)} x2={x(month.iso)} y1={HEAD - 14} y2={height} stroke="var(--ground)" />
          <text x={x(month.iso) + 4} y={HEAD - 5} fontSize={12} fill="var(--faint)">
            {month.name}
          </text>
        </g>
      ))}
      {children}
      <line x1={x(year.today)} x2={x(year.today)} y1={0} y2={height} stroke="var(--rust)" strokeWidth={2} />
      <text x={x(year.today) + 4} y={10} fontSize={12} fill="var(--rust)" fontWeight={600}>
        today
      </text>
    </svg>
  );
}

/** What a window says of itself. */
export const windowSays = (name: string, window: SeasonWindow) =>
  `${name}: ${window.quality === 'best' ? 'best' : 'with care'}${WORK[window.work] ? ', ' + WORK[window.work] : ''} ${dates(window.opens, window.closes)}. ${window.reason.text}`;

/** The windows of one kind as bars: solid where best, hatched where with care. */
export function Bars({
  year,
  windows,
  name,
  y,
  tall,
  wrap = (_, bar) => bar,
}: {
  year: Year;
  windows: SeasonWindow[];
  name: string;
  y: number;
  tall: number;
  wrap?: (window: SeasonWindow, bar: ReactNode) => ReactNode;
}) {
  return windows
    .filter((window) => window.quality !== 'keep-off')
    .map((window) => (
      <g key={window.opens + window.quality + window.work}>
        {wrap(
          window,
          <rect
            x={year.x(window.opens)}
            width={Math.max(0, year.x(plusDays(window.closes, 1)) - year.x(window.opens))}
            y={y}
            height={tall}
            fill={window.quality === 'best' ? 'var(--leaf)' : 'url(#with-care)'}
          >
            <title>{windowSays(name, window)}</title>
          </rect>,
        )}
      </g>
    ));
}

export const windowName = (name: string, window: SeasonWindow) =>
  `${name}, ${words(window.quality)}, ${dates(window.opens, window.closes)}`;
