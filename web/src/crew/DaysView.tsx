import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { Link, useNavigate, useParams } from 'react-router';
import type { DayData } from '../api/client';
import { useSite } from '../api/orchard';
import { Loading } from '../parts/Loading';
import { DECIDE, LEAD, May } from '../parts/May';
import { useTitle } from '../parts/useTitle';
import { DayForm } from './DayForm';
import { FillSeason } from './FillSeason';
import { DayRow } from './DayRow';
import { useAddDay, useDays } from './dayQueries';
import { isOff, USUAL_SHED } from '../vocabulary/crew';

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
        <May siteId={siteId} roles={DECIDE}>
          <Link to={'/sites/' + siteId + '/people'}>Who can come, and with which tickets</Link>
        </May>
        <Link to={'/sites/' + siteId + '/tasks'}>Tasks</Link>
        <May siteId={siteId} roles={LEAD}>
          <Link to={'/sites/' + siteId + '/hours'}>Hours</Link>
          <Link to={'/sites/' + siteId + '/incidents'}>Incidents</Link>
        </May>
        <May siteId={siteId} roles={DECIDE}>
          <Link to={'/sites/' + siteId + '/letters'}>Outbox</Link>
        </May>
        <May siteId={siteId} roles={LEAD}>
          <Button size="sm" className="ms-auto" onClick={() => setAdding(!adding)} aria-expanded={adding}>
            {adding ? 'Not now' : 'Plan a work day'}
          </Button>
        </May>
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
      <May siteId={siteId} roles={DECIDE}>
        <FillSeason siteId={siteId} />
      </May>
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
