import { useQuery } from '@tanstack/react-query';
import { Button } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import { api, unwrap } from '../api/client';
import { Loading } from '../parts/Loading';
import { Qr } from '../parts/Qr';
import { Words } from '../parts/format';
import { useTitle } from '../parts/useTitle';

/** Labels to print and hang on the trees: tag, name, and a code that opens the tree. */
export function LabelsView() {
  const siteId = Number(useParams().siteId);
  const labels = useQuery({
    queryKey: ['labels', siteId],
    queryFn: async () =>
      unwrap(await api.GET('/api/sites/{siteId}/labels', { params: { path: { siteId } } })),
  });
  useTitle('Labels');
  if (!labels.data) return <Loading error={labels.error} />;
  return (
    <>
      <div className="no-print mb-2">
        <h1>Labels</h1>
        <p>
          One for each tree that stands. The code opens the tree at the address under which you are here now:
          print them at the address the phones use. Weatherproof paper or a laminated strip lasts some years.
        </p>
        <Button size="sm" onClick={() => window.print()}>
          Print
        </Button>{' '}
        <Link className="btn btn-sm btn-link" to={'/sites/' + siteId}>
          Back to the orchard
        </Link>
      </div>
      <div className="labels">
        {labels.data.map((label) => (
          <article key={label.treeId} className="label" aria-label={label.tag}>
            <Qr rows={label.qrRows} />
            <div>
              <strong>{label.tag}</strong>
              <div>{Words(label.species)}</div>
              <em>{label.cultivar}</em>
            </div>
          </article>
        ))}
      </div>
    </>
  );
}
