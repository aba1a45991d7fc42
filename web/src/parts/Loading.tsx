import { useQueryClient } from '@tanstack/react-query';
import { Button, Spinner } from 'react-bootstrap';
import { passing } from '../api/client';
import { ProblemAlert } from './ProblemAlert';

/** What stands in for something that is still on its way, or did not come. */
export function Loading({ error }: { error?: unknown }) {
  if (error) return <Failed error={error} />;
  return <Spinner animation="border" role="status" size="sm" aria-label="Loading" />;
}

/** It is asked for again by itself where that may help, and at once by pressing. */
function Failed({ error }: { error: unknown }) {
  const queries = useQueryClient();
  return (
    <>
      <ProblemAlert error={error} />
      {passing(error) && <p className="faint">It comes by itself once the server answers.</p>}
      <Button
        variant="outline-primary"
        onClick={() => void queries.refetchQueries({ predicate: (query) => query.state.status === 'error' })}
      >
        Try again
      </Button>
    </>
  );
}
