import { Link } from 'react-router';
import { counted, date, kilos } from '../parts/format';
import { usePiles } from './queries';

/** Piles of prunings that were weighed, beside what was reckoned for them. */
export function PilesWeighed({ siteId }: { siteId: number }) {
  const piles = usePiles(siteId).data ?? [];
  if (piles.length === 0) return null;
  const alike = piles.filter((pile) => pile.asPlanned);
  const weighed = alike.reduce((sum, pile) => sum + pile.weighedKg, 0);
  const reckoned = alike.reduce((sum, pile) => sum + pile.reckonedKg, 0);
  const most = Math.max(...piles.map((pile) => Math.max(pile.weighedKg, pile.reckonedKg)));
  return (
    <section aria-label="Piles weighed" className="my-3">
      <h2>Piles weighed</h2>
      {alike.length > 0 && (
        <p>
          {counted(alike.length, 'pile')} of work done as planned weighed {kilos(weighed)} where{' '}
          {kilos(reckoned)} were reckoned: {(weighed / reckoned).toFixed(2)} times as much.
        </p>
      )}
      <ul className="list-unstyled piles">
        {piles.map((pile) => (
          <li key={pile.treeId + pile.on}>
            <span>
              {date(pile.on)} <Link to={'/sites/' + siteId + '/trees/' + pile.treeId}>{pile.tag}</Link>
            </span>
            <span aria-hidden className="pair">
              <span className="bar" style={{ inlineSize: `${(pile.weighedKg / most) * 100}%` }} />
              <span className="bar reckoned" style={{ inlineSize: `${(pile.reckonedKg / most) * 100}%` }} />
            </span>
            <span>
              {kilos(pile.weighedKg)}, {kilos(pile.reckonedKg)} reckoned
              {pile.tooMuch && <strong>: too much came off</strong>}
              {!pile.asPlanned && ' (not done as planned)'}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
