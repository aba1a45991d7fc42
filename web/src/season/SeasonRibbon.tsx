import { useState } from 'react';
import { Link } from 'react-router';
import type { Ribbon } from '../api/client';
import { dayAndMonth, words, Words } from '../parts/format';
import { useSeason, useWeather } from './queries';
import { Bars, HEAD, plusDays, windowName, type Year, YearFrame, useNarrow, yearOf } from './YearStrip';
import { Icon } from '../parts/Icon';

/** Height of a line; lower where there are many kinds, so that the work below stays in sight. */
const lineOf = (kinds: number) => (kinds > 8 ? 11.5 : 15);
const SHOWN = 'bough-ribbon';
const ROOMY_PX = { wide: 700, high: 1000 };
const ANSWER: Record<string, string> = { yes: 'open now', 'with-care': 'open, with care', no: 'keep off' };
const WET_MM = 1;

/** The year from last month on, for all kinds of the site or one of them: when each kind is best cut (solid), may be with care (hatched), or not (nothing). */
export function SeasonRibbon({
  siteId,
  species,
  unfolded = false,
}: {
  siteId: number;
  species?: string;
  /** Whether its picture shows until somebody folds it: where one looks at the whole orchard. */
  unfolded?: boolean;
}) {
  // Unfolded it must not push the work off the first screen.
  const roomy = window.innerWidth >= ROOMY_PX.wide && window.innerHeight >= ROOMY_PX.high;
  // Where it is a line by itself and where it is a picture is remembered apart.
  const key = SHOWN + (unfolded ? '-orchard' : '');
  const [shown, setShown] = useState(
    (localStorage.getItem(key) ?? (unfolded && roomy ? 'yes' : 'no')) === 'yes',
  );
  const season = useSeason(siteId);
  if (!season.data || season.data.lines.length === 0) return null;
  const open = season.data.lines
    .filter((line) => line.today.mayCut === 'yes')
    .map((line) => words(line.species));
  const held = season.data.lines
    .filter((line) => line.today.mayCut !== 'yes' && bestNow(line, season.data.today))
    .map((line) => words(line.species));
  const toggle = () => {
    localStorage.setItem(key, shown ? 'no' : 'yes');
    setShown(!shown);
  };
  return (
    <section className="ribbon" aria-label="Season">
      <button type="button" className="toggle" onClick={toggle} aria-expanded={shown}>
        <Icon name={shown ? 'chevron-down' : 'chevron-right'} /> Season: best cut now{' '}
        <strong>{open.length ? [...new Set(open)].join(', ') : 'nothing'}</strong>
        {held.length > 0 && '; held by the weather ' + [...new Set(held)].join(', ')}
      </button>{' '}
      <Link className="small" to={'/sites/' + siteId + '/season'}>
        The year, weather and care
      </Link>
      {shown && (
        <Strip
          ribbon={{
            ...season.data,
            lines: season.data.lines.filter((line) => !species || line.species === species),
          }}
          siteId={siteId}
        />
      )}
    </section>
  );
}

const bestNow = (line: Ribbon['lines'][number], today: string) =>
  line.windows.some((window) => window.quality === 'best' && window.opens <= today && window.closes >= today);

/** The kinds of a site over the year; roomier where it is the page itself. */
export function Strip({ ribbon, siteId, roomy }: { ribbon: Ribbon; siteId: number; roomy?: boolean }) {
  const tall = roomy ? 21 : lineOf(ribbon.lines.length);
  const gap = tall < 15 ? 1.5 : 2;
  const year = yearOf(ribbon, HEAD + ribbon.lines.length * tall + 3, useNarrow());
  return (
    <YearFrame year={year} label="Cutting windows by kind">
      {!roomy && <WeatherMarks year={year} siteId={siteId} />}
      {ribbon.lines.map((line, row) => {
        const name = Words(line.species) + (line.trained ? ', trained' : '');
        const y = HEAD + row * tall;
        return (
          <g key={name}>
            <Link to={'/sites/' + siteId + '/season/' + line.species}>
              <text
                x={0}
                y={y + tall - (tall < 15 ? 2.5 : roomy ? 6 : 4)}
                fontSize={tall < 15 ? 11 : 12.5}
                fill="var(--ink)"
              >
                {name}
                <tspan fill="var(--faint)"> {line.trees}</tspan>
                <title>{ANSWER[line.today.mayCut]}</title>
              </text>
            </Link>
            <Bars
              year={year}
              windows={line.windows}
              name={name}
              y={y + gap}
              tall={tall - 2 * gap}
              wrap={(window, bar) => (
                <Link
                  to={'/sites/' + siteId + '?species=' + line.species}
                  aria-label={windowName(name, window)}
                >
                  {bar}
                </Link>
              )}
            />
          </g>
        );
      })}
    </YearFrame>
  );
}

/** Frost and rain of the coming days, small above the bars where they begin. */
function WeatherMarks({ year, siteId }: { year: Year; siteId: number }) {
  const weather = useWeather(siteId).data ?? [];
  const wide = year.x(plusDays(year.today, 1)) - year.x(year.today);
  return weather.map((day) => {
    const wet = day.rainMm >= WET_MM;
    const frost = day.minC < 0;
    if (!wet && !frost) return null;
    return (
      <g key={day.on} fill="var(--slate)">
        <title>
          {`${dayAndMonth(day.on)}: ${day.minC.toFixed(0)} to ${day.maxC.toFixed(0)} °C, ${day.rainMm.toFixed(0)} mm${day.from === 'simulated' ? ' (simulated)' : ''}`}
        </title>
        {wet && <rect x={year.x(day.on)} y={HEAD - 3} width={Math.max(2, wide - 0.6)} height={3} />}
        {frost && (
          <path
            d={`M${year.x(day.on) + wide / 2},${HEAD - 12} l1.8,3.2 h-3.6 z`}
            transform={`translate(0 3)`}
          />
        )}
      </g>
    );
  });
}
