import { zodResolver } from '@hookform/resolvers/zod';
import { Button, Col, Form, Row } from 'react-bootstrap';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import type { DayData } from '../api/client';
import { showRefused, TextField } from '../parts/fields';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useAskOnce } from '../parts/useAskOnce';
import { KIT } from '../vocabulary/crew';

const count = z.string().regex(/^\d{1,3}$/, 'Give a number.');
const schema = z
  .object({
    on: z.string().min(1, 'Choose the day.'),
    starts: z.string().min(1, 'Give the time.'),
    ends: z.string().min(1, 'Give the time.'),
    note: z.string().max(1000, 'Give at most 1000 letters.'),
    shed: z.record(z.string(), count),
  })
  .refine((day) => !day.starts || !day.ends || day.starts < day.ends, {
    path: ['ends'],
    message: 'Is not after the start.',
  });
type Fields = z.infer<typeof schema>;

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
      ...start,
      note: start.note ?? '',
      shed: Object.fromEntries(Object.keys(KIT).map((kit) => [kit, String(start.shed[kit] ?? 0)])),
    },
  });
  const ask = useAskOnce();
  const submit = form.handleSubmit((fields) =>
    ask.sure(
      fields.on !== start.on && fields.on < today
        ? 'This day is past: it can be put in to log what was done then.'
        : undefined,
      () =>
        void save({
          ...fields,
          note: fields.note || undefined,
          shed: Object.fromEntries(Object.entries(fields.shed).map(([kit, text]) => [kit, Number(text)])),
        }).catch((refused: unknown) => showRefused(refused, form.setError)),
    ),
  );
  return (
    <Form onSubmit={submit} noValidate>
      <ProblemAlert error={error} withFields={false} />
      <Row>
        <Col sm={4}>
          <TextField form={form} name="on" label="Day" type="date" />
        </Col>
        <Col xs={6} sm={2}>
          <TextField form={form} name="starts" label="From" type="time" />
        </Col>
        <Col xs={6} sm={2}>
          <TextField form={form} name="ends" label="To" type="time" />
        </Col>
        <Col sm={4}>
          <TextField form={form} name="note" label="Note" hint="Where to meet, say" />
        </Col>
      </Row>
      <fieldset>
        <legend className="fs-6">In the shed that day</legend>
        <Row>
          {Object.entries(KIT).map(([kit, name]) => (
            <Col xs={6} sm={3} lg={2} key={kit}>
              <TextField form={form} name={`shed.${kit}`} label={name} inputMode="numeric" />
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
