import type { Worded } from '../api/client';
import { Said } from './Said';

/** Reasons in full sentences, each with where its rule or number comes from. */
export function Reasons({ reasons }: { reasons: Worded[] }) {
  return (
    <ul className="reasons">
      {reasons.map((reason, i) => (
        <li key={i}>
          <Said text={reason.text} /> <span className="source">({reason.source})</span>
        </li>
      ))}
    </ul>
  );
}
