import { Spinner } from 'react-bootstrap';
import { ProblemAlert } from './ProblemAlert';

/** What stands in for something that is still on its way, or did not come. */
export function Loading({ error }: { error?: unknown }) {
  if (error) return <ProblemAlert error={error} />;
  return <Spinner animation="border" role="status" size="sm" aria-label="Loading" />;
}
