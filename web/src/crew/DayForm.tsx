import { zodResolver } from '@hookform/resolvers/zod';
import { Button, Col, Form, Row } from 'react-bootstrap';
import { useForm } from 'react-hook-form';
import { z } from '../parts/zod';
import type { DayData } from '../api/client';
import { showRefused } from '../parts/fields';
import { FieldInput, type Typed } from '../parts/formOf';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useAskOnce } from '../parts/useAskOnce';
import { DAY, DAY_FIELDS, SHED, SHED_FIELDS } from './dayFields';

interface Fields {
  day: Typed;
  shed: Typed;
}

const schema = z.object({
  day: DAY.schema.refine((day) => !day.starts || !day.ends || day.starts < day.ends, {
    path: ['ends'],
    message: 'Is not after the start.',
  }),
  shed: SHED.schema,
});

/** The server names the day's own fields without the part of the form they stand in. */
const at = (name: string) => (name.startsWith('shed.') ? name : 'day.' + name);

/** The day, its hours and what the shed holds. */
export function DayForm({
  start,
  today,
  save,
  error,
  saving,
  button,
}: {
  start: DayData;
  today: string;
  save: (data: DayData) => Promise<unknown>;
  error: unknown;
  saving: boolean;
  button: string;
}) {
  const form = useForm<Fields>({
    resolver: zodResolver(schema),
    defaultValues: {
      day: DAY.typed(start),
      shed: { ...Object.fromEntries(SHED.names.map((kit) => [kit, '0'])), ...counts(start.shed) },
    },
  });
  const ask = useAskOnce();
  const submit = form.handleSubmit(({ day, shed }) =>
    ask.sure(
      day.on !== start.on && String(day.on) < today
        ? 'This day is past: it can be put in to log what was done then.'
        : undefined,
      () =>
        void save({ ...DAY.data(day), shed: given(SHED.data(shed)) }).catch((refused: unknown) =>
          showRefused(refused, form.setError, at),
        ),
    ),
  );
  return (
    <Form onSubmit={submit} noValidate>
      <ProblemAlert error={error} withFields={false} />
      <Row>
        {DAY_FIELDS.map((field) => (
          <Col key={field.name} xs={field.kind === 'time' ? 6 : undefined} sm={field.kind === 'time' ? 2 : 4}>
            <FieldInput form={form} field={field} under="day." />
          </Col>
        ))}
      </Row>
      <fieldset>
        <legend className="fs-6">In the shed that day</legend>
        <Row>
          {SHED_FIELDS.map((field) => (
            <Col xs={6} sm={3} lg={2} key={field.name}>
              <FieldInput form={form} field={field} under="shed." />
            </Col>
          ))}
        </Row>
      </fieldset>
      {ask.question}
      <Button type="submit" disabled={saving}>
        {button}
      </Button>
    </Form>
  );
}

const counts = (shed: Record<string, number>): Typed =>
  Object.fromEntries(Object.entries(shed).map(([kit, count]) => [kit, String(count)]));

/** What is left empty is none. */
const given = (shed: Record<string, number | undefined>) =>
  Object.fromEntries(Object.entries(shed).map(([kit, count]) => [kit, count ?? 0]));
