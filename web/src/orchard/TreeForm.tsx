import { zodResolver } from '@hookform/resolvers/zod';
import { useEffect, useRef, useState } from 'react';
import { Button, Col, Form, Row } from 'react-bootstrap';
import { useForm, type UseFormReturn, useWatch } from 'react-hook-form';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { z } from 'zod';
import { Problem, type Tree, type TreeData } from '../api/client';
import { decimal, SelectField, showRefused, TextField } from '../parts/fields';
import { Words } from '../parts/format';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useTitle } from '../parts/useTitle';
import { useAddTree, useChangeTree, useTree, useTrees } from '../api/orchard';
import { SitePlan } from './SitePlan';
import { BEARINGS, CONSENTS, FORMS, HABITS, HEIGHT_SET_BY, PURPOSES, SPECIES } from '../vocabulary/orchard';

const number = (what: string) =>
  z.string().refine((text) => !Number.isNaN(decimal(text)), 'Give ' + what + ' as a number, such as 4.2.');
const whole = (what: string) =>
  z
    .string()
    .refine(
      (text) => text.trim() === '' || /^\d+$/.test(text.trim()),
      'Give ' + what + ' as a whole number.',
    );

const schema = z.object({
  tag: z.string().trim().min(1, 'Give the tag that hangs on the tree.').max(40, 'Give at most 40 letters.'),
  species: z.string().min(1, 'Choose the kind.'),
  cultivar: z.string().max(80, 'Give at most 80 letters.'),
  rootstock: z.string().max(80, 'Give at most 80 letters.'),
  plantedYear: whole('the year'),
  bearing: z.string(),
  form: z.string(),
  formWanted: z.string(),
  mainsWanted: whole('the number'),
  purpose: z.string(),
  eastM: number('metres').refine((text) => text.trim() !== '', 'Click on the plan, or give metres.'),
  northM: number('metres').refine((text) => text.trim() !== '', 'Click on the plan, or give metres.'),
  targetHeightM: number('metres'),
  clearanceM: number('metres'),
  inContainer: z.boolean(),
  note: z.string().max(2000, 'Give at most 2000 letters.'),
  groupName: z.string().max(80, 'Give at most 80 letters.'),
  habit: z.string(),
  heightSetBy: z.string(),
  owner: z.string().max(80, 'Give at most 80 letters.'),
  ownerWishes: z.string().max(2000, 'Give at most 2000 letters.'),
  consent: z.string(),
});
type Fields = z.infer<typeof schema>;

const EMPTY: Fields = {
  tag: '',
  species: '',
  cultivar: '',
  rootstock: '',
  plantedYear: '',
  bearing: 'unknown',
  form: '',
  formWanted: '',
  mainsWanted: '',
  purpose: 'picking',
  eastM: '',
  northM: '',
  targetHeightM: '',
  clearanceM: '',
  inContainer: false,
  note: '',
  groupName: '',
  habit: '',
  heightSetBy: '',
  owner: '',
  ownerWishes: '',
  consent: '',
};

const fieldsOf = (data: TreeData): Fields => {
  const text = (value: unknown) => (value === null || value === undefined ? '' : String(value));
  return {
    tag: data.tag,
    species: data.species,
    cultivar: text(data.cultivar),
    rootstock: text(data.rootstock),
    plantedYear: text(data.plantedYear),
    bearing: data.bearing,
    form: text(data.form),
    formWanted: text(data.formWanted),
    mainsWanted: text(data.mainsWanted),
    purpose: data.purpose,
    eastM: text(data.eastM),
    northM: text(data.northM),
    targetHeightM: text(data.targetHeightM),
    clearanceM: text(data.clearanceM),
    inContainer: data.inContainer,
    note: text(data.note),
    groupName: text(data.groupName),
    habit: text(data.habit),
    heightSetBy: text(data.heightSetBy),
    owner: text(data.owner),
    ownerWishes: text(data.ownerWishes),
    consent: text(data.consent),
  };
};

const dataOf = (fields: Fields): TreeData => ({
  tag: fields.tag,
  species: fields.species,
  cultivar: fields.cultivar || undefined,
  rootstock: fields.rootstock || undefined,
  plantedYear: decimal(fields.plantedYear) ?? undefined,
  bearing: fields.bearing,
  form: fields.form || undefined,
  formWanted: fields.formWanted || undefined,
  mainsWanted: decimal(fields.mainsWanted) ?? undefined,
  purpose: fields.purpose,
  eastM: decimal(fields.eastM) ?? 0,
  northM: decimal(fields.northM) ?? 0,
  targetHeightM: decimal(fields.targetHeightM) ?? undefined,
  clearanceM: decimal(fields.clearanceM) ?? undefined,
  inContainer: fields.inContainer,
  note: fields.note || undefined,
  groupName: fields.groupName || undefined,
  habit: fields.habit || undefined,
  heightSetBy: fields.heightSetBy || undefined,
  owner: fields.owner || undefined,
  ownerWishes: fields.ownerWishes || undefined,
  consent: fields.consent || undefined,
});

export function AddTree() {
  const siteId = Number(useParams().siteId);
  const navigate = useNavigate();
  const [params] = useSearchParams();
  const add = useAddTree(siteId);
  useTitle('New tree');
  return (
    <TreeFields
      siteId={siteId}
      title="Register a tree"
      start={{ ...EMPTY, tag: params.get('tag') ?? '' }}
      error={add.error}
      saving={add.isPending}
      save={(data) => add.mutateAsync(data).then((tree) => navigate('/sites/' + siteId + '?tree=' + tree.id))}
    />
  );
}

export function EditTree() {
  const params = useParams();
  const treeId = Number(params.treeId);
  const navigate = useNavigate();
  const tree = useTree(treeId);
  const change = useChangeTree(treeId);
  // What the form was opened on; when somebody else was quicker, what they made of it.
  const [opened, setOpened] = useState<Tree>();
  const [theirs, setTheirs] = useState<{ version: number; fields: Fields }>();
  if (tree.data && !opened) setOpened(tree.data);
  useTitle(tree.data && tree.data.data.tag);
  if (!opened) return <Loading error={tree.error} />;
  const { siteId, data } = opened;
  const save = async (changed: TreeData) => {
    try {
      await change.mutateAsync({ version: (theirs ?? opened).version, data: changed });
      await navigate('/sites/' + siteId + '/trees/' + treeId);
    } catch (refused) {
      if (refused instanceof Problem && refused.status === 409) {
        const newer = (await tree.refetch()).data;
        if (newer) setTheirs({ version: newer.version, fields: fieldsOf(newer.data) });
      }
      throw refused;
    }
  };
  return (
    <TreeFields
      siteId={siteId}
      treeId={treeId}
      title={'Edit ' + data.tag}
      start={fieldsOf(data)}
      theirs={theirs?.fields}
      error={change.error}
      saving={change.isPending}
      save={save}
    />
  );
}

const NAMES: Record<keyof Fields, string> = {
  tag: 'Tag',
  species: 'Kind',
  cultivar: 'Cultivar',
  rootstock: 'Rootstock',
  plantedYear: 'Year planted',
  bearing: 'Where it fruits',
  form: 'Form now',
  formWanted: 'Form wanted',
  mainsWanted: 'Main branches wanted',
  purpose: 'Grown for',
  eastM: 'East',
  northM: 'North',
  targetHeightM: 'Height wanted',
  clearanceM: 'Clear beneath',
  inContainer: 'Grows in a container',
  note: 'Note',
  groupName: 'Group',
  habit: 'Natural habit',
  heightSetBy: 'What sets the height',
  owner: 'Owner',
  ownerWishes: 'What the owner wants',
  consent: 'Consent',
};

/**
 * What somebody else saved meanwhile beside what is entered here. What was not touched here follows theirs at once; where
 * both changed a field, saving again keeps what the form then says.
 */
function Theirs({ form, start, theirs }: { form: UseFormReturn<Fields>; start: Fields; theirs: Fields }) {
  const yours = useWatch({ control: form.control }) as Fields;
  const base = useRef(start);
  useEffect(() => {
    for (const name of Object.keys(NAMES) as (keyof Fields)[]) {
      if (form.getValues(name) === base.current[name]) form.setValue(name, theirs[name]);
    }
    base.current = theirs;
  }, [form, theirs]);
  const differing = (Object.keys(NAMES) as (keyof Fields)[]).filter((name) => yours[name] !== theirs[name]);
  const shown = (value: string | boolean) => (value === '' ? 'nothing' : String(value));
  return (
    <section className="report-open" aria-label="Saved meanwhile">
      {differing.length === 0 ? (
        <p className="mb-0">The form now says what they saved.</p>
      ) : (
        <>
          <p className="mb-1">
            Nothing of yours is lost: it stands in the form, beside what they changed and you did not. Where
            you both changed something, keep yours or take theirs, then save.
          </p>
          <ul className="mb-0">
            {differing.map((name) => (
              <li key={name}>
                <strong>{NAMES[name]}</strong>: yours {shown(yours[name])}; theirs {shown(theirs[name])}{' '}
                <Button
                  size="sm"
                  variant="outline-primary"
                  onClick={() => form.setValue(name, theirs[name], { shouldDirty: true })}
                >
                  Take theirs: {NAMES[name]}
                </Button>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

function TreeFields({
  siteId,
  treeId,
  title,
  start,
  theirs,
  error,
  saving,
  save,
}: {
  siteId: number;
  treeId?: number;
  title: string;
  start: Fields;
  theirs?: Fields;
  error: unknown;
  saving: boolean;
  save: (data: TreeData) => Promise<unknown>;
}) {
  const form = useForm<Fields>({ resolver: zodResolver(schema), defaultValues: start });
  const others = useTrees(siteId, { q: '', species: '', triage: '', sort: 'tag' });
  const east = decimal(useWatch({ control: form.control, name: 'eastM' }));
  const north = decimal(useWatch({ control: form.control, name: 'northM' }));
  const placed = east !== null && north !== null && !Number.isNaN(east) && !Number.isNaN(north);
  const submit = form.handleSubmit((fields) =>
    save(dataOf(fields)).catch((refused: unknown) => showRefused(refused, form.setError)),
  );
  return (
    <Form onSubmit={submit} noValidate>
      <h1>{title}</h1>
      <ProblemAlert error={error} withFields={false} />
      {theirs && <Theirs form={form} start={start} theirs={theirs} />}
      <Row>
        <Col lg={7}>
          <Row>
            <Col sm={4}>
              <TextField form={form} name="tag" label="Tag" hint="What hangs on the tree" />
            </Col>
            <Col sm={4}>
              <SelectField
                form={form}
                name="species"
                label="Kind"
                none="Choose"
                options={Object.fromEntries(SPECIES.map((species) => [species, Words(species)]))}
              />
            </Col>
            <Col sm={4}>
              <TextField form={form} name="cultivar" label="Cultivar" />
            </Col>
            <Col sm={4}>
              <TextField form={form} name="rootstock" label="Rootstock" />
            </Col>
            <Col sm={4}>
              <TextField form={form} name="plantedYear" label="Year planted" inputMode="numeric" />
            </Col>
            <Col sm={4}>
              <SelectField form={form} name="bearing" label="Where it fruits" options={BEARINGS} />
            </Col>
            <Col sm={4}>
              <SelectField form={form} name="form" label="Form now" none="Not said" options={FORMS} />
            </Col>
            <Col sm={4}>
              <SelectField
                form={form}
                name="formWanted"
                label="Form wanted"
                none="As usual for the kind"
                options={FORMS}
              />
            </Col>
            <Col sm={4}>
              <TextField form={form} name="mainsWanted" label="Main branches wanted" inputMode="numeric" />
            </Col>
            <Col sm={4}>
              <SelectField form={form} name="purpose" label="Grown for" options={PURPOSES} />
            </Col>
            <Col sm={4}>
              <TextField
                form={form}
                name="targetHeightM"
                label="Height wanted"
                unit="m"
                inputMode="decimal"
                hint="Empty: none is wanted"
              />
            </Col>
            <Col sm={4}>
              <TextField
                form={form}
                name="clearanceM"
                label="Clear beneath"
                unit="m"
                inputMode="decimal"
                hint="For mowing or browsing"
              />
            </Col>
            <Col sm={4}>
              <SelectField
                form={form}
                name="heightSetBy"
                label="What sets the height"
                none="Not said"
                options={HEIGHT_SET_BY}
              />
            </Col>
            <Col sm={4}>
              <SelectField form={form} name="habit" label="Natural habit" none="Not said" options={HABITS} />
            </Col>
            <Col sm={4}>
              <TextField
                form={form}
                name="groupName"
                label="Group"
                hint="Trees of one name are kept in balance"
              />
            </Col>
            <Col sm={4}>
              <TextField form={form} name="owner" label="Owner" hint="When it is not the group" />
            </Col>
            <Col sm={4}>
              <SelectField form={form} name="consent" label="Consent" none="Not said" options={CONSENTS} />
            </Col>
            <Col sm={4}>
              <TextField form={form} name="ownerWishes" label="What the owner wants" />
            </Col>
          </Row>
          <Form.Group className="mb-3">
            <Form.Label htmlFor="field-note">Note</Form.Label>
            <Form.Control id="field-note" as="textarea" rows={2} {...form.register('note')} />
          </Form.Group>
          <Form.Check
            id="field-inContainer"
            label="Grows in a container"
            {...form.register('inContainer')}
            className="mb-3"
          />
        </Col>
        <Col lg={5}>
          <p className="mb-1">Click where it stands, or give metres from the site’s origin.</p>
          <SitePlan
            trees={(others.trees ?? []).filter((tree) => tree.id !== treeId)}
            placing={placed ? { eastM: east, northM: north } : undefined}
            onPlace={(eastM, northM) => {
              form.setValue('eastM', String(eastM), { shouldValidate: true, shouldDirty: true });
              form.setValue('northM', String(northM), { shouldValidate: true, shouldDirty: true });
            }}
          />
          <Row className="mt-2">
            <Col>
              <TextField form={form} name="eastM" label="East" unit="m" inputMode="decimal" />
            </Col>
            <Col>
              <TextField form={form} name="northM" label="North" unit="m" inputMode="decimal" />
            </Col>
          </Row>
        </Col>
      </Row>
      <Button type="submit" disabled={saving}>
        Save
      </Button>{' '}
      <Link className="btn btn-link" to={'/sites/' + siteId + (treeId ? '/trees/' + treeId : '')}>
        Leave as it was
      </Link>
    </Form>
  );
}
