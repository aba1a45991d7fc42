import { useParams } from 'react-router';
import { Loading } from '../parts/Loading';
import { useTitle } from '../parts/useTitle';
import { HoursPicture } from './HoursPicture';
import { useHours } from './peopleQueries';

/** Hours of people by season and kind of work. */
export function HoursView() {
  const siteId = Number(useParams().siteId);
  const hours = useHours(siteId, false);
  useTitle('Hours');
  if (!hours.data) return <Loading error={hours.error} />;
  return (
    <>
      <div className="d-flex flex-wrap gap-3 align-items-baseline">
        <h1 className="mb-0">Hours</h1>
        <a href={'/api/sites/' + siteId + '/hours.csv'} download>
          As a table (CSV)
        </a>
      </div>
      <p className="faint">
        Whoever was signed in and out was there as long as that; of others what was logged and ticked counts.
      </p>
      {hours.data.length === 0 && <p>Nothing was worked yet.</p>}
      <HoursPicture hours={hours.data} />
    </>
  );
}
