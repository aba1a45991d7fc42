import { Button } from 'react-bootstrap';
import { Link } from 'react-router';
import type { AskedPerson, Day, Person } from '../api/client';
import { DECIDE, May } from '../parts/May';
import { ProblemAlert } from '../parts/ProblemAlert';
import { State } from '../parts/State';
import { counted } from '../parts/format';
import { useAskedPeople, useAskPeople, useTellCrews } from './askingQueries';
import { usePeople } from './peopleQueries';

/** How an answer is shown: its state and its word. */
const ANSWERS: Record<string, [state: string, word: string]> = {
  yes: ['yes', 'comes'],
  perhaps: ['with-care', 'perhaps'],
  no: ['no', 'does not come'],
};

/** Who is asked to come on a day, what they said, and whether they know their crew and trees. */
export function AskedPeople({ day }: { day: Day }) {
  const asked = useAskedPeople(day.id);
  const people = usePeople(day.siteId);
  const ask = useAskPeople(day.id);
  const tell = useTellCrews(day.id);
  const known = asked.data ?? [];
  const others = (people.data ?? []).filter((one) => !known.some((other) => other.personId === one.id));
  const could = others.filter((one) => comes(day, one));
  const untold = known.filter((one) => isOn(day, one.personId) && !one.toldAsItStands).length;
  const unasked = day.people.filter((one) => !known.some((other) => other.personId === one.id)).length;
  const toTell = untold + unasked;
  return (
    <section aria-label="Invitations" className="mb-3">
      <h2>Invitations</h2>
      {known.length === 0 && (
        <p className="faint mb-1">
          Nobody is asked yet. Each gets a letter with an address of their own to say yes, perhaps or no, or
          from when until when; it wants no password.
        </p>
      )}
      <ul className="list-unstyled mb-2">
        {known.map((one) => (
          <AskedRow
            key={one.personId}
            one={one}
            again={() => ask.mutate([one.personId])}
            busy={ask.isPending}
          />
        ))}
      </ul>
      <div className="d-flex flex-wrap gap-2 align-items-center">
        {could.length > 0 && (
          <Button
            size="sm"
            variant="outline-primary"
            disabled={ask.isPending}
            onClick={() => ask.mutate(could.map((one) => one.id))}
          >
            Invite {counted(could.length, 'person').replace('persons', 'people')} who can come
          </Button>
        )}
        {others.length > could.length && (
          <Button
            size="sm"
            variant="outline-secondary"
            disabled={ask.isPending}
            onClick={() => ask.mutate(others.map((one) => one.id))}
          >
            Invite everybody ({others.length})
          </Button>
        )}
        {day.visits.length > 0 && toTell > 0 && (
          <Button size="sm" disabled={tell.isPending} onClick={() => tell.mutate()}>
            Tell crews and trees ({toTell})
          </Button>
        )}
        <May siteId={day.siteId} roles={DECIDE}>
          <Link to={'/sites/' + day.siteId + '/letters'}>Outbox</Link>
        </May>
      </div>
      {tell.data && <p role="status">{counted(tell.data.told, 'letter')} written.</p>}
      <ProblemAlert error={ask.error ?? tell.error} />
    </section>
  );
}

const isOn = (day: Day, personId: number) => day.people.some((one) => one.id === personId);
const comes = (day: Day, one: Person) => isOn(day, one.id) || one.canCome.includes(day.data.on);

function AskedRow({ one, again, busy }: { one: AskedPerson; again: () => void; busy: boolean }) {
  const [state, word] = (one.answer && ANSWERS[one.answer]) || ['planned', 'not answered'];
  return (
    <li className="coming">
      <strong>{one.name}</strong>
      <State code={state} word={word + (one.from ? ' ' + one.from + '–' + one.until : '')} />
      <span className="faint small">
        {one.remark && '“' + one.remark + '” '}
        {!one.byMail && 'no mail address: hand the letter over from the outbox. '}
        {one.reminded && 'reminded '}
      </span>
      <Button
        size="sm"
        variant="link"
        className="ms-auto p-0"
        disabled={busy}
        aria-label={'another letter to ' + one.name}
        onClick={again}
      >
        another letter
      </Button>
    </li>
  );
}
