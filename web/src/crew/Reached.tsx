import { useState } from 'react';
import { Alert, Button, Form } from 'react-bootstrap';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useDayContacts } from './dayQueries';
import { useContact, useKeepContact } from './peopleQueries';

/** How somebody is reached and whom to call when something happens to them; entered by themselves or a coordinator. */
export function Reached({ personId }: { personId: number }) {
  const known = useContact(personId);
  if (!known.data) return <Loading error={known.error} />;
  return (
    <Fields
      personId={personId}
      mail={known.data.mail}
      contact={known.data.contact}
      emergency={known.data.emergency}
    />
  );
}

function Fields({
  personId,
  mail,
  contact,
  emergency,
}: {
  personId: number;
  mail?: string;
  contact?: string;
  emergency?: string;
}) {
  const keep = useKeepContact(personId);
  const [letters, setLetters] = useState(mail ?? '');
  const [reach, setReach] = useState(contact ?? '');
  const [call, setCall] = useState(emergency ?? '');
  const same = letters === (mail ?? '') && reach === (contact ?? '') && call === (emergency ?? '');
  return (
    <section aria-label="In case of need" className="mt-4">
      <h2>In case of need</h2>
      <p>
        Whoever leads a day sees this from a week before until the day after, and whoever coordinates; nobody
        else, and no history keeps it.
      </p>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          keep.mutate({ mail: letters, contact: reach, emergency: call });
        }}
        style={{ maxWidth: 480 }}
      >
        <Form.Group controlId={'mail-' + personId} className="mb-2">
          <Form.Label>Mail address</Form.Label>
          <Form.Control
            type="email"
            value={letters}
            maxLength={200}
            onChange={(e) => setLetters(e.target.value)}
          />
          <Form.Text>Invitations and reminders go there.</Form.Text>
        </Form.Group>
        <Form.Group controlId={'contact-' + personId} className="mb-2">
          <Form.Label>How to be reached</Form.Label>
          <Form.Control value={reach} maxLength={200} onChange={(e) => setReach(e.target.value)} />
        </Form.Group>
        <Form.Group controlId={'emergency-' + personId} className="mb-2">
          <Form.Label>Whom to call when something happens</Form.Label>
          <Form.Control value={call} maxLength={200} onChange={(e) => setCall(e.target.value)} />
          <Form.Text>A name and a number</Form.Text>
        </Form.Group>
        <Button type="submit" size="sm" disabled={same || keep.isPending}>
          Keep it
        </Button>
      </form>
      {keep.isSuccess && same && <p role="status">Kept.</p>}
      <ProblemAlert error={keep.error} />
    </section>
  );
}

/** Whom to call, of everybody who comes on a day; asked for when it is unfolded, and kept on no phone. */
export function WhomToCall({ dayId }: { dayId: number }) {
  const [open, setOpen] = useState(false);
  return (
    <details className="no-print mb-3" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>Whom to call</summary>
      {open && <Contacts dayId={dayId} />}
    </details>
  );
}

function Contacts({ dayId }: { dayId: number }) {
  const told = useDayContacts(dayId);
  if (!told.data) return <Loading error={told.error} />;
  if (told.data.people.length === 0)
    return <p>This is told to whoever leads, from a week before the day until the day after.</p>;
  return (
    <>
      <Alert variant="warning" className="py-2">
        In an emergency call the emergency number of your country first.
      </Alert>
      <ul className="plain">
        {told.data.people.map((one) => (
          <li key={one.personId}>
            <strong>{one.name}</strong>: {one.contact ?? 'gave no number'}
            {one.emergency && <>; in an emergency {one.emergency}</>}
          </li>
        ))}
      </ul>
    </>
  );
}
