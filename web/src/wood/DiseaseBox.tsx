import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { currentPersonId, type Wood } from '../api/client';
import { diseaseItem } from '../field/items';
import { useSend } from '../field/useSend';
import { Chips } from '../parts/inputs';
import { HELP, LEAD, May } from '../parts/May';
import { date } from '../parts/format';
import { ProblemAlert } from '../parts/ProblemAlert';
import { State } from '../parts/State';
import { DISEASES } from '../vocabulary/survey';
import { SEEN_STATES } from '../vocabulary/wood';
import { useTakeBack } from './queries';

const COLOURS: Record<string, string> = {
  suspected: 'rest',
  active: 'urgent',
  treated: 'renovate',
  gone: 'maintain',
};

/** What was seen of disease on a tree, in its course; and what is seen now. */
export function DiseaseBox({
  seen,
  treeId,
  siteId,
  tag,
  today,
}: {
  seen: Wood['disease'];
  treeId: number;
  siteId: number;
  tag: string;
  today: string;
}) {
  const [entering, setEntering] = useState(false);
  const [disease, setDisease] = useState<string>();
  const [state, setState] = useState<string>();
  const [note, setNote] = useState('');
  const { send, sending, wrong } = useSend();
  const back = useTakeBack(treeId);
  const save = async () => {
    const of = { siteId, treeId, tag, person: currentPersonId() };
    const item = diseaseItem(of, {
      disease: disease!,
      on: today,
      state: state!,
      note: note.trim() || undefined,
    });
    if (await send(item)) {
      setEntering(false);
      setDisease(undefined);
      setState(undefined);
      setNote('');
    }
  };
  return (
    <section aria-label="Disease">
      <h3>Disease</h3>
      {seen.length === 0 && <p className="faint">None was seen.</p>}
      <ul className="list-unstyled">
        {seen.map((one) => (
          <li key={one.disease + one.on + one.state}>
            {DISEASES[one.disease]} <State code={COLOURS[one.state]!} word={SEEN_STATES[one.state]!} />{' '}
            {date(one.on)}
            {one.limb && ', limb ' + one.limb}
            {one.note && ', ' + one.note}
            {one.by && (
              <>
                ; {one.by}{' '}
                <May siteId={siteId} roles={LEAD}>
                  <Button
                    size="sm"
                    variant="link"
                    className="p-0"
                    disabled={back.isPending}
                    onClick={() => back.mutate({ disease: one.disease, on: one.on })}
                  >
                    Take back
                  </Button>
                </May>
              </>
            )}
          </li>
        ))}
      </ul>
      <May siteId={siteId} roles={HELP}>
        {entering ? (
          <Form
            className="sheet-box"
            aria-label="Disease seen"
            onSubmit={(e) => {
              e.preventDefault();
              if (disease && state) void save();
            }}
          >
            <Chips label="Which" options={DISEASES} value={disease} onChange={setDisease} />
            <Chips label="How it stands" options={SEEN_STATES} value={state} onChange={setState} />
            <Form.Group controlId="disease-note" className="mb-2">
              <Form.Label>Where, and what it looks like</Form.Label>
              <Form.Control value={note} maxLength={500} onChange={(e) => setNote(e.target.value)} />
            </Form.Group>
            <ProblemAlert error={wrong} />
            <div className="d-flex gap-2">
              <Button type="submit" disabled={!disease || !state || sending}>
                Save what was seen
              </Button>
              <Button variant="outline-secondary" onClick={() => setEntering(false)}>
                Not now
              </Button>
            </div>
          </Form>
        ) : (
          <Button size="sm" variant="outline-primary" onClick={() => setEntering(true)}>
            Say what was seen
          </Button>
        )}
      </May>
      <ProblemAlert error={back.error} />
    </section>
  );
}
