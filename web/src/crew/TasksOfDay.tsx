import { Button, Form } from 'react-bootstrap';
import { Link } from 'react-router';
import type { Day } from '../api/client';
import { Icon } from '../parts/Icon';
import { ProblemAlert } from '../parts/ProblemAlert';
import { dayAndMonth, personMinutes, words } from '../parts/format';
import { useTaskAction, useTasks, useTasksOfDay } from './taskQueries';

/** Work besides cuts on a day: what stands on it, and what could. */
export function TasksOfDay({ day, open }: { day: Day; open: boolean }) {
  const tasks = useTasks(day.siteId);
  const act = useTaskAction(day.siteId);
  const set = useTasksOfDay(day.id, day.version);
  const busy = act.isPending || set.isPending;
  const could = (tasks.data ?? []).filter(
    (task) =>
      task.source !== 'plan' && task.state !== 'done' && task.dayId == null && task.data.opens <= day.data.on,
  );
  if (day.tasks.length === 0 && !(open && could.length > 0)) return null;
  return (
    <section aria-label="Tasks of the day" className="mb-3">
      <h2>
        <Link to={'/sites/' + day.siteId + '/tasks'}>Tasks</Link> besides cuts
      </h2>
      <ul className="list-unstyled mb-2">
        {day.tasks.map((task) => (
          <li key={task.id} className="coming">
            {task.done && <Icon name="check2" label="done" />}
            <strong>{task.title}</strong>
            {task.tag && <Link to={'/sites/' + day.siteId + '/trees/' + task.treeId}>{task.tag}</Link>}
            <span className="faint small">
              {personMinutes(task.minutes)}
              {task.starts && '; crew ' + task.crew + ', ' + task.starts + '–' + task.ends}
            </span>
            {open && !task.done && (
              <Button
                size="sm"
                variant="link"
                className="ms-auto p-0"
                disabled={busy}
                aria-label={task.title + ': not on this day'}
                onClick={() => set.mutate(day.tasks.filter((one) => one.id !== task.id).map((one) => one.id))}
              >
                not on this day
              </Button>
            )}
          </li>
        ))}
      </ul>
      {open && could.length > 0 && (
        <Form.Select
          size="sm"
          aria-label="Put a task on this day"
          value=""
          disabled={busy}
          onChange={(e) => act.mutate({ do: 'put-on', task: could[Number(e.target.value)]!, dayId: day.id })}
        >
          <option value="">Put a task on this day…</option>
          {could.map((task, i) => (
            <option key={task.id ?? task.key} value={i}>
              {task.data.title}
              {task.tag ? ', ' + task.tag : task.data.species ? ', ' + words(task.data.species) : ''} – until{' '}
              {dayAndMonth(task.data.closes)}
            </option>
          ))}
        </Form.Select>
      )}
      <ProblemAlert error={act.error ?? set.error} />
    </section>
  );
}
