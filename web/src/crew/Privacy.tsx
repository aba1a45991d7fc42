import { Button } from 'react-bootstrap';
import { useAskOnce } from '../parts/useAskOnce';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useForget } from './peopleQueries';

/** What is known of somebody: as a file for them, or forgotten at their wish. */
export function Privacy({ personId, name }: { personId: number; name: string }) {
  const forget = useForget(personId);
  const ask = useAskOnce();
  return (
    <section aria-label={'What is known of ' + name} className="mt-3">
      <h3>What is known of them</h3>
      <div className="d-flex flex-wrap gap-2">
        <a className="btn btn-sm btn-outline-primary" href={'/api/people/' + personId + '/known'} download>
          As a file
        </a>
        <Button
          size="sm"
          variant="link"
          disabled={forget.isPending}
          onClick={() =>
            ask.sure(
              'Name, birth year, tickets and note go for good, here and in the history; what they did stays under “somebody ' +
                personId +
                '”. It cannot be undone.',
              () => forget.mutate(undefined),
            )
          }
        >
          Forget them
        </Button>
      </div>
      {ask.question}
      <ProblemAlert error={forget.error} />
    </section>
  );
}
