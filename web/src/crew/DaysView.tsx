import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { Link, useNavigate, useParams } from 'react-router';
import type { DayData, DaySummary } from '../api/client';
import { useSite } from '../api/orchard';
import { Loading } from '../parts/Loading';
import { State } from '../parts/State';
import { date, personMinutes } from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { DayForm } from './DayForm';
import { useAddDay, useDays } from './queries';
import { DAY_STATES, isOff, USUAL_SHED } from '../vocabulary/crew';

/** Work days of a site: those to come, and those that were. */
export function DaysView() {
  const siteId = Number(useParams().siteId);
  const site = useSite(siteId);
  const days = useDays(siteId);
  const add = useAddDay(siteId);
  const navigate = useNavigate();
  const [adding, setAdding] = useState(false);
  useTitle('Days');
  if (!days.data || !site.data) return <Loading error={days.error ?? site.error} />;
  const coming = days.data.filter((day) => !day.past && !isOff(day.state)).reverse();
  const past = days.data.filter((day) => day.past || isOff(day.state));
  const newest = days.data[0];
  const start: DayData = {
    on: '',
    starts: newest?.starts ?? '09:30',
    ends: newest?.ends ?? '13:30',
    shed: USUAL_SHED,
  };
  return (
    <>
      <div className="d-flex flex-wrap gap-3 align-items-baseline mb-2">
        <h1 className="mb-0">Work days</h1>
        <Link to={'/sites/' + siteId + '/people'}>Who can come, and with which tickets</Link>
        <Button size="sm" className="ms-auto" onClick={() => setAdding(!adding)} aria-expanded={adding}>
          {adding ? 'Not now' : 'Plan a work day'}
        </Button>
      </div>
      {adding && (
        <section className="sheet-box mb-3" aria-label="New work day">
          <DayForm
            start={start}
            today={site.data.today}
            button="Plan it"
            error={add.error}
            saving={add.isPending}
            save={(data) =>
              add.mutateAsync(data).then((day) => navigate('/sites/' + siteId + '/days/' + day.id))
            }
          />
        </section>
      )}
      <section aria-label="To come">
        <h2>To come</h2>
        {coming.length === 0 && (
          <p>No work day is planned. Plan one, put on it what is open then, and give each tree its people.</p>
        )}
        {coming.map((day) => (
          <DayRow key={day.id} day={day} siteId={siteId} />
        ))}
      </section>
      {past.length > 0 && (
        <section aria-label="Past" className="mt-3">
          <h2>Past</h2>
          {past.map((day) => (
            <DayRow key={day.id} day={day} siteId={siteId} />
          ))}
        </section>
      )}
    </>
  );
}

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

export const weekday = (iso: string) =>
  new Date(iso + 'T00:00:00Z').toLocaleDateString('en-GB', { weekday: 'short', timeZone: 'UTC' });
