import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import { useFieldPack } from '../field/queries';
import { useWaiting } from '../field/useWaiting';
import { TakenAlong } from '../field/TakenAlong';
import { WaitingLine } from '../waiting/Waiting';
import { TRIAGE } from '../vocabulary/orchard';
import { Loading } from '../parts/Loading';
import { State } from '../parts/State';
import { date, words } from '../parts/format';
import { useTitle } from '../parts/useTitle';

/** Which tree one stands at; those longest unvisited first. Once shown, the phone has them all along. */
export function WalkPicker() {
  const siteId = Number(useParams().siteId);
  const [q, setQ] = useState('');
  const pack = useFieldPack(siteId);
  const waiting = useWaiting();
  const waits = (treeId: number) =>
    waiting.data?.open.some((item) => item.kind === 'survey' && item.treeId === treeId);
  useTitle('Walk');
  const found = pack.data?.trees.filter((tree) =>
    [tree.tag, words(tree.species), tree.cultivar ?? ''].some((text) =>
      text.toLowerCase().includes(q.trim().toLowerCase()),
    ),
  );
  return (
    <div className="walk">
      <h1>Which tree are you at?</h1>
      <WaitingLine siteId={siteId} />
      <TakenAlong siteId={siteId} />
      <Form.Control
        type="search"
        className="mb-2"
        style={{ minHeight: 48 }}
        placeholder="Its tag"
        aria-label="Find a tree"
        value={q}
        onChange={(e) => setQ(e.target.value)}
      />
      {!found && <Loading error={pack.error} />}
      {found?.map((tree) => (
        <Link
          key={tree.id}
          className="limb-row text-decoration-none text-body"
          to={'/sites/' + siteId + '/trees/' + tree.id + '/walk'}
        >
          <span className="tag">{tree.tag}</span>
          <span className="flex-grow-1">
            {words(tree.species)} <span className="faint">{tree.cultivar}</span>
            <br />
            <span className="faint small">
              {waits(tree.id)
                ? 'walked, waits on this phone'
                : waiting.data?.drafts.some((draft) => draft.treeId === tree.id)
                  ? 'begun on this phone'
                  : tree.surveyedOn
                    ? 'walked ' + date(tree.surveyedOn)
                    : 'never walked'}
            </span>
          </span>
          <State code={tree.triage} word={TRIAGE[tree.triage]!} />
        </Link>
      ))}
      {pack.data?.trees.length === 0 && (
        <p>
          No tree here yet. <Link to={'/sites/' + siteId + '/trees/new'}>Register one first</Link>.
        </p>
      )}
    </div>
  );
}
