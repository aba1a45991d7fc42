import { useState } from 'react';
import { Button, Col, Form, Row } from 'react-bootstrap';
import { Link } from 'react-router';
import { useSite } from '../api/orchard';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { date } from '../parts/format';
import { useRemovals, useRemove, useStandsAfterAll } from './queries';
import { GROUNDS } from '../vocabulary/wood';

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
      start={
        known?.data ?? { on: site.data.today, grounds: '', permission: '', removedBy: '', replacement: '' }
      }
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
  start: {
    on: string;
    grounds: string;
    permission: string;
    removedBy: string;
    replacement?: string | null;
    note?: string | null;
  };
  done: () => void;
}) {
  const remove = useRemove(treeId);
  const stands = useStandsAfterAll(treeId);
  const [fields, setFields] = useState({
    ...start,
    replacement: start.replacement ?? '',
    note: start.note ?? '',
  });
  const text = (name: 'permission' | 'removedBy' | 'replacement' | 'note', label: string, hint: string) => (
    <Col sm={6}>
      <Form.Label htmlFor={'removal-' + name}>{label}</Form.Label>
      <Form.Control
        id={'removal-' + name}
        value={fields[name]}
        maxLength={name === 'removedBy' ? 200 : 500}
        onChange={(e) => setFields({ ...fields, [name]: e.target.value })}
      />
      <div className="faint small">{hint}</div>
    </Col>
  );
  return (
    <Form
      className="sheet-box my-2"
      aria-label="Take the tree out"
      onSubmit={(e) => {
        e.preventDefault();
        void remove
          .mutateAsync({
            version,
            data: {
              ...fields,
              replacement: fields.replacement || undefined,
              note: fields.note || undefined,
            },
          })
          .then(done)
          .catch(() => undefined);
      }}
    >
      <p className="caution-list">
        Age alone is no ground. Ask first about nests, roosts in hollows and protected-tree orders, and follow
        local law; a whole tree is felled by who is trained for it. Enter it here once the tree is out: it
        leaves the plan and stays in the register of removals.
      </p>
      <Row className="g-2">
        <Col sm={3}>
          <Form.Label htmlFor="removal-on">Taken out on</Form.Label>
          <Form.Control
            id="removal-on"
            type="date"
            value={fields.on}
            onChange={(e) => setFields({ ...fields, on: e.target.value })}
          />
        </Col>
        <Col sm={3}>
          <Form.Label htmlFor="removal-grounds">Grounds</Form.Label>
          <Form.Select
            id="removal-grounds"
            value={fields.grounds}
            onChange={(e) => setFields({ ...fields, grounds: e.target.value })}
          >
            <option value="">Choose</option>
            {Object.entries(GROUNDS).map(([code, name]) => (
              <option key={code} value={code}>
                {name}
              </option>
            ))}
          </Form.Select>
        </Col>
        {text('permission', 'Permission', 'Whose leave, by what paper; or why none was wanted')}
        {text('removedBy', 'Taken out by', 'A crew, a firm, the storm')}
        {text(
          'replacement',
          'What replaces it',
          'A small young plant, headed low, one leader, two or three side shoots spread',
        )}
        {text('note', 'Note', '')}
      </Row>
      <ProblemAlert error={remove.error ?? stands.error} />
      <div className="d-flex gap-2 mt-2">
        <Button
          type="submit"
          variant="danger"
          disabled={
            !fields.grounds || !fields.permission.trim() || !fields.removedBy.trim() || remove.isPending
          }
        >
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

/** On the page of a tree that is no more. */
export function Removed() {
  return (
    <p className="report-open" role="note">
      This tree was taken out. It is in no plan; what is known of it stands below.
    </p>
  );
}

/** The register of removals of a site. */
export function RemovalRegister({ siteId }: { siteId: number }) {
  const removals = useRemovals(siteId);
  if (!removals.data || removals.data.length === 0) return null;
  return (
    <section aria-label="Register of removals" className="mt-3">
      <h2>Taken out</h2>
      <ul className="list-unstyled">
        {removals.data.map((removal) => (
          <li key={removal.treeId}>
            <Link to={'/sites/' + siteId + '/trees/' + removal.treeId}>{removal.tag}</Link>{' '}
            {removal.species.replaceAll('-', ' ')} {removal.cultivar}, {date(removal.data.on)}:{' '}
            {GROUNDS[removal.data.grounds]}; by {removal.data.removedBy}; permission:{' '}
            {removal.data.permission}
            {removal.data.replacement && '; instead: ' + removal.data.replacement}
          </li>
        ))}
      </ul>
    </section>
  );
}
