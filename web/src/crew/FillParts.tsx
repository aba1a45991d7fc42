import { Button } from 'react-bootstrap';
import type { DayProposal } from '../api/client';
import { counted } from '../parts/format';

/** What can be done with a proposal: begin, leave it as good as it is, throw it away. */
export function FillHead({
  title,
  propose,
  looking,
  found,
  busy,
  onPropose,
  onStop,
  onThrowAway,
}: {
  title: string;
  /** What the button to begin says. */
  propose: string;
  looking: boolean;
  found: boolean;
  busy: boolean;
  onPropose: () => void;
  onStop: () => void;
  onThrowAway: () => void;
}) {
  return (
    <div className="d-flex flex-wrap gap-2 align-items-baseline">
      <h2 className="mb-0">{title}</h2>
      {looking ? (
        <>
          <span role="status">Looking for better…</span>
          <Button size="sm" variant="outline-secondary" onClick={onStop}>
            Good enough
          </Button>
        </>
      ) : (
        <Button size="sm" variant="outline-primary" disabled={busy} onClick={onPropose}>
          {propose}
        </Button>
      )}
      {found && !looking && (
        <Button size="sm" variant="link" disabled={busy} onClick={onThrowAway}>
          Throw it away
        </Button>
      )}
    </div>
  );
}

/** Trees that found no place, each with why. */
export function FoundNoPlace({ left }: { left: NonNullable<DayProposal['roster']>['left'] }) {
  if (left.length === 0) return null;
  return (
    <details>
      <summary>{counted(left.length, 'tree')} found no place</summary>
      <ul>
        {left.map((tree) => (
          <li key={tree.tag}>
            <strong>{tree.tag}</strong>: {tree.reasons.join(' ')}
            {tree.visitId != null && ' Taken over, it goes back to its plan.'}
          </li>
        ))}
      </ul>
    </details>
  );
}
