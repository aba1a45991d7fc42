import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import type { DaySummary, Task } from '../api/client';
import { useSite } from '../api/orchard';
import { Icon } from '../parts/Icon';
import { Loading } from '../parts/Loading';
import { LEAD, May } from '../parts/May';
import { ProblemAlert } from '../parts/ProblemAlert';
import { State } from '../parts/State';
import { date, dates, dayAndMonth, personMinutes, words } from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { isOff } from '../vocabulary/crew';
import { TASK_KINDS, TASK_SOURCES, TASK_STATES } from '../vocabulary/tasks';
import { TaskForm } from './TaskForm';
import { useDays } from './dayQueries';
import { type TaskAction, useTaskAction, useTasks } from './taskQueries';

const GROUPS: [state: string, heading: string][] = [
  ['missed', 'Missed'],
  ['due', 'Due now'],
  ['coming', 'Comes within a year'],
  ['done', 'Done of late'],
];
const SHOWN = 12;

/** Work besides cuts, as one list: what was missed, is due, comes, and was done. */
export function TasksView() {
  const siteId = Number(useParams().siteId);
  const tasks = useTasks(siteId);
  const days = useDays(siteId);
  const site = useSite(siteId);
  const act = useTaskAction(siteId);
  const [adding, setAdding] = useState(false);
  useTitle('Tasks');
  if (!tasks.data || !days.data || !site.data)
    return <Loading error={tasks.error ?? days.error ?? site.error} />;
  const coming = days.data.filter((day) => !day.past && !isOff(day.state)).reverse();
  return (
    <>
      <div className="d-flex flex-wrap gap-3 align-items-baseline mb-2">
        <h1 className="mb-0">Tasks</h1>
        <span className="faint">What is to be done besides cuts</span>
        <May siteId={siteId} roles={LEAD}>
          <Button size="sm" className="ms-auto" aria-expanded={adding} onClick={() => setAdding(!adding)}>
            {adding ? 'Not now' : 'Add a task'}
          </Button>
        </May>
      </div>
      {adding && <TaskForm siteId={siteId} today={site.data.today} done={() => setAdding(false)} />}
      <ProblemAlert error={act.error} />
      {GROUPS.map(([state, heading]) => (
        <Group
          key={state}
          heading={heading}
          tasks={tasks.data.filter((one) => one.state === state)}
          days={coming}
          siteId={siteId}
          today={site.data.today}
          run={(action) => act.mutate(action)}
          busy={act.isPending}
        />
      ))}
    </>
  );
}

interface Shared {
  days: DaySummary[];
  siteId: number;
  today: string;
  run: (action: TaskAction) => void;
  busy: boolean;
}

function Group({ heading, tasks, ...shared }: Shared & { heading: string; tasks: Task[] }) {
  const [all, setAll] = useState(false);
  if (tasks.length === 0) return null;
  const shown = all ? tasks : tasks.slice(0, SHOWN);
  return (
    <section aria-label={heading} className="mb-3">
      <h2>{heading}</h2>
      {shown.map((task, i) => (
        <TaskRow
          key={keyOf(task)}
          task={task}
          told={shown.slice(0, i).some((other) => other.how === task.how)}
          {...shared}
        />
      ))}
      {tasks.length > shown.length && (
        <Button size="sm" variant="link" className="p-0" onClick={() => setAll(true)}>
          and {tasks.length - shown.length} more
        </Button>
      )}
    </section>
  );
}

const keyOf = (task: Task) =>
  String(task.id ?? task.key ?? task.data.title + task.data.treeId + task.data.opens);

function TaskRow({ task, told, days, siteId, today, run, busy }: Shared & { task: Task; told: boolean }) {
  const { data } = task;
  const [state, word] = TASK_STATES[task.state] ?? ['planned', task.state];
  const name = (task.tag ? task.tag + ', ' : '') + data.title;
  const ofPlan = task.source === 'plan';
  const fitting = days.filter((day) => day.on >= data.opens);
  return (
    <article className="task-row" aria-label={name}>
      <div className="d-flex flex-wrap gap-2 align-items-baseline">
        <strong>{data.title}</strong>
        {task.tag && <Link to={'/sites/' + siteId + '/trees/' + data.treeId}>{task.tag}</Link>}
        {!task.tag && data.species && <span>{words(data.species)}</span>}
        <State code={state} word={word} />
        <span className="faint">
          {dates(data.opens, data.closes)}; {personMinutes(data.minutes)}
          {data.people && data.people > 1 ? ', ' + data.people + ' at once' : ''}
        </span>
        {task.dayOn && (
          <Link to={'/sites/' + siteId + '/days/' + task.dayId}>on {dayAndMonth(task.dayOn)}</Link>
        )}
      </div>
      <div className="small faint">
        {task.source === 'hand' && data.kind !== 'other' && <>{TASK_KINDS[data.kind]}; </>}
        {TASK_SOURCES[task.source]}.{data.repeatsMonths && ' Again after ' + data.repeatsMonths + ' months.'}
        {data.note && ' ' + data.note}
      </div>
      {task.how && !told && <div className="small">{task.how}</div>}
      {data.treatment && (
        <div className="small">
          <Icon name="exclamation-triangle" /> {data.treatment.substance}, {data.treatment.labelRate}
          {data.treatment.intervalDays && ', again after ' + data.treatment.intervalDays + ' days'};{' '}
          {task.harvestFrom
            ? 'nothing is picked before ' + date(task.harvestFrom)
            : 'nothing is picked for ' + data.treatment.harvestDays + ' days after'}
          . The label and the law of the place decide.
        </div>
      )}
      {task.done ? (
        <div>
          <Icon name="check2" /> {date(task.done.on)} by {task.done.by}
          {task.done.note && ': ' + task.done.note}{' '}
          {task.id != null && (
            <May siteId={siteId} roles={LEAD}>
              <Button
                size="sm"
                variant="link"
                className="p-0"
                disabled={busy}
                onClick={() => run({ do: 'not-done', task })}
              >
                It was not
              </Button>
            </May>
          )}
        </div>
      ) : (
        !ofPlan && (
          <May siteId={siteId} roles={LEAD}>
            <div className="d-flex flex-wrap gap-2 align-items-center mt-1">
              <Button
                size="sm"
                variant="outline-primary"
                disabled={busy}
                aria-label={'Done: ' + name}
                onClick={() => run({ do: 'done', task, on: today })}
              >
                Done
              </Button>
              {task.dayId == null && fitting.length > 0 && (
                <Form.Select
                  size="sm"
                  style={{ width: 'auto' }}
                  aria-label={'Put on a work day: ' + name}
                  value=""
                  disabled={busy}
                  onChange={(e) => run({ do: 'put-on', task, dayId: Number(e.target.value) })}
                >
                  <option value="">Put on a work day…</option>
                  {fitting.map((day) => (
                    <option key={day.id} value={day.id}>
                      {date(day.on)}
                      {day.on > data.closes ? ' – after its window' : ''}
                    </option>
                  ))}
                </Form.Select>
              )}
              {task.source === 'hand' && (
                <Button
                  size="sm"
                  variant="link"
                  className="p-0"
                  disabled={busy}
                  onClick={() => run({ do: 'drop', task })}
                >
                  Throw it away
                </Button>
              )}
            </div>
          </May>
        )
      )}
      {ofPlan && (
        <div className="small">
          <Link to={'/sites/' + siteId + '/trees/' + data.treeId + '?pane=plan'}>Its plan</Link>
        </div>
      )}
    </article>
  );
}
