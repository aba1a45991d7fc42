import { Link, useParams } from 'react-router';
import { useSite } from '../api/orchard';
import { Loading } from '../parts/Loading';
import { date } from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { TodayBoard } from './TodayBoard';

/** What a site asks for today, by itself: where a phone begins. */
export function TodayView() {
  const siteId = Number(useParams().siteId);
  const site = useSite(siteId);
  useTitle('Today');
  if (!site.data) return <Loading error={site.error} />;
  return (
    <>
      <div className="d-flex flex-wrap align-items-baseline gap-3 mb-2">
        <h1 className="mb-0">Today, {date(site.data.today)}</h1>
        <Link to={'/sites/' + siteId}>{site.data.data.name} from above</Link>
      </div>
      <TodayBoard siteId={siteId} />
    </>
  );
}
