import { Button } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import { useSite } from '../api/orchard';
import { date, kilos, minutes, Words } from '../parts/format';
import { Loading } from '../parts/Loading';
import { useTitle } from '../parts/useTitle';
import { useThinning } from './queries';

/** How many fruits to leave on each tree, by kind, to be taken out to the trees: with room for what was counted and left. */
export function ThinningView() {
  const siteId = Number(useParams().siteId);
  const site = useSite(siteId);
  const table = useThinning(siteId);
  useTitle('Thinning');
  if (!site.data || !table.data) return <Loading error={site.error ?? table.error} />;
  const kinds = [...new Set(table.data.map((one) => one.species))];
  return (
    <>
      <div className="d-flex gap-3 align-items-baseline flex-wrap">
        <h1 className="mb-0">{site.data.data.name}: fruit to leave</h1>
        <span className="faint">{date(site.data.today)}</span>
        <Button className="no-print" size="sm" variant="outline-primary" onClick={() => window.print()}>
          Print
        </Button>
      </div>
      {kinds.length === 0 && <p>No tree that was walked is of a kind whose fruit is thinned.</p>}
      {kinds.map((kind) => {
        const rows = table.data.filter((one) => one.species === kind);
        return (
          <section key={kind} aria-label={Words(kind)} className="my-3">
            <h2>{Words(kind)}</h2>
            <p>{rows[0]!.how}</p>
            <div className="table-responsive" tabIndex={0} role="region" aria-label={'Thinning, ' + kind}>
              <table className="table table-sm thinning">
                <thead>
                  <tr>
                    <th>Tree</th>
                    <th className="num">Leave</th>
                    <th className="num">Counted</th>
                    <th className="num">Take off</th>
                    <th className="num">Work</th>
                    <th className="num">Reckoned</th>
                    <th className="only-print">Left</th>
                  </tr>
                </thead>
                <tbody>
                  {rows.map((one) => (
                    <tr key={one.treeId}>
                      <td>
                        <Link to={'/sites/' + siteId + '/trees/' + one.treeId + '?pane=fruit'}>
                          {one.tag}
                        </Link>
                      </td>
                      <td className="num text-nowrap">
                        {one.least} to {one.most}
                      </td>
                      <td className="num">{one.counted ?? ''}</td>
                      <td className="num text-nowrap">
                        {one.thinMost == null
                          ? ''
                          : one.thinMost === 0
                            ? 'none'
                            : one.thinLeast + ' to ' + one.thinMost}
                      </td>
                      <td className="num text-nowrap">{one.minutes > 0 ? minutes(one.minutes) : ''}</td>
                      <td className="num text-nowrap">{one.kilos == null ? '' : kilos(one.kilos)}</td>
                      <td className="only-print" />
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          </section>
        );
      })}
      <p className="small faint">
        A range is what trunk, leaf and what was cut off this year allow together; a tree that rests is left
        with half. Count at the tree and keep it there: it is held against what is picked.
      </p>
    </>
  );
}
