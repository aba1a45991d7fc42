import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { Button, Col, Form, Row } from 'react-bootstrap';
import { useForm, useWatch } from 'react-hook-form';
import { z } from '../parts/zod';
import type { Person, PersonData } from '../api/client';
import { decimal, showRefused } from '../parts/fields';
import { FieldInput, type Typed } from '../parts/formOf';
import { ProblemAlert } from '../parts/ProblemAlert';
import { date } from '../parts/format';
import { useAskOnce } from '../parts/useAskOnce';
import { TICKET_NAMES } from '../vocabulary/crew';
import { PERSON, PERSON_FIELDS } from './personFields';
import { useChangePerson, usePersonLeft } from './peopleQueries';
import { Icon } from '../parts/Icon';
import { DateInput } from '../parts/DateInput';

type Tickets = Record<string, string>;

const schema = (thisYear: number) =>
  (PERSON.schema as z.ZodType<Typed, Typed>).superRefine((typed, found) => {
    const born = decimal(String(typed.birthYear));
    if (born !== null && (born < 1900 || born > thisYear))
      found.addIssue({
        code: 'custom',
        path: ['birthYear'],
        message:
          'Give a year from 1900 to ' + thisYear + ', or leave it empty for a grown-up who does not say.',
      });
  });

/** What is possible but unlikely of a birth year. */
function unlikely(name: string, age: number): string | undefined {
  if (age > 95) return name + ' would be ' + age + ' years old.';
  return age < 8 ? name + ' would be ' + age + ' years old: a child.' : undefined;
}

export function PersonForm({ person, today, done }: { person: Person; today: string; done: () => void }) {
  const thisYear = Number(today.slice(0, 4));
  const change = useChangePerson(person.id);
  const left = usePersonLeft(person.id);
  const form = useForm<Typed>({
    resolver: zodResolver(schema(thisYear)),
    defaultValues: PERSON.typed(person as PersonData),
  });
  const name = String(useWatch({ control: form.control, name: 'name' }));
  const [tickets, setTickets] = useState<Tickets>(
    Object.fromEntries(person.tickets.map((ticket) => [ticket.ticket, ticket.until])),
  );
  const [days, setDays] = useState(person.canCome);
  const ask = useAskOnce();
  const leaving = useAskOnce();
  const save = (typed: Typed) =>
    change
      .mutateAsync({
        version: person.version,
        data: {
          ...PERSON.data(typed),
          tickets: Object.entries(tickets)
            .filter(([, until]) => until)
            .map(([ticket, until]) => ({ ticket, until })),
          canCome: [...days].sort(),
        },
      })
      .then(done)
      .catch((refused: unknown) => showRefused(refused, form.setError));
  const submit = form.handleSubmit((typed) => {
    const born = decimal(String(typed.birthYear));
    ask.sure(
      born === null ? undefined : unlikely(String(typed.name), thisYear - born),
      () => void save(typed),
    );
  });
  return (
    <Form className="sheet-box mt-2" onSubmit={submit} noValidate>
      <Row>
        {PERSON_FIELDS.map((field) => (
          <Col sm={4} key={field.name}>
            <FieldInput form={form} field={field} />
          </Col>
        ))}
      </Row>
      <TicketsHeld tickets={tickets} change={setTickets} id={'person-' + person.id} />
      <DaysTheyCome days={days} change={setDays} />
      {ask.question}
      {leaving.question}
      <ProblemAlert error={change.error ?? left.error} />
      <Button type="submit" size="sm" className="mt-2" disabled={!name.trim() || change.isPending}>
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
        Comes no more
      </Button>
    </Form>
  );
}

function TicketsHeld({
  tickets,
  change,
  id,
}: {
  tickets: Tickets;
  change: (tickets: Tickets) => void;
  id: string;
}) {
  return (
    <fieldset className="mt-2">
      <legend className="fs-6">Tickets, each with the last day on which it holds</legend>
      <Row>
        {Object.entries(TICKET_NAMES).map(([ticket, text]) => (
          <Col xs={6} sm={4} lg={3} key={ticket}>
            <Form.Label htmlFor={id + ticket} className="d-block mb-0">
              {text}
            </Form.Label>
            <DateInput
              id={id + ticket}
              small
              value={tickets[ticket] ?? ''}
              onChange={(day) => change({ ...tickets, [ticket]: day })}
            />
          </Col>
        ))}
      </Row>
    </fieldset>
  );
}

function DaysTheyCome({ days, change }: { days: string[]; change: (days: string[]) => void }) {
  const [day, setDay] = useState('');
  return (
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
              onClick={() => change(days.filter((other) => other !== one))}
            >
              <Icon name="x" />
            </button>
          </span>
        ))}
        <DateInput label="A day they can come" small value={day} onChange={setDay} />
        <Button
          size="sm"
          variant="outline-primary"
          disabled={!day || days.includes(day)}
          onClick={() => {
            change([...days, day]);
            setDay('');
          }}
        >
          Add the day
        </Button>
      </div>
    </fieldset>
  );
}
