import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import type { Person } from '../api/client';
import { useSite } from '../api/orchard';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { State } from '../parts/State';
import { date, dayAndMonth } from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { PersonForm } from './PersonForm';
import { Membership } from './Membership';
import { Reached } from './Reached';
import { Privacy } from './Privacy';
import { useAddPerson, useMembers, usePeople } from './peopleQueries';
import { TICKET_NAMES } from '../vocabulary/crew';
import { ROLES } from '../vocabulary/people';

/** Everybody who helps: tickets and until when, age, and the days they can come. */
export function PeopleView() {
  const siteId = Number(useParams().siteId);
  const site = useSite(siteId);
  const people = usePeople(siteId);
  const members = useMembers(siteId);
  const add = useAddPerson(siteId);
  const [name, setName] = useState('');
  const [open, setOpen] = useState<number>();
  useTitle('People');
  if (!people.data || !site.data || !members.data)
    return <Loading error={people.error ?? site.error ?? members.error} />;
  const here = new Map(members.data.map((one) => [one.personId, one]));
  const today = site.data.today;
  return (
    <>
      <h1>People</h1>
      <p>
        Tickets count only while they hold. Powered saws and climbing want a current one, and nobody under 18
        leaves the ground; whoever does not give a birth year is taken for grown up.{' '}
        <Link to={'/sites/' + siteId + '/days'}>Work days</Link>
      </p>
      {people.data
        .filter((person) => here.has(person.id))
        .map((person) => (
          <article key={person.id} className="person-row" aria-label={person.name}>
            <div className="d-flex flex-wrap gap-2 align-items-baseline">
              <h2 className="mb-0 minor">{person.name}</h2>
              <span className="small">{ROLES[here.get(person.id)!.role]}</span>
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
                {open === person.id ? 'Close' : 'Change'}
              </Button>
            </div>
            {open === person.id && (
              <>
                <PersonForm
                  today={today}
                  key={person.version}
                  person={person}
                  done={() => setOpen((now) => (now === person.id ? undefined : now))}
                />
                <Membership siteId={siteId} member={here.get(person.id)!} />
                <Reached personId={person.id} />
                <Privacy personId={person.id} name={person.name} />
              </>
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
