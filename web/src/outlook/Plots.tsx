import type { TenYears } from '../api/client';
import { metres, percent, personMinutes } from '../parts/format';
import { type DrawnYear, ORDER, type Way, WAY_COLOUR, WAY_DASH, WAYS } from './words';

interface Measure {
  name: string;
  of: (year: DrawnYear) => number;
  band?: (year: DrawnYear) => { least: number; most: number };
  says: (value: number) => string;
  most?: number;
}

const MEASURES: Measure[] = [
  { name: 'Height', of: (y) => y.is.heightM, band: (y) => y.band.heightM, says: metres },
  { name: 'Light in the crown', of: (y) => y.is.light, says: percent, most: 1 },
  {
    name: 'Fruiting wood in light',
    of: (y) => y.is.inLight ?? 0,
    band: (y) => y.band.inLight,
    says: percent,
    most: 1,
  },
  { name: 'Fruit', of: (y) => y.is.fruitIndex, band: (y) => y.band.fruitIndex, says: percent },
  { name: 'Fruit within reach', of: (y) => y.is.fruitInReach ?? 0, says: percent },
  {
    name: 'Upright shoots',
    of: (y) => y.is.uprights,
    band: (y) => y.band.uprights,
    says: (n) => 'about ' + Math.round(n),
  },
  { name: 'Dead wood', of: (y) => y.is.deadShare, band: (y) => y.band.deadShare, says: percent },
  { name: 'Split of a weak union', of: (y) => y.is.splitRisk, says: (n) => percent(n) + ' a year' },
  { name: 'Work done', of: (y) => y.is.minutesDone, says: (n) => personMinutes(Math.round(n)) },
  { name: 'Work waiting', of: (y) => y.is.minutesWaiting, says: (n) => personMinutes(Math.round(n)) },
];

const WIDTH = 150;
const HEIGHT = 54;

/** What becomes of the tree under each way, one small plot for each thing, all three ways on its scale. */
export function Plots({
  ten,
  way,
  at,
  onStep,
}: {
  ten: TenYears;
  way: Way;
  at: number;
  onStep: (at: number) => void;
}) {
  const last = ten.plan.years.length - 1;
  const x = (i: number) => 4 + (i / last) * (WIDTH - 8);
  return (
    <section aria-label="Ten years" className="ten-years">
      {MEASURES.filter((measure) =>
        ORDER.some((one) => ten[one].years.some((year) => measure.of(year) > 0)),
      ).map((measure) => {
        const all = ORDER.flatMap((one) => ten[one].years.map(measure.of));
        const most =
          measure.most ?? Math.max(...all, ...ten[way].years.map((y) => measure.band?.(y).most ?? 0));
        const y = (value: number) => HEIGHT - 3 - (most > 0 ? value / most : 0) * (HEIGHT - 8);
        const band = measure.band;
        const now = ten[way].years[at]!;
        return (
          <figure key={measure.name}>
            <figcaption>
              {measure.name} <strong>{measure.says(measure.of(now))}</strong>
            </figcaption>
            <svg
              viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
              role="img"
              aria-label={
                measure.name +
                ' in ' +
                now.yearLabel +
                ': ' +
                ORDER.map((one) => WAYS[one] + ' ' + measure.says(measure.of(ten[one].years[at]!))).join(', ')
              }
              onClick={(e) => {
                const box = e.currentTarget.getBoundingClientRect();
                const share = ((e.clientX - box.left) / box.width) * WIDTH;
                onStep(Math.max(0, Math.min(last, Math.round(((share - 4) / (WIDTH - 8)) * last))));
              }}
            >
              <line x1={0} x2={WIDTH} y1={HEIGHT - 3} y2={HEIGHT - 3} stroke="#cfc5ae" />
              {band && (
                <path
                  d={
                    ten[way].years
                      .map((year, i) => `${i ? 'L' : 'M'}${x(i)} ${y(band(year).most)}`)
                      .join('') +
                    [...ten[way].years]
                      .reverse()
                      .map((year, i) => `L${x(last - i)} ${y(band(year).least)}`)
                      .join('') +
                    'Z'
                  }
                  fill={WAY_COLOUR[way]}
                  fillOpacity={0.16}
                />
              )}
              {ORDER.map((one) => (
                <polyline
                  key={one}
                  points={ten[one].years.map((year, i) => x(i) + ',' + y(measure.of(year))).join(' ')}
                  fill="none"
                  stroke={WAY_COLOUR[one]}
                  strokeWidth={one === way ? 2 : 1.1}
                  strokeDasharray={WAY_DASH[one]}
                />
              ))}
              <line x1={x(at)} x2={x(at)} y1={0} y2={HEIGHT - 3} stroke="#33261d" strokeWidth={0.7} />
              <circle cx={x(at)} cy={y(measure.of(now))} r={2.4} fill={WAY_COLOUR[way]} />
            </svg>
          </figure>
        );
      })}
    </section>
  );
}

/** Which line is which. */
export function Key() {
  return (
    <span className="d-inline-flex flex-wrap gap-3 small">
      {ORDER.map((way) => (
        <span key={way}>
          <svg width={28} height={8} aria-hidden="true">
            <line
              x1={0}
              x2={28}
              y1={4}
              y2={4}
              stroke={WAY_COLOUR[way]}
              strokeWidth={2}
              strokeDasharray={WAY_DASH[way]}
            />
          </svg>{' '}
          {WAYS[way]}
        </span>
      ))}
    </span>
  );
}
