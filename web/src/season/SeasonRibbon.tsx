import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, type Ribbon, unwrap } from '../api/client';
import { dates, words, Words } from '../parts/format';

/** Height of a line; lower where there are many kinds, so that the work below stays in sight. */
const lineOf = (kinds: number) => (kinds > 8 ? 11.5 : 15);
/** Today's name above, the months' below it. */
const HEAD = 27;
const LABEL = 128;
const MONTHS = 13;
const WIDTH = 1200;
const SHOWN = 'bough-ribbon';
const ANSWER: Record<string, string> = { yes: 'open now', 'with-care': 'open, with care', no: 'keep off' };

const daysFrom = (from: string, day: string) => (Date.parse(day) - Date.parse(from)) / 86_400_000;

/** The year from last month on, for all kinds of the site or one of them: when each kind is best cut (solid), may be with care (hatched), or not (nothing). */
export function SeasonRibbon({ siteId, species }: { siteId: number; species?: string }) {
  const narrow = window.innerWidth < 700;
  const [shown, setShown] = useState((localStorage.getItem(SHOWN) ?? (narrow ? 'no' : 'yes')) === 'yes');
  const season = useQuery({
    queryKey: ['season', siteId],
    queryFn: async () =>
      unwrap(await api.GET('/api/sites/{siteId}/season', { params: { path: { siteId } } })),
  });
  if (!season.data || season.data.lines.length === 0) return null;
  const open = season.data.lines
    .filter((line) => line.today.mayCut === 'yes')
    .map((line) => words(line.species));
  const toggle = () => {
    localStorage.setItem(SHOWN, shown ? 'no' : 'yes');
    setShown(!shown);
  };
  return (
    <section className="ribbon" aria-label="Season">
      <button type="button" className="toggle" onClick={toggle} aria-expanded={shown}>
        <i className={'bi bi-chevron-' + (shown ? 'down' : 'right')} aria-hidden="true" /> Season: best cut
        now <strong>{open.length ? [...new Set(open)].join(', ') : 'nothing'}</strong>
      </button>
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

function Strip({ ribbon, siteId }: { ribbon: Ribbon; siteId: number }) {
  const days = daysFrom(ribbon.from, ribbon.until);
  const x = (day: string) =>
    LABEL + (Math.min(days, Math.max(0, daysFrom(ribbon.from, day))) / days) * (WIDTH - LABEL);
  const tall = lineOf(ribbon.lines.length);
  const height = HEAD + ribbon.lines.length * tall + 3;
  const months = Array.from({ length: MONTHS }, (_, i) => {
    const first = new Date(Date.UTC(+ribbon.from.slice(0, 4), +ribbon.from.slice(5, 7) - 1 + i, 1));
    return {
      iso: first.toISOString().slice(0, 10),
      name: first.toLocaleString('en-GB', { month: 'short', timeZone: 'UTC' }).slice(0, 3),
    };
  });
  return (
    <svg viewBox={`0 0 ${WIDTH} ${height}`} role="group" aria-label="Cutting windows by kind">
      <defs>
        <pattern
          id="with-care"
          width="5"
          height="5"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width="5" height="5" fill="#fbf3dc" />
          <rect width="2.2" height="5" fill="#b98a12" />
        </pattern>
      </defs>
      {months.map((month) => (
        <g key={month.iso}>
          <line x1={x(month.iso)} x2={x(month.iso)} y1={HEAD - 14} y2={height} stroke="#e2d9c4" />
          <text x={x(month.iso) + 4} y={HEAD - 5} fontSize={12} fill="#6b5d50">
            {month.name}
          </text>
        </g>
      ))}
      {ribbon.lines.map((line, row) => {
        const name = Words(line.species) + (line.trained ? ', trained' : '');
        const y = HEAD + row * tall;
        return (
          <g key={name}>
            <text x={0} y={y + tall - (tall < 15 ? 2.5 : 4)} fontSize={tall < 15 ? 11 : 12.5} fill="#33261d">
              {name}
              <tspan fill="#6b5d50"> {line.trees}</tspan>
              <title>{ANSWER[line.today.mayCut]}</title>
            </text>
            {line.windows
              .filter((window) => window.quality !== 'keep-off')
              .map((window) => {
                const end = new Date(Date.parse(window.closes) + 86_400_000).toISOString().slice(0, 10);
                return (
                  <Link
                    key={window.opens + window.quality}
                    to={'/sites/' + siteId + '?species=' + line.species}
                    aria-label={`${name}, ${words(window.quality)}, ${dates(window.opens, window.closes)}`}
                  >
                    <rect
                      x={x(window.opens)}
                      width={Math.max(0, x(end) - x(window.opens))}
                      y={y + (tall < 15 ? 1.5 : 2)}
                      height={tall - (tall < 15 ? 3 : 4)}
                      fill={window.quality === 'best' ? '#3a6632' : 'url(#with-care)'}
                    >
                      <title>{`${name}: ${window.quality === 'best' ? 'best' : 'with care'} ${dates(window.opens, window.closes)}. ${window.reason.text}`}</title>
                    </rect>
                  </Link>
                );
              })}
          </g>
        );
      })}
      <line x1={x(ribbon.today)} x2={x(ribbon.today)} y1={0} y2={height} stroke="#a03a17" strokeWidth={2} />
      <text x={x(ribbon.today) + 4} y={10} fontSize={12} fill="#a03a17" fontWeight={600}>
        today
      </text>
    </svg>
  );
}
