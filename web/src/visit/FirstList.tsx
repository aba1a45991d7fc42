import { useState } from 'react';
import { Alert, Button, Form } from 'react-bootstrap';
import { currentPersonId, type Day, type FirstListData } from '../api/client';
import { useMay } from '../api/me';
import { useFirstList } from '../crew/dayQueries';
import { firstListItem } from '../field/items';
import { useSend } from '../field/useSend';
import { useWaiting } from '../field/useWaiting';
import { when } from '../field/words';
import { LEAD } from '../parts/May';
import { Icon } from '../parts/Icon';
import { ProblemAlert } from '../parts/ProblemAlert';

/** What has to be so before anybody cuts. */
const QUESTIONS: [name: keyof FirstListData, text: string][] = [
  ['nests', 'Birds’ nests looked for in every tree of the day; none in what is cut'],
  ['roosts', 'Hollows and loose bark looked at for bats and other dwellers'],
  ['orders', 'Nothing of it wants leave that was not given: protected trees, hedges, areas'],
  ['burning', 'What becomes of the prunings is allowed here today'],
  ['firstAidKit', 'First-aid kit at hand; everybody knows where, and who gives it'],
  ['weather', 'Weather looked at: no storm, no ice, no heat that stops work'],
  ['crews', 'Everybody knows their crew, who leads it, and to stand clear by twice the limb’s length'],
];
const PLACE = 'bough-first-list-';

/** Whether the list of a day is answered, here or anywhere. */
export function useFirstListAnswered(dayId: number): boolean | undefined {
  const kept = useFirstList(dayId);
  const waiting = useWaiting();
  const here = waiting.data?.open.some((item) => item.kind === 'first-list' && item.dayId === dayId);
  if (here || kept.data?.answers) return true;
  return kept.data && waiting.data ? false : undefined;
}

/** The list before the first cut; without signal too. */
export function FirstList({ day }: { day: Day }) {
  const kept = useFirstList(day.id);
  const leads = useMay(day.siteId, ...LEAD);
  const answered = useFirstListAnswered(day.id);
  if (answered === undefined) return null;
  if (answered)
    return (
      <details className="first-list mb-2">
        <summary>
          <Icon name="check2" /> Answered before the first cut
          {kept.data?.by && ' by ' + kept.data.by + ', ' + when(kept.data.at!)}
        </summary>
        {kept.data?.answers && (
          <p>
            Nearest road: <strong>{kept.data.answers.road}</strong>. Emergency number:{' '}
            <strong>{kept.data.answers.emergencyNumber}</strong>. {kept.data.answers.note}
          </p>
        )}
      </details>
    );
  if (!leads)
    return (
      <Alert variant="warning">Nobody cuts yet: whoever leads answers the list before the first cut.</Alert>
    );
  return <Answer day={day} />;
}

function Answer({ day }: { day: Day }) {
  const { send, sending, wrong } = useSend();
  const [so, setSo] = useState<Partial<Record<keyof FirstListData, boolean>>>({});
  const [road, setRoad] = useState(localStorage.getItem(PLACE + 'road-' + day.siteId) ?? '');
  const [number, setNumber] = useState(localStorage.getItem(PLACE + 'number-' + day.siteId) ?? '');
  const [note, setNote] = useState('');
  const left = QUESTIONS.filter(([name]) => !so[name]).length;
  const keep = async () => {
    localStorage.setItem(PLACE + 'road-' + day.siteId, road.trim());
    localStorage.setItem(PLACE + 'number-' + day.siteId, number.trim());
    await send(
      firstListItem({ siteId: day.siteId, dayId: day.id, on: day.data.on }, currentPersonId(), {
        ...(Object.fromEntries(QUESTIONS.map(([name]) => [name, !!so[name]])) as unknown as FirstListData),
        road: road.trim(),
        emergencyNumber: number.trim(),
        ...(note.trim() && { note: note.trim() }),
      }),
    );
  };
  return (
    <section aria-label="Before the first cut" className="first-list sheet-box mb-3">
      <h2>Before the first cut</h2>
      {QUESTIONS.map(([name, text]) => (
        <button
          key={name}
          type="button"
          className="first-question"
          role="checkbox"
          aria-checked={!!so[name]}
          onClick={() => setSo((now) => ({ ...now, [name]: !now[name] }))}
        >
          <span className="tick-box">{so[name] && <Icon name="check2" />}</span> {text}
        </button>
      ))}
      <Form.Group controlId="first-road" className="mt-2">
        <Form.Label>Nearest road and gate, for whoever is called</Form.Label>
        <Form.Control value={road} maxLength={200} onChange={(e) => setRoad(e.target.value)} />
      </Form.Group>
      <Form.Group controlId="first-number" className="mt-2">
        <Form.Label>Emergency number here</Form.Label>
        <Form.Control
          value={number}
          maxLength={40}
          inputMode="tel"
          onChange={(e) => setNumber(e.target.value)}
        />
      </Form.Group>
      <Form.Group controlId="first-note" className="mt-2">
        <Form.Label>Anything else, if there is</Form.Label>
        <Form.Control value={note} maxLength={500} onChange={(e) => setNote(e.target.value)} />
      </Form.Group>
      <p className="small faint my-2">
        What a nest, a roost or an order means is said by the law of the place. If one is found, work on that
        tree stops.
      </p>
      <Button
        className="w-100"
        style={{ minHeight: 48 }}
        disabled={sending || left > 0 || !road.trim() || !number.trim()}
        onClick={() => void keep()}
      >
        {left > 0 ? left + ' still to be seen to' : 'It is so: work may begin'}
      </Button>
      <ProblemAlert error={wrong} />
    </section>
  );
}
