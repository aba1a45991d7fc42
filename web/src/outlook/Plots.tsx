import { useCallback, useState } from 'react';
import { Form } from 'react-bootstrap';
import { type Measure, measuresOf, ticks, topOf } from './measures';
import type { DrawnYear, Line } from '../vocabulary/outlook';

const HEIGHT = 250;
const EDGE = { left: 60, right: 92, top: 12, bottom: 40 };
/** A page that has not been laid out yet has no width. */
const AT_FIRST = 640;
/** Narrower plots name fewer years. */
const NARROW = 460;
const SMALL = { width: 120, height: 34 };
/** End labels closer than this would lie on each other. */
const LABEL = 15;
const LONGEST_NAME = 13;

interface Shown {
  lines: Line[];
  /** The one whose band and years of cutting are shown. */
  shown: Line;
  at: number;
  onStep: (at: number) => void;
}

/** What becomes of the tree under each way: one plot large enough to read, and beneath it all that can be shown in it. */
export function Plots({ lines, shown, at, onStep }: Shown) {
  const measures = measuresOf(lines);
  const [name, setName] = useState(measures[0]!.name);
  const chosen = measures.find((measure) => measure.name === name) ?? measures[0]!;
  return (
    <section aria-label="Ten years" className="ten-years">
      <div className="d-flex flex-wrap gap-2 align-items-baseline">
        <Form.Label htmlFor="plotted" className="visually-hidden">
          What is plotted
        </Form.Label>
        <Form.Select
          id="plotted"
          size="sm"
          className="w-auto"
          value={chosen.name}
          onChange={(e) => setName(e.target.value)}
        >
          {measures.map((measure) => (
            <option key={measure.name}>{measure.name}</option>
          ))}
        </Form.Select>
        <span className="small faint">{chosen.means}</span>
      </div>
      <Large lines={lines} shown={shown} at={at} onStep={onStep} measure={chosen} />
      <div className="small-plots">
        {measures.map((measure) => (
          <Small
            key={measure.name}
            lines={lines}
            shown={shown}
            at={at}
            measure={measure}
            chosen={measure === chosen}
            onPick={() => setName(measure.name)}
          />
        ))}
      </div>
    </section>
  );
}

/** How wide an element is, px, so that what is written in it is as large on a phone as on a laptop. */
function useWidth(): [number, (element: HTMLElement | null) => void] {
  const [width, setWidth] = useState(AT_FIRST);
  const figure = useCallback((element: HTMLElement | null) => {
    if (!element || typeof ResizeObserver === 'undefined') return;
    const seen = new ResizeObserver(([entry]) => entry && setWidth(Math.round(entry.contentRect.width)));
    seen.observe(element);
    return () => seen.disconnect();
  }, []);
  return [width || AT_FIRST, figure];
}

/** One measure with its axes, the band of the chosen way, the years of cutting, and values at the pointer. */
function Large({ lines, shown, at, onStep, measure }: Shown & { measure: Measure }) {
  const [over, setOver] = useState<number>();
  const [width, figure] = useWidth();
  const years = shown.years;
  const last = years.length - 1;
  const top = topOf(measure, lines, shown) || 1;
  const x = (i: number) => EDGE.left + (i / last) * (width - EDGE.left - EDGE.right);
  const y = (value: number) => HEIGHT - EDGE.bottom - (value / top) * (HEIGHT - EDGE.top - EDGE.bottom);
  const index = (clientX: number, box: DOMRect) => {
    const on = ((clientX - box.left) / box.width) * width;
    const share = (on - EDGE.left) / (width - EDGE.left - EDGE.right);
    return Math.max(0, Math.min(last, Math.round(share * last)));
  };
  const told = over ?? at;
  const cuts = years.map((year) => year.limbs.some((limb) => limb.cut));
  return (
    <figure className="large-plot" ref={figure}>
      <svg
        viewBox={`0 0 ${width} ${HEIGHT}`}
        role="img"
        aria-label={
          measure.name +
          ' over ten years: ' +
          lines
            .map(
              (one) =>
                one.name +
                ' from ' +
                measure.says(measure.of(one.years[0]!)) +
                ' to ' +
                measure.says(measure.of(one.years[last]!)),
            )
            .join(', ')
        }
        onPointerMove={(e) => setOver(index(e.clientX, e.currentTarget.getBoundingClientRect()))}
        onPointerLeave={() => setOver(undefined)}
        onClick={(e) => onStep(index(e.clientX, e.currentTarget.getBoundingClientRect()))}
      >
        {ticks(top).map((value) => (
          <g key={value}>
            <line x1={EDGE.left} x2={width - EDGE.right} y1={y(value)} y2={y(value)} className="grid-line" />
            <text x={EDGE.left - 6} y={y(value) + 4} textAnchor="end">
              {measure.says(value).replace(/^about | a year$/g, '')}
            </text>
          </g>
        ))}
        {years.map((year, i) => (
          <g key={year.yearLabel}>
            {cuts[i] && (
              <path d={`M${x(i) - 4} ${HEIGHT - EDGE.bottom + 10}l4 -7l4 7Z`} className="cutting-year">
                <title>{'Cuts of the way shown in ' + year.yearLabel}</title>
              </path>
            )}
            {i % (width < NARROW ? 5 : 2) === 0 && (
              <text x={x(i)} y={HEIGHT - EDGE.bottom + 24} textAnchor="middle">
                {i === 0 ? 'now' : year.yearLabel}
              </text>
            )}
          </g>
        ))}
        {measure.band && (
          <path d={bandPath(years, measure.band, x, y)} fill={shown.colour} fillOpacity={0.15} />
        )}
        {lines.map((one) => (
          <polyline
            key={one.key}
            points={one.years.map((year, i) => x(i) + ',' + y(measure.of(year))).join(' ')}
            fill="none"
            stroke={one.colour}
            strokeWidth={one === shown ? 3 : 1.8}
            strokeDasharray={one.dash}
          />
        ))}
        <line x1={x(told)} x2={x(told)} y1={EDGE.top} y2={HEIGHT - EDGE.bottom} className="year-line" />
        {lines.map((one) => (
          <circle key={one.key} cx={x(told)} cy={y(measure.of(one.years[told]!))} r={3.5} fill={one.colour} />
        ))}
        {endLabels(lines, measure, y).map((label) => (
          <text key={label.line.key} x={width - EDGE.right + 8} y={label.y + 4} fill={label.line.colour}>
            {short(label.line.name)}
          </text>
        ))}
      </svg>
      <figcaption aria-live="polite">
        <strong>{told === 0 ? 'Now' : years[told]!.yearLabel}</strong>
        {lines.map((one) => (
          <span key={one.key} style={{ color: one.colour }}>
            {one.name} <strong>{measure.says(measure.of(one.years[told]!))}</strong>
            {one === shown && measure.band && ' (' + between(measure, one.years[told]!) + ')'}
          </span>
        ))}
      </figcaption>
    </figure>
  );
}

function between(measure: Measure, year: DrawnYear) {
  const band = measure.band!(year);
  return measure.says(band.least) + ' to ' + measure.says(band.most);
}

function bandPath(
  years: DrawnYear[],
  band: (year: DrawnYear) => { least: number; most: number },
  x: (i: number) => number,
  y: (value: number) => number,
) {
  const upper = years.map((year, i) => `${i ? 'L' : 'M'}${x(i)} ${y(band(year).most)}`).join('');
  const lower = years
    .map((year, i) => `L${x(i)} ${y(band(year).least)}`)
    .reverse()
    .join('');
  return upper + lower + 'Z';
}

/** A name that fits beside the plot; the key has it whole. */
const short = (name: string) => (name.length > LONGEST_NAME ? name.slice(0, LONGEST_NAME - 1) + '…' : name);

/** Where the ways' names stand at the end of their lines, moved apart so that all can be read. */
function endLabels(lines: Line[], measure: Measure, y: (value: number) => number) {
  const labels = lines
    .map((line) => ({ line, y: y(measure.of(line.years[line.years.length - 1]!)) }))
    .sort((one, other) => one.y - other.y);
  labels.forEach((label, i) => {
    if (i > 0) label.y = Math.max(label.y, labels[i - 1]!.y + LABEL);
  });
  const lowest = HEIGHT - EDGE.bottom;
  for (let i = labels.length - 1; i >= 0; i--) {
    const most = i === labels.length - 1 ? lowest : labels[i + 1]!.y - LABEL;
    labels[i]!.y = Math.min(labels[i]!.y, most);
  }
  return labels;
}

/** A measure in small, to choose it by. */
function Small({
  lines,
  shown,
  at,
  measure,
  chosen,
  onPick,
}: {
  lines: Line[];
  shown: Line;
  at: number;
  measure: Measure;
  chosen: boolean;
  onPick: () => void;
}) {
  const years = shown.years;
  const last = years.length - 1;
  const top = topOf(measure, lines, shown) || 1;
  const x = (i: number) => 3 + (i / last) * (SMALL.width - 6);
  const y = (value: number) => SMALL.height - 3 - (value / top) * (SMALL.height - 6);
  const now = years[at]!;
  return (
    <button type="button" aria-pressed={chosen} onClick={onPick}>
      <span>
        {measure.name} <strong>{measure.says(measure.of(now))}</strong>
        <span className="visually-hidden">
          {' in ' +
            now.yearLabel +
            ': ' +
            lines.map((one) => one.name + ' ' + measure.says(measure.of(one.years[at]!))).join(', ')}
        </span>
      </span>
      <svg viewBox={`0 0 ${SMALL.width} ${SMALL.height}`} aria-hidden="true">
        {lines.map((one) => (
          <polyline
            key={one.key}
            points={one.years.map((year, i) => x(i) + ',' + y(measure.of(year))).join(' ')}
            fill="none"
            stroke={one.colour}
            strokeWidth={one === shown ? 2 : 1.1}
            strokeDasharray={one.dash}
          />
        ))}
        <line x1={x(at)} x2={x(at)} y1={0} y2={SMALL.height} className="year-line" strokeWidth={0.7} />
      </svg>
    </button>
  );
}

/** Which line is which. */
export function Key({ lines }: { lines: Line[] }) {
  return (
    <span className="d-inline-flex flex-wrap gap-3 small">
      {lines.map((line) => (
        <span key={line.key}>
          <svg width={28} height={8} aria-hidden="true">
            <line
              x1={0}
              x2={28}
              y1={4}
              y2={4}
              stroke={line.colour}
              strokeWidth={2}
              strokeDasharray={line.dash}
            />
          </svg>{' '}
          {line.name}
        </span>
      ))}
      <span>
        <svg width={12} height={10} aria-hidden="true">
          <path d="M2 9l4 -7l4 7Z" className="cutting-year" />
        </svg>{' '}
        a year of cutting
      </span>
    </span>
  );
}
