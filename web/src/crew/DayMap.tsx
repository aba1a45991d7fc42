import { lengthAsGiven } from '../parts/measure';

export interface Stop {
  tag: string;
  eastM: number;
  northM: number;
  spreadM: number;
}

const AROUND_M = 6;
/** Letters as a share of the map's longer side, so that they read as well on any. */
const LETTERS = 0.045;
/** Of many trees they are smaller. */
const MANY = 8;
const SMALL_LETTERS = 0.032;

/** A round length for the scale, about a fifth of the map. */
const scaleM = (wide: number) => [2, 5, 10, 20, 50, 100, 200].find((one) => one > wide / 8) ?? 500;

/** How the ways of crews are told apart: whole, dashed, dotted, and again. */
const DASHES = [[], [6, 4], [1.5, 3]];

/** The trees of a day from above, each crew's in their order with the way from one to the next; dashed rings are their crowns. */
export function DayMap({ ways }: { ways: Stop[][] }) {
  const stops = ways.flat();
  if (stops.length < 2) return null;
  const left = Math.min(...stops.map((stop) => stop.eastM - stop.spreadM / 2)) - AROUND_M;
  const right = Math.max(...stops.map((stop) => stop.eastM + stop.spreadM / 2)) + AROUND_M;
  const top = -Math.max(...stops.map((stop) => stop.northM + stop.spreadM / 2)) - AROUND_M;
  const bottom = -Math.min(...stops.map((stop) => stop.northM - stop.spreadM / 2)) + AROUND_M;
  const wide = right - left;
  const text = Math.max(wide, bottom - top) * (stops.length > MANY ? SMALL_LETTERS : LETTERS);
  const scale = scaleM(wide);
  return (
    <figure className="day-map">
      <svg
        viewBox={`${left} ${top} ${wide} ${bottom - top}`}
        role="img"
        aria-label={
          'The way: ' + ways.map((way) => way.map((stop, i) => i + 1 + ' ' + stop.tag).join(', ')).join('; ')
        }
      >
        {stops.map((stop) => (
          <circle
            key={stop.tag}
            cx={stop.eastM}
            cy={-stop.northM}
            r={Math.max(stop.spreadM / 2, text / 2)}
            fill="none"
            stroke="var(--leaf)"
            strokeWidth={text / 10}
            strokeDasharray={text / 3 + ' ' + text / 3}
          />
        ))}
        {ways.map((way, i) => (
          <polyline
            key={i}
            points={way.map((stop) => stop.eastM + ',' + -stop.northM).join(' ')}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={text / 8}
            strokeDasharray={DASHES[i % DASHES.length]!.map((dash) => (dash * text) / 8).join(' ')}
          />
        ))}
        {ways.flatMap((way) =>
          way.map((stop, i) => (
            <g key={stop.tag} transform={`translate(${stop.eastM} ${-stop.northM})`} fontSize={text}>
              <circle r={text * 0.75} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={text / 10} />
              <text textAnchor="middle" dy="0.35em" fontWeight={700} fill="var(--ink)">
                {i + 1}
              </text>
              <text
                x={text}
                dy="-0.5em"
                fill="var(--ink)"
                stroke="var(--sheet)"
                strokeWidth={text / 5}
                paintOrder="stroke"
              >
                {stop.tag}
              </text>
            </g>
          )),
        )}
        <g transform={`translate(${left + text} ${bottom - text})`} fontSize={text * 0.9} fill="var(--ink)">
          <path
            d={`M0 ${-text / 2}V0H${scale}V${-text / 2}`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={text / 10}
          />
          <text x={scale + text / 2}>{lengthAsGiven(scale, 'm')}</text>
        </g>
        <g transform={`translate(${right - text * 1.5} ${top + text * 3})`} fill="var(--ink)" fontSize={text}>
          <path d={`M0 0L${text / 2} ${text}L0 ${text * 0.7}L${-text / 2} ${text}Z`} />
          <text textAnchor="middle" y={-text * 0.4}>
            N
          </text>
        </g>
      </svg>
      <figcaption className="small faint">
        Numbered in the order of the day;{' '}
        {ways.length > 1 ? 'each crew’s way is a line of its own.' : 'the line is the way.'}
      </figcaption>
    </figure>
  );
}
