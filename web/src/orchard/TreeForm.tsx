import { zodResolver } from '@hookform/resolvers/zod';
import { useEffect, useRef, useState } from 'react';
import { Button, Col, Form, Row } from 'react-bootstrap';
import { useForm, type UseFormReturn, useWatch } from 'react-hook-form';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { Problem, type Tree, type TreeData } from '../api/client';
import { showRefused } from '../parts/fields';
import { unitsShown, writeLength } from '../parts/measure';
import { FieldInput, numberIn, type Typed } from '../parts/formOf';
import { Loading } from '../parts/Loading';
import { State } from '../parts/State';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useTitle } from '../parts/useTitle';
import { useAddTree, useChangeTree, useTree, useTrees } from '../api/orchard';
import { SitePlan } from './SitePlan';
import { TREE, TREE_FIELDS } from './treeFields';

/** Where it stands, beside the plan on which it can be clicked. */
const PLACE = ['eastM', 'northM'];
/** What is asked of every tree, beside where it stands; the rest is folded. */
const FIRST = ['tag', 'species', 'cultivar', 'plantedYear'];
const REST = TREE_FIELDS.filter((field) => ![...PLACE, ...FIRST].includes(field.name));

/** The tag after this one: K-09 makes K-10. */
export const tagAfter = (tag: string) =>
  tag.replace(/\d+$/, (number) => String(Number(number) + 1).padStart(number.length, '0'));

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
      start={{ ...TREE.empty, tag: params.get('tag') ?? '' }}
      error={add.error}
      saving={add.isPending}
      save={(data) => add.mutateAsync(data).then((tree) => navigate('/sites/' + siteId + '?tree=' + tree.id))}
      saveAndGoOn={(data) => add.mutateAsync(data)}
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
  const [theirs, setTheirs] = useState<{ version: number; fields: Typed }>();
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
        if (newer) setTheirs({ version: newer.version, fields: TREE.typed(newer.data) });
      }
      throw refused;
    }
  };
  return (
    <TreeFields
      siteId={siteId}
      treeId={treeId}
      title={'Edit ' + data.tag}
      start={TREE.typed(data)}
      theirs={theirs?.fields}
      error={change.error}
      saving={change.isPending}
      save={save}
    />
  );
}

/**
 * What somebody else saved meanwhile beside what is entered here. What was not touched here follows theirs at once; where
 * both changed a field, saving again keeps what the form then says.
 */
function Theirs({ form, start, theirs }: { form: UseFormReturn<Typed>; start: Typed; theirs: Typed }) {
  const yours = useWatch({ control: form.control }) as Typed;
  const base = useRef(start);
  useEffect(() => {
    for (const name of TREE.names) {
      if (form.getValues(name) === base.current[name]) form.setValue(name, theirs[name]!);
    }
    base.current = theirs;
  }, [form, theirs]);
  const differing = TREE.names.filter((name) => yours[name] !== theirs[name]);
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
                <strong>{TREE.labels[name]}</strong>: yours {shown(yours[name]!)}; theirs{' '}
                {shown(theirs[name]!)}{' '}
                <Button
                  size="sm"
                  variant="outline-primary"
                  onClick={() => form.setValue(name, theirs[name]!, { shouldDirty: true })}
                >
                  Take theirs: {TREE.labels[name]}
                </Button>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

export function TreeFields({
  siteId,
  treeId,
  title,
  start,
  theirs,
  error,
  saving,
  save,
  saveAndGoOn,
}: {
  siteId: number;
  treeId?: number;
  title: string;
  start: Typed;
  theirs?: Typed;
  error: unknown;
  saving: boolean;
  save: (data: TreeData) => Promise<unknown>;
  /** Keeps it and stays, for the next one. */
  saveAndGoOn?: (data: TreeData) => Promise<unknown>;
}) {
  const [added, setAdded] = useState<string>();
  const form = useForm<Typed>({ resolver: zodResolver(TREE.schema), defaultValues: start });
  const others = useTrees(siteId, { q: '', species: '', triage: '', sort: 'tag' });
  const east = numberIn(String(useWatch({ control: form.control, name: 'eastM' })), 'm');
  const north = numberIn(String(useWatch({ control: form.control, name: 'northM' })), 'm');
  const placed = east !== null && north !== null && !Number.isNaN(east) && !Number.isNaN(north);
  const submit = form.handleSubmit((fields) =>
    save(TREE.data(fields)).catch((refused: unknown) => showRefused(refused, form.setError)),
  );
  // The next tree of a row is mostly of the same kind, and stands beside this one.
  const another = form.handleSubmit(async (fields) => {
    try {
      await saveAndGoOn?.(TREE.data(fields));
      setAdded(String(fields.tag));
      form.reset({ ...fields, tag: tagAfter(String(fields.tag)), eastM: '', northM: '', note: '' });
      form.setFocus('tag');
    } catch (refused) {
      showRefused(refused, form.setError);
    }
  });
  const wrongInRest = REST.some((field) => form.formState.errors[field.name]);
  const [unfolded, setUnfolded] = useState(!!treeId);
  return (
    <Form onSubmit={submit} noValidate>
      <h1>{title}</h1>
      {added && (
        <p role="status">
          <State code="yes" word={added + ' is registered'} /> Now the next one: click where it stands.
        </p>
      )}
      <ProblemAlert error={error} withFields={false} />
      {theirs && <Theirs form={form} start={start} theirs={theirs} />}
      <Row>
        <Col lg={7}>
          <Row>
            {TREE_FIELDS.filter((field) => FIRST.includes(field.name)).map((field) => (
              <Col sm={6} key={field.name}>
                <FieldInput form={form} field={field} />
              </Col>
            ))}
          </Row>
          <details
            open={unfolded || wrongInRest}
            onToggle={(e) => setUnfolded((e.target as HTMLDetailsElement).open)}
            className="mb-3"
          >
            <summary>More of it: rootstock, form, height wanted, group, owner, note</summary>
            <Row className="mt-2">
              {REST.map((field) => (
                <Col sm={field.name === 'note' ? 12 : 4} key={field.name}>
                  <FieldInput form={form} field={field} />
                </Col>
              ))}
            </Row>
          </details>
        </Col>
        <Col lg={5}>
          <p className="mb-1">Click where it stands, or give metres from the site’s origin.</p>
          <SitePlan
            trees={(others.trees ?? []).filter((tree) => tree.id !== treeId)}
            placing={placed ? { eastM: east, northM: north } : undefined}
            onPlace={(eastM, northM) => {
              form.setValue('eastM', writeLength(eastM, 'm', unitsShown()), {
                shouldValidate: true,
                shouldDirty: true,
              });
              form.setValue('northM', writeLength(northM, 'm', unitsShown()), {
                shouldValidate: true,
                shouldDirty: true,
              });
            }}
          />
          <Row className="mt-2">
            {TREE_FIELDS.filter((field) => PLACE.includes(field.name)).map((field) => (
              <Col key={field.name}>
                <FieldInput form={form} field={field} />
              </Col>
            ))}
          </Row>
        </Col>
      </Row>
      <Button type="submit" disabled={saving}>
        Save
      </Button>{' '}
      {saveAndGoOn && (
        <Button variant="outline-primary" disabled={saving} onClick={() => void another()}>
          Save and add another
        </Button>
      )}{' '}
      <Link className="btn btn-link" to={'/sites/' + siteId + (treeId ? '/trees/' + treeId : '')}>
        Leave without saving
      </Link>
    </Form>
  );
}
