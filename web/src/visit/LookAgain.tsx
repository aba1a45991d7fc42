import { Button } from 'react-bootstrap';
import type { Day } from '../api/client';
import { useDayAction } from '../crew/dayQueries';
import { ProblemAlert } from '../parts/ProblemAlert';

/** After what was cut of a tree: it is judged as it stands now, and what remains is its crew's next turn. Wants signal. */
export function LookAgain({ day, visit }: { day: Day; visit: Day['visits'][number] }) {
  const action = useDayAction(day.id, day.version);
  return (
    <div className="mb-2">
      <Button
        size="sm"
        variant="outline-primary"
        className="w-100"
        style={{ minHeight: 44 }}
        disabled={action.isPending}
        onClick={() => action.mutate({ do: 'look-again', visitId: visit.id })}
      >
        {action.isPending ? 'Judging…' : 'Look again: what remains of ' + visit.tag + '?'}
      </Button>
      <ProblemAlert error={action.error} />
    </div>
  );
}
