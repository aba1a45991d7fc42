import { useState } from 'react';
import { Button, Col, Form, Row } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import type { Person } from '../api/client';
import { useSite } from '../api/orchard';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { State } from '../parts/Reasons';
import { date, dayAndMonth } from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { decimal } from '../parts/fields';
import { useAskOnce } from '../parts/useAskOnce';
import { useAddPerson, useChangePerson, usePeople, usePersonLeft } from './queries';
import { TICKET_NAMES } from '../vocabulary/crew';

/** Everybody who helps: tickets and until when, age, and the days they can come. */
export function PeopleView() {
  const siteId = Number(useParams().siteId);
  const site = useSite(siteId);
  const people = usePeople();
  const add = useAddPerson();
  const [name, setName] = useState('');
  const [open, setOpen] = useState<number>();
  useTitle('People');
  if (!people.data || !site.data) return <Loading error={people.error ?? site.error} />;
  const today = site.data.today;
  return (
    <>
      <h1>People</h1>
      <p>
        Tickets count only while they hold. Powered saws and climbing want a current one, and nobody under 18
        leaves the ground; whoever does not give a birth year is taken for grown up.{' '}
        <Link to={'/sites/' + siteId + '/days'}>Work days</Link>
      </p>
      {people.data.map((person) => (
        <article key={person.id} className="person-row" aria-label={person.name}>
          <div className="d-flex flex-wrap gap-2 align-items-baseline">
            <h3 className="mb-0">{person.name}</h3>
            {person.birthYear != null && Number(today.slice(0, 4)) - person.birthYear <= 18 && (
              <State code="with-care" word="may be under 18" />
            )}
            {person.tickets.map((ticket) => (
              <State
                key={ticket.ticket}
                code={ticket.until < today ? 'no' : 'yes'}
                word={
                  TICKET_NAMES[ticket.ticket] +
                  (ticket.until < today ? ', ran out ' : ' until ') +
                  date(ticket.until)
                }
              />
            ))}
            <span className="faint small">
              {coming(person, today)}
              {person.note ? ' ' + person.note : ''}
            </span>
            <Button
              size="sm"
              variant="link"
              className="ms-auto p-0"
              aria-label={'Change ' + person.name}
              onClick={() => setOpen(open === person.id ? undefined : person.id)}
            >
              {open === person.id ? 'Leave as it was' : 'Change'}
            </Button>
          </div>
          {open === person.id && (
            <PersonForm today={today} key={person.version} person={person} done={() => setOpen(undefined)} />
          )}
        </article>
      ))}
      <Form
        className="d-flex gap-2 mt-3"
        style={{ maxWidth: 420 }}
        onSubmit={(e) => {
          e.preventDefault();
          add.mutate(name, {
            onSuccess: (person) => {
              setName('');
              setOpen(person.id);
            },
          });
        }}
      >
        <Form.Control
          aria-label="Name of somebody new"
          placeholder="Name of somebody new"
          value={name}
          maxLength={80}
          onChange={(e) => setName(e.target.value)}
        />
        <Button type="submit" className="text-nowrap" disabled={!name.trim() || add.isPending}>
          Add
        </Button>
      </Form>
      <ProblemAlert error={add.error} />
    </>
  );
}

function coming(person: Person, today: string): string {
  const days = person.canCome.filter((day) => day >= today);
  return days.length ? 'Can come ' + days.map(dayAndMonth).join(', ') + '.' : '';
}

function PersonForm({ person, today, done }: { person: Person; today: string; done: () => void }) {
  const change = useChangePerson(person.id);
  const [name, setName] = useState(person.name);
  const [birthYear, setBirthYear] = useState(String(person.birthYear ?? ''));
  const [note, setNote] = useState(person.note ?? '');
  const [tickets, setTickets] = useState(
    Object.fromEntries(person.tickets.map((ticket) => [ticket.ticket, ticket.until])) as Record<
      string,
      string
    >,
  );
  const [days, setDays] = useState(person.canCome);
  const [day, setDay] = useState('');
  const ask = useAskOnce();
  const leaving = useAskOnce();
  const left = usePersonLeft(person.id);
  const thisYear = Number(today.slice(0, 4));
  const born = decimal(birthYear);
  const wrongYear =
    born !== null && (!Number.isInteger(born) || born < 1900 || born > thisYear)
      ? 'Give a year from 1900 to ' + thisYear + ', or leave it empty for a grown-up who does not say.'
      : undefined;
  const unlikely =
    born === null || wrongYear
      ? undefined
      : thisYear - born > 95
        ? name + ' would be ' + (thisYear - born) + ' years old.'
        : thisYear - born < 8
          ? name + ' would be ' + (thisYear - born) + ' years old: a child.'
          : undefined;
  const save = () =>
    change
      .mutateAsync({
        version: person.version,
        data: {
          name,
          birthYear: born ?? undefined,
          note: note || undefined,
          tickets: Object.entries(tickets)
            .filter(([, until]) => until)
            .map(([ticket, until]) => ({ ticket, until })),
          canCome: [...days].sort(),
        },
      })
      .then(done)
      .catch(() => undefined);
  const id = 'person-' + person.id;
  return (
    <Form
      className="sheet-box mt-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (!wrongYear) ask.sure(unlikely, () => void save());
      }}
    >
      <Row>
        <Col sm={4}>
          <Form.Label htmlFor={id + 'name'}>Name</Form.Label>
          <Form.Control
            id={id + 'name'}
            value={name}
            maxLength={80}
            onChange={(e) => setName(e.target.value)}
          />
        </Col>
        <Col sm={3}>
          <Form.Label htmlFor={id + 'year'}>Birth year</Form.Label>
          <Form.Control
            id={id + 'year'}
            inputMode="numeric"
            value={birthYear}
            isInvalid={!!wrongYear}
            onChange={(e) => setBirthYear(e.target.value)}
          />
          {wrongYear && <div className="text-danger small">{wrongYear}</div>}
        </Col>
        <Col sm={5}>
          <Form.Label htmlFor={id + 'note'}>Note</Form.Label>
          <Form.Control
            id={id + 'note'}
            value={note}
            maxLength={500}
            onChange={(e) => setNote(e.target.value)}
          />
        </Col>
      </Row>
      <fieldset className="mt-2">
        <legend className="fs-6">Tickets, each with the last day on which it holds</legend>
        <Row>
          {Object.entries(TICKET_NAMES).map(([ticket, text]) => (
            <Col xs={6} sm={4} lg={3} key={ticket}>
              <Form.Label htmlFor={id + ticket} className="mb-0">
                {text}
              </Form.Label>
              <Form.Control
                id={id + ticket}
                size="sm"
                type="date"
                value={tickets[ticket] ?? ''}
                onChange={(e) => setTickets({ ...tickets, [ticket]: e.target.value })}
              />
            </Col>
          ))}
        </Row>
      </fieldset>
      <fieldset className="mt-2">
        <legend className="fs-6">Can come on</legend>
        <div className="d-flex flex-wrap gap-2 align-items-center">
          {days.map((one) => (
            <span key={one} className="state">
              {date(one)}{' '}
              <button
                type="button"
                className="btn btn-link btn-sm p-0"
                aria-label={'Not on ' + date(one)}
                onClick={() => setDays(days.filter((other) => other !== one))}
              >
                <i className="bi bi-x" aria-hidden="true" />
              </button>
            </span>
          ))}
          <input
            type="date"
            aria-label="A day they can come"
            className="form-control form-control-sm"
            style={{ width: 'auto' }}
            value={day}
            onChange={(e) => setDay(e.target.value)}
          />
          <Button
            size="sm"
            variant="outline-primary"
            disabled={!day || days.includes(day)}
            onClick={() => {
              setDays([...days, day]);
              setDay('');
            }}
          >
            Add the day
          </Button>
        </div>
      </fieldset>
      {ask.question}
      {leaving.question}
      <ProblemAlert error={change.error ?? left.error} />
      <Button
        type="submit"
        size="sm"
        className="mt-2"
        disabled={!name.trim() || !!wrongYear || change.isPending}
      >
        Save
      </Button>
      <Button
        size="sm"
        variant="link"
        className="mt-2 ms-2"
        disabled={left.isPending}
        onClick={() =>
          leaving.sure(
            person.name +
              ' goes off the list and off the days to come; what they did stays under their name.',
            () => left.mutate(person.version),
          )
        }
      >
        Take off the list
      </Button>
    </Form>
  );
}
