import { useParams } from 'react-router';
import { Loading } from '../parts/Loading';
import { State } from '../parts/State';
import { date } from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { useIncidents } from './dayQueries';

/** The register of incidents and near misses. */
export function IncidentsView() {
  const siteId = Number(useParams().siteId);
  const incidents = useIncidents(siteId);
  useTitle('Incidents');
  if (!incidents.data) return <Loading error={incidents.error} />;
  return (
    <>
      <h1>Incidents and near misses</h1>
      {incidents.data.length === 0 && (
        <p>None is noted. On a day they are noted on the phone, from the page its trees are logged on.</p>
      )}
      {incidents.data.map((one) => (
        <article key={one.id} className="task-row" aria-label={date(one.data.on) + ': ' + one.data.what}>
          <div className="d-flex flex-wrap gap-2 align-items-baseline">
            <strong>{date(one.data.on)}</strong>
            <State
              code={one.data.nearMiss ? 'with-care' : 'urgent'}
              word={one.data.nearMiss ? 'near miss' : 'incident'}
            />
            {one.tag && <span>{one.tag}</span>}
            <span className="faint small">{one.by && 'noted by ' + one.by}</span>
          </div>
          <p className="mb-1">{one.data.what}</p>
          <dl className="small mb-0">
            {[
              ['Who was there', one.data.who],
              ['Hurt', one.data.hurt],
              ['Done', one.data.done],
              ['Follows', one.data.follows],
            ].map(
              ([name, text]) =>
                text && (
                  <div key={name}>
                    <dt className="d-inline">{name}:</dt> <dd className="d-inline">{text}</dd>
                  </div>
                ),
            )}
          </dl>
        </article>
      ))}
    </>
  );
}
