import { zodResolver } from '@hookform/resolvers/zod';
import { Button, Col, Form, Row } from 'react-bootstrap';
import { useForm } from 'react-hook-form';
import { Link } from 'react-router';
import { useSite } from '../api/orchard';
import { showRefused } from '../parts/fields';
import { FieldInput, type Typed } from '../parts/formOf';
import { Loading } from '../parts/Loading';
import { DECIDE, May } from '../parts/May';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useRemovals, useRemove, useStandsAfterAll } from './queries';
import { REMOVAL, REMOVAL_FIELDS } from './removalFields';

/** That a whole tree was taken out: only on stated grounds, with whose leave, by whom, and what stands there instead. */
export function RemovalForm({ treeId, siteId, done }: { treeId: number; siteId: number; done: () => void }) {
  const site = useSite(siteId);
  const removals = useRemovals(siteId);
  if (!site.data || !removals.data) return <Loading error={site.error ?? removals.error} />;
  const known = removals.data.find((removal) => removal.treeId === treeId);
  return (
    <TheForm
      key={known?.version ?? 0}
      treeId={treeId}
      version={known?.version ?? 0}
      start={known ? REMOVAL.typed(known.data) : { ...REMOVAL.empty, on: site.data.today }}
      done={done}
    />
  );
}

function TheForm({
  treeId,
  version,
  start,
  done,
}: {
  treeId: number;
  version: number;
  start: Typed;
  done: () => void;
}) {
  const remove = useRemove(treeId);
  const stands = useStandsAfterAll(treeId);
  const form = useForm<Typed>({ resolver: zodResolver(REMOVAL.schema), defaultValues: start });
  const submit = form.handleSubmit((fields) =>
    remove
      .mutateAsync({ version, data: REMOVAL.data(fields) })
      .then(done)
      .catch((refused: unknown) => showRefused(refused, form.setError)),
  );
  return (
    <Form className="sheet-box my-2" aria-label="Take the tree out" onSubmit={submit} noValidate>
      <p className="caution-list">
        Age alone is no ground. Ask first about nests, roosts in hollows and protected-tree orders, and follow
        local law; a whole tree is felled by who is trained for it. Enter it here once the tree is out: it
        leaves the plan and stays in the register of removals.
      </p>
      <Row className="g-2">
        {REMOVAL_FIELDS.map((field) => (
          <Col sm={field.kind === 'text' ? 6 : 3} key={field.name}>
            <FieldInput form={form} field={field} />
          </Col>
        ))}
      </Row>
      <ProblemAlert error={remove.error ?? stands.error} withFields={!remove.error} />
      <div className="d-flex gap-2 mt-2">
        <Button type="submit" variant="danger" disabled={remove.isPending}>
          {version ? 'Save' : 'Enter the removal'}
        </Button>
        {version > 0 && (
          <Button
            variant="outline-secondary"
            disabled={stands.isPending}
            onClick={() =>
              void stands
                .mutateAsync(version)
                .then(done)
                .catch(() => undefined)
            }
          >
            It stands after all
          </Button>
        )}
      </div>
    </Form>
  );
}

/** On the page of a tree that is no more: what stands in its place, or may. */
export function Removed({ treeId, siteId }: { treeId: number; siteId: number }) {
  const removals = useRemovals(siteId);
  const instead = removals.data?.find((one) => one.treeId === treeId)?.data.replacement;
  return (
    <p className="report-open" role="note">
      This tree was taken out. It is in no plan; what is known of it stands below.
      {instead ? ' In its place: ' + instead + '.' : ''}{' '}
      <May siteId={siteId} roles={DECIDE}>
        <Link to={'/sites/' + siteId + '/trees/' + treeId + '/replace'}>
          Register a new tree in its place
        </Link>
      </May>
    </p>
  );
}
