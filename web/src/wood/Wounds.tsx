import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { Button, Col, Form, Row } from 'react-bootstrap';
import { useForm } from 'react-hook-form';
import type { Wood, WoundData } from '../api/client';
import { HELP, LEAD, May } from '../parts/May';
import { showRefused } from '../parts/fields';
import { centimetres, counted, date } from '../parts/format';
import { type Field, FieldInput, formOf, type Typed } from '../parts/formOf';
import { ProblemAlert } from '../parts/ProblemAlert';
import { State } from '../parts/State';
import { PhotoStrip } from '../photo/PhotoStrip';
import { WOOD } from '../vocabulary/visit';
import { WOUND_COURSES, WOUND_STATES } from '../vocabulary/wood';
import { LookForm, woundSpot } from './LookForm';
import { useFindWound, useTakeBack } from './queries';
import { WoundPlot } from './WoundPlot';

type Wound = Wood['wounds'][number];

/** Whose wounds they are. */
interface Of {
  treeId: number;
  siteId: number;
  tag: string;
  today: string;
}

/** The wounds of a tree: how each closes, when it is closed, when it is to be looked at. */
export function Wounds({ wounds, onPick, ...of }: Of & { wounds: Wound[]; onPick: (limb: string) => void }) {
  const [finding, setFinding] = useState(false);
  const open = wounds.filter((wound) => wound.state !== 'closed');
  return (
    <section aria-label="Wounds">
      <h3>
        Wounds{' '}
        <small className="faint">
          {wounds.length === 0
            ? 'none of three centimetres and over is known'
            : counted(open.length, 'open one')}
        </small>
      </h3>
      {wounds.map((wound) => (
        <OneWound key={wound.name} wound={wound} onPick={onPick} {...of} />
      ))}
      <May siteId={of.siteId} roles={HELP}>
        {finding ? (
          <FoundForm treeId={of.treeId} today={of.today} done={() => setFinding(false)} />
        ) : (
          <Button size="sm" variant="outline-primary" onClick={() => setFinding(true)}>
            Enter an old wound
          </Button>
        )}
      </May>
    </section>
  );
}

function closes(wound: Wound): string {
  if (wound.state === 'closed') return 'closed since ' + wound.closedYear;
  if (!wound.closedYear)
    return wound.looks.some((look) => look.state === 'soft' || look.state === 'fungus')
      ? 'it rots: no year can be given'
      : 'too slow to give a year';
  const between =
    wound.low && wound.high !== wound.low
      ? wound.high
        ? `, ${wound.low} to ${wound.high} four times of five`
        : `, not before ${wound.low}`
      : '';
  return 'closed about ' + wound.closedYear + between;
}

function OneWound({
  wound,
  onPick,
  treeId,
  siteId,
  tag,
  today,
}: Of & { wound: Wound; onPick: (limb: string) => void }) {
  const [looking, setLooking] = useState(false);
  const back = useTakeBack(treeId);
  const due = !!wound.dueOn && wound.dueOn <= today;
  const last = wound.looks.at(-1);
  const rate = wound.closingMmPerYear.toFixed(1) + ' mm a year from each edge';
  return (
    <section className={'wound' + (due ? ' due' : '')} aria-label={'Wound ' + wound.name}>
      <div>
        <h4>
          {wound.onLimb ? (
            <button type="button" className="btn btn-link p-0" onClick={() => onPick(wound.onLimb!)}>
              {wound.name}
            </button>
          ) : (
            wound.name
          )}{' '}
          <State
            code={wound.state === 'not-closing' ? 'urgent' : wound.state === 'closed' ? 'maintain' : 'rest'}
            word={WOUND_COURSES[wound.state]!}
          />
        </h4>
        <p className="mb-1">
          {wound.old ? 'found ' : 'cut '}
          {date(wound.madeOn)}, {centimetres(wound.diameterCm)} wide
          {wound.face && ', ' + WOOD[wound.face]}
          {wound.hollowCm ? ' over ' + centimetres(wound.hollowCm) : ''}
          {wound.onLimb
            ? wound.onLimb === wound.name
              ? ', at its end'
              : ', on ' + wound.onLimb
            : ', on the trunk'}
        </p>
        <p className="mb-1">
          {closes(wound)}
          <span className="faint">
            {' '}
            ({wound.looks.length > 0 ? rate : 'by how the tree grows, ' + rate}
            {wound.looks.length > 0 && '; its growth lets ' + wound.expectedMmPerYear.toFixed(1) + ' expect'})
          </span>
        </p>
        {last && (
          <p className="mb-1 small">
            Last {date(last.on)}: {Math.round(last.longMm)} by {Math.round(last.shortMm)} mm,{' '}
            {WOUND_STATES[last.state]}
            {last.note && ', ' + last.note}; {last.by}{' '}
            <May siteId={siteId} roles={LEAD}>
              <Button
                size="sm"
                variant="link"
                className="p-0"
                disabled={back.isPending}
                onClick={() => back.mutate({ look: wound.name, on: last.on })}
              >
                Take this look back
              </Button>
            </May>
          </p>
        )}
        {wound.dueOn && (
          <p className={'mb-1' + (due ? ' fw-bold' : ' faint')}>
            {due ? 'To be looked at since ' : 'Look again '}
            {date(wound.dueOn)}
          </p>
        )}
        {!looking && wound.state !== 'closed' && (
          <May siteId={siteId} roles={HELP}>
            <Button
              size="sm"
              variant={due ? 'primary' : 'outline-primary'}
              onClick={() => setLooking(true)}
              aria-label={'Look at ' + wound.name}
            >
              Look at it
            </Button>
          </May>
        )}
        {wound.old && wound.looks.length === 0 && (
          <May siteId={siteId} roles={LEAD}>
            <Button
              size="sm"
              variant="link"
              disabled={back.isPending}
              onClick={() => back.mutate({ wound: wound.name })}
            >
              Entered by mistake
            </Button>
          </May>
        )}
        <ProblemAlert error={back.error} />
      </div>
      <WoundPlot wound={wound} />
      <div className="wide">
        {looking && (
          <LookForm
            siteId={siteId}
            today={today}
            wound={{
              treeId,
              tag,
              wound: wound.name,
              diameterCm: wound.diameterCm,
              longMm: last?.longMm,
              shortMm: last?.shortMm,
              state: last?.state,
            }}
            done={() => setLooking(false)}
          />
        )}
        <PhotoStrip treeId={treeId} spot={woundSpot(wound.name)} />
      </div>
    </section>
  );
}

const FOUND_FIELDS: readonly Field<WoundData>[] = [
  {
    name: 'name',
    label: 'Name',
    kind: 'text',
    most: 40,
    missing: 'Name it, such as old 1.',
    hint: 'such as old 1',
  },
  { name: 'onLimb', label: 'On limb', kind: 'text', most: 40, hint: 'empty: on the trunk' },
  { name: 'foundOn', label: 'Seen on', kind: 'date', missing: 'Give the day.' },
  {
    name: 'diameterCm',
    label: 'Open width',
    kind: 'number',
    unit: 'cm',
    as: 'its width',
    missing: 'Give its width.',
    range: [0.1, 200],
  },
  { name: 'face', label: 'Wood', kind: 'choice', none: 'not seen', options: WOOD },
  {
    name: 'hollowCm',
    label: 'Soft or hollow over',
    kind: 'number',
    unit: 'cm',
    as: 'the hollow',
    range: [0, 200],
  },
  { name: 'note', label: 'Note', kind: 'text', most: 500 },
];
const FOUND = formOf(FOUND_FIELDS);

/** A wound from before our time. */
function FoundForm({ treeId, today, done }: { treeId: number; today: string; done: () => void }) {
  const find = useFindWound(treeId);
  const form = useForm<Typed>({
    resolver: zodResolver(FOUND.schema),
    defaultValues: { ...FOUND.empty, foundOn: today },
  });
  const submit = form.handleSubmit((fields) =>
    find
      .mutateAsync(FOUND.data(fields) as WoundData)
      .then(done)
      .catch((refused: unknown) => showRefused(refused, form.setError)),
  );
  return (
    <Form className="sheet-box my-2" aria-label="An old wound" onSubmit={submit} noValidate>
      <Row className="g-2">
        {FOUND_FIELDS.map((field) => (
          <Col xs={6} sm={4} key={field.name}>
            <FieldInput form={form} field={field} />
          </Col>
        ))}
      </Row>
      <ProblemAlert error={find.error} withFields={false} />
      <div className="d-flex gap-2">
        <Button type="submit" disabled={find.isPending}>
          Save
        </Button>
        <Button variant="outline-secondary" onClick={done}>
          Not now
        </Button>
      </div>
    </Form>
  );
}
