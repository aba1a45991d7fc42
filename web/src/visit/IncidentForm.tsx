import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { currentPersonId, type IncidentData } from '../api/client';
import { incidentItem } from '../field/items';
import { useSend } from '../field/useSend';
import { ProblemAlert } from '../parts/ProblemAlert';

/** What went wrong, or nearly; kept on the phone and sent when there is signal. */
export function IncidentForm({
  day,
  trees,
}: {
  day: { siteId: number; dayId: number; on: string };
  trees: { treeId: number; tag: string }[];
}) {
  const { send, sending, wrong } = useSend();
  const [open, setOpen] = useState(false);
  const [kept, setKept] = useState(false);
  const empty = { dayId: day.dayId, on: day.on, nearMiss: true, what: '' };
  const [data, setData] = useState<IncidentData>(empty);
  const set = (parts: Partial<IncidentData>) => setData((now) => ({ ...now, ...parts }));
  const text = (name: 'who' | 'hurt' | 'done' | 'follows', label: string, most: number) => (
    <Form.Group controlId={'incident-' + name} className="mb-2">
      <Form.Label>{label}</Form.Label>
      <Form.Control
        maxLength={most}
        value={data[name] ?? ''}
        onChange={(e) => set({ [name]: e.target.value })}
      />
    </Form.Group>
  );
  const keep = async () => {
    if (await send(incidentItem(day, currentPersonId(), data))) {
      setData(empty);
      setOpen(false);
      setKept(true);
    }
  };
  return (
    <section aria-label="Incident or near miss" className="my-3">
      <Button variant="outline-danger" aria-expanded={open} onClick={() => setOpen(!open)}>
        Something went wrong, or nearly
      </Button>
      {kept && !open && <p role="status">Kept for the register.</p>}
      {open && (
        <Form
          className="sheet-box mt-2"
          onSubmit={(e) => {
            e.preventDefault();
            void keep();
          }}
        >
          <p className="small">
            Somebody is hurt: first aid and the emergency number first, this later today.
          </p>
          <div className="chips mb-2" role="group" aria-label="What it was">
            <button type="button" aria-pressed={data.nearMiss} onClick={() => set({ nearMiss: true })}>
              Nearly
            </button>
            <button type="button" aria-pressed={!data.nearMiss} onClick={() => set({ nearMiss: false })}>
              Somebody or something was hurt
            </button>
          </div>
          <Form.Group controlId="incident-what" className="mb-2">
            <Form.Label>What happened</Form.Label>
            <Form.Control
              as="textarea"
              rows={2}
              required
              maxLength={1000}
              value={data.what}
              onChange={(e) => set({ what: e.target.value })}
            />
          </Form.Group>
          <Form.Group controlId="incident-tree" className="mb-2">
            <Form.Label>At which tree</Form.Label>
            <Form.Select
              value={data.treeId ?? ''}
              onChange={(e) => set({ treeId: Number(e.target.value) || undefined })}
            >
              <option value="">none in particular</option>
              {trees.map((tree) => (
                <option key={tree.treeId} value={tree.treeId}>
                  {tree.tag}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
          {text('who', 'Who was there', 200)}
          {!data.nearMiss && text('hurt', 'Who or what was hurt, and how', 500)}
          {text('done', 'What was done on the spot', 1000)}
          {text('follows', 'What is done so that it does not happen again', 1000)}
          <Button type="submit" disabled={sending || !data.what.trim()}>
            Keep it
          </Button>
          <ProblemAlert error={wrong} />
        </Form>
      )}
    </section>
  );
}
