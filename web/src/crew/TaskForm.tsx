import { type FormEvent, useState } from 'react';
import { Button, Col, Form, Row } from 'react-bootstrap';
import type { TaskData } from '../api/client';
import { useTrees } from '../api/orchard';
import { DateInput } from '../parts/DateInput';
import { ProblemAlert } from '../parts/ProblemAlert';
import { KIT } from '../vocabulary/crew';
import { TASK_KINDS } from '../vocabulary/tasks';
import { useAddTask } from './taskQueries';

const ALL = { q: '', species: '', triage: '', sort: 'tag' };

/** A task entered by hand. */
export function TaskForm({ siteId, today, done }: { siteId: number; today: string; done: () => void }) {
  const add = useAddTask(siteId);
  const { trees } = useTrees(siteId, ALL);
  const [task, setTask] = useState<Partial<TaskData>>({
    kind: 'other',
    opens: today,
    closes: '',
    minutes: 60,
    people: 2,
    kit: [],
  });
  const [treatment, setTreatment] = useState({ substance: '', labelRate: '', interval: '', harvest: '0' });
  const set = (parts: Partial<TaskData>) => setTask((now) => ({ ...now, ...parts }));
  const send = (e: FormEvent) => {
    e.preventDefault();
    add.mutate(
      {
        ...(task as TaskData),
        ...(task.kind === 'treatment' && {
          treatment: {
            substance: treatment.substance,
            labelRate: treatment.labelRate,
            harvestDays: Number(treatment.harvest),
            ...(treatment.interval && { intervalDays: Number(treatment.interval) }),
          },
        }),
      },
      { onSuccess: done },
    );
  };
  const number = (text: string) => (text === '' ? undefined : Number(text));
  return (
    <Form className="sheet-box mb-3" aria-label="New task" onSubmit={send}>
      <Row className="g-2">
        <Col sm={4}>
          <Form.Group controlId="task-kind">
            <Form.Label>Kind of work</Form.Label>
            <Form.Select value={task.kind} onChange={(e) => set({ kind: e.target.value })}>
              {Object.entries(TASK_KINDS).map(([kind, name]) => (
                <option key={kind} value={kind}>
                  {name}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
        </Col>
        <Col sm={5}>
          <Form.Group controlId="task-title">
            <Form.Label>What is to be done</Form.Label>
            <Form.Control
              required
              maxLength={200}
              value={task.title ?? ''}
              onChange={(e) => set({ title: e.target.value })}
            />
          </Form.Group>
        </Col>
        <Col sm={3}>
          <Form.Group controlId="task-tree">
            <Form.Label>Tree, if it is about one</Form.Label>
            <Form.Select value={task.treeId ?? ''} onChange={(e) => set({ treeId: number(e.target.value) })}>
              <option value="">the whole site</option>
              {trees?.map((tree) => (
                <option key={tree.id} value={tree.id}>
                  {tree.data.tag}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
        </Col>
        <Col xs={6} sm={3}>
          <DateInput label="From" value={task.opens ?? ''} onChange={(opens) => set({ opens })} />
        </Col>
        <Col xs={6} sm={3}>
          <DateInput label="Until" value={task.closes ?? ''} onChange={(closes) => set({ closes })} />
        </Col>
        <Col xs={4} sm={2}>
          <Form.Group controlId="task-minutes">
            <Form.Label>Person-minutes</Form.Label>
            <Form.Control
              type="number"
              min={0}
              value={task.minutes ?? ''}
              onChange={(e) => set({ minutes: number(e.target.value) })}
            />
          </Form.Group>
        </Col>
        <Col xs={4} sm={2}>
          <Form.Group controlId="task-people">
            <Form.Label>At once</Form.Label>
            <Form.Control
              type="number"
              min={1}
              max={20}
              value={task.people ?? ''}
              onChange={(e) => set({ people: number(e.target.value) })}
            />
          </Form.Group>
        </Col>
        <Col xs={4} sm={2}>
          <Form.Group controlId="task-again">
            <Form.Label>Again, months</Form.Label>
            <Form.Control
              type="number"
              min={1}
              max={120}
              value={task.repeatsMonths ?? ''}
              onChange={(e) => set({ repeatsMonths: number(e.target.value) })}
            />
          </Form.Group>
        </Col>
        {task.kind === 'treatment' && (
          <>
            <Col sm={4}>
              <Form.Group controlId="task-substance">
                <Form.Label>What is used</Form.Label>
                <Form.Control
                  required
                  value={treatment.substance}
                  onChange={(e) => setTreatment({ ...treatment, substance: e.target.value })}
                />
              </Form.Group>
            </Col>
            <Col sm={3}>
              <Form.Group controlId="task-rate">
                <Form.Label>Rate on its label</Form.Label>
                <Form.Control
                  required
                  value={treatment.labelRate}
                  onChange={(e) => setTreatment({ ...treatment, labelRate: e.target.value })}
                />
              </Form.Group>
            </Col>
            <Col xs={6} sm={2}>
              <Form.Group controlId="task-interval">
                <Form.Label>Again, days</Form.Label>
                <Form.Control
                  type="number"
                  min={1}
                  value={treatment.interval}
                  onChange={(e) => setTreatment({ ...treatment, interval: e.target.value })}
                />
              </Form.Group>
            </Col>
            <Col xs={6} sm={3}>
              <Form.Group controlId="task-harvest">
                <Form.Label>Days to harvest, on its label</Form.Label>
                <Form.Control
                  type="number"
                  min={0}
                  required
                  value={treatment.harvest}
                  onChange={(e) => setTreatment({ ...treatment, harvest: e.target.value })}
                />
              </Form.Group>
            </Col>
            <Col xs={12}>
              <p className="small faint mb-0">
                It is recorded and reminded of here; whether it may be used, how and by whom is said by its
                label and the law of the place.
              </p>
            </Col>
          </>
        )}
        <Col xs={12}>
          <div className="chips" role="group" aria-label="Wanted from the shed">
            {Object.entries(KIT).map(([kit, name]) => (
              <button
                key={kit}
                type="button"
                aria-pressed={task.kit?.includes(kit)}
                onClick={() =>
                  set({
                    kit: task.kit?.includes(kit)
                      ? task.kit.filter((one) => one !== kit)
                      : [...(task.kit ?? []), kit],
                  })
                }
              >
                {name}
              </button>
            ))}
          </div>
        </Col>
      </Row>
      <Button type="submit" className="mt-2" disabled={add.isPending || !task.closes || !task.title?.trim()}>
        Add it
      </Button>
      <ProblemAlert error={add.error} />
    </Form>
  );
}
