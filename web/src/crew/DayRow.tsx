import { Link } from 'react-router';
import type { DaySummary } from '../api/client';
import { date, personMinutes, weekday } from '../parts/format';
import { State } from '../parts/State';
import { DAY_STATES, isOff } from '../vocabulary/crew';

/** A work day in a list: when, how far it is, what it still wants. */
export function DayRow({ day, siteId }: { day: DaySummary; siteId: number }) {
  const wanting = day.findings.filter((finding) => finding.weight !== 'told');
  const unlogged = day.trees - day.logged;
  return (
    <Link className="day-row" to={'/sites/' + siteId + '/days/' + day.id}>
      <span className="when">
        {weekday(day.on)} {date(day.on)}
        <span className="faint small">
          {' '}
          {day.starts}–{day.ends}
        </span>
      </span>
      <State
        code={day.state}
        word={day.past && day.trees > 0 && unlogged === 0 ? 'done' : DAY_STATES[day.state]!}
      />
      <span>
        {day.trees} {day.trees === 1 ? 'tree' : 'trees'}, {day.people}{' '}
        {day.people === 1 ? 'person' : 'people'}
        {day.minutes > 0 && ', ' + personMinutes(day.minutes) + ' of work'}
      </span>
      <span className="wanting">
        {day.past && !isOff(day.state) && unlogged > 0 && (
          <span className="text-danger">{unlogged} not logged yet</span>
        )}
        {wanting.slice(0, 2).map((finding) => (
          <span key={finding.reason.text} className={finding.weight === 'refused' ? 'text-danger' : 'care'}>
            {finding.reason.text}
          </span>
        ))}
        {wanting.length > 2 && <span className="faint">and {wanting.length - 2} more</span>}
      </span>
    </Link>
  );
}
