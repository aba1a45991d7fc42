import { Link, useParams } from 'react-router';
import { useSite, useTrees } from '../orchard/queries';
import { TRIAGE } from '../orchard/words';
import { Loading } from '../parts/Loading';
import { State } from '../parts/Reasons';
import { minutes, words } from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { SEASONS } from '../verdict/words';
import { usePlanBySeason } from './queries';

/** What the plans of a site ask for, year by year, and the way to each tree's own plan. */
export function PlanBySeason() {
  const siteId = Number(useParams().siteId);
  const site = useSite(siteId);
  const plan = usePlanBySeason(siteId);
  const trees = useTrees(siteId, { q: '', species: '', triage: '', sort: 'triage' });
  useTitle('Plan');
  if (!site.data || !plan.data || !trees.data)
    return <Loading error={site.error ?? plan.error ?? trees.error} />;
  const years = [...new Set(plan.data.map((row) => row.year))];
  const label = (year: number) =>
    site.data.data.latitude < 0 ? year + '/' + String((year + 1) % 100).padStart(2, '0') : String(year);
  const most = Math.max(1, ...plan.data.map((row) => row.minutes));
  return (
    <>
      <h1>What the plans ask for</h1>
      {years.length === 0 && (
        <p>
          No tree has a plan yet. <Link to={'/sites/' + siteId + '/walk'}>Walk to one</Link>: its plan follows
          at once.
        </p>
      )}
      <div className="orchard">
        <table className="table table-sm plan-years">
          <thead>
            <tr>
              <th>Year and season</th>
              <th className="num">Trees</th>
              <th className="num">Cuts</th>
              <th>Work</th>
            </tr>
          </thead>
          <tbody>
            {years.flatMap((year) =>
              plan
                .data!.filter((row) => row.year === year)
                .map((row) => (
                  <tr key={year + row.season}>
                    <td>
                      <strong>{label(year)}</strong> {SEASONS[row.season]}
                    </td>
                    <td className="num">{row.trees}</td>
                    <td className="num">{row.cuts}</td>
                    <td>
                      <span
                        className="work-bar"
                        style={{ width: (row.minutes / most) * 55 + '%' }}
                        aria-hidden="true"
                      />{' '}
                      {minutes(row.minutes)}
                    </td>
                  </tr>
                )),
            )}
          </tbody>
        </table>
        <div>
          <h2>Each tree’s plan</h2>
          <div className="plan-trees">
            {trees.data.trees
              .filter((tree) => tree.survey)
              .map((tree) => (
                <Link key={tree.id} to={'/sites/' + siteId + '/trees/' + tree.id}>
                  <strong>{tree.data.tag}</strong> {words(tree.data.species)}{' '}
                  <State code={tree.survey!.triage} word={TRIAGE[tree.survey!.triage]!} />
                </Link>
              ))}
          </div>
        </div>
      </div>
    </>
  );
}
