import { Link } from 'react-router';
import { date } from '../parts/format';
import { GROUNDS } from '../vocabulary/wood';
import { useRemovals } from './queries';

/** The register of removals of a site. */
export function RemovalRegister({ siteId }: { siteId: number }) {
  const removals = useRemovals(siteId);
  if (!removals.data || removals.data.length === 0) return null;
  return (
    <section aria-label="Register of removals" className="mt-3">
      <h2>Taken out</h2>
      <ul className="list-unstyled">
        {removals.data.map((removal) => (
          <li key={removal.treeId}>
            <Link to={'/sites/' + siteId + '/trees/' + removal.treeId}>{removal.tag}</Link>{' '}
            {removal.species.replaceAll('-', ' ')} {removal.cultivar}, {date(removal.data.on)}:{' '}
            {GROUNDS[removal.data.grounds]}; by {removal.data.removedBy}; permission:{' '}
            {removal.data.permission}
            {removal.data.replacement && '; instead: ' + removal.data.replacement}
          </li>
        ))}
      </ul>
    </section>
  );
}
