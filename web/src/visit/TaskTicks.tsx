import { Button } from 'react-bootstrap';
import { currentPersonId, type Day } from '../api/client';
import { taskItem } from '../field/items';
import { useSend } from '../field/useSend';
import { useWaiting } from '../field/useWaiting';
import { ProblemAlert } from '../parts/ProblemAlert';
import { State } from '../parts/State';
import { personMinutes } from '../parts/format';

/** Work besides cuts, ticked by who did it; without signal too. */
export function TaskTicks({ day, today }: { day: Day; today: string }) {
  const waiting = useWaiting();
  const { send, sending, wrong } = useSend();
  if (day.tasks.length === 0) return null;
  const of = (id: number) => '/api/tasks/' + id + '/done';
  const here = (id: number) => waiting.data?.open.some((item) => item.path === of(id));
  const sent = (id: number) => waiting.data?.sent.some((item) => item.path === of(id));
  return (
    <section aria-label="Tasks">
      <h2>Besides cuts</h2>
      {day.tasks.map((task) => (
        <div key={task.id} className="limb-row">
          {task.tag && <span className="tag">{task.tag}</span>}
          <span className="flex-grow-1">
            {task.title}
            <br />
            <span className="faint small">
              {personMinutes(task.minutes)}
              {task.starts && '; crew ' + task.crew + ', ' + task.starts}
            </span>
          </span>
          {task.done || sent(task.id) ? (
            <State code="yes" word="done" />
          ) : here(task.id) ? (
            <State code="yes" word="done, waits" />
          ) : (
            <Button
              variant="outline-primary"
              style={{ minHeight: 44 }}
              disabled={sending}
              aria-label={task.title + ': done'}
              onClick={() =>
                void send(
                  taskItem(
                    { siteId: day.siteId, dayId: day.id, on: day.data.on },
                    currentPersonId(),
                    task.id,
                    { on: today },
                  ),
                )
              }
            >
              Done
            </Button>
          )}
        </div>
      ))}
      <ProblemAlert error={wrong} />
    </section>
  );
}
