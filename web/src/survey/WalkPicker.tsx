import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import { useTrees } from '../orchard/queries';
import { TRIAGE } from '../orchard/words';
import { Loading } from '../parts/Loading';
import { State } from '../parts/Reasons';
import { date, words } from '../parts/format';
import { useTitle } from '../parts/useTitle';

/** Which tree one stands at; those longest unvisited first. */
export function WalkPicker() {
  const siteId = Number(useParams().siteId);
  const [q, setQ] = useState('');
  const trees = useTrees(siteId, { q, species: '', triage: '', sort: 'surveyed' });
  useTitle('Walk');
  return (
    <div className="walk">
      <h1>Which tree are you at?</h1>
      <Form.Control
        type="search"
        className="mb-2"
        style={{ minHeight: 48 }}
        placeholder="Its tag"
        aria-label="Find a tree"
        value={q}
        onChange={(e) => setQ(e.target.value)}
      />
      {!trees.data && <Loading error={trees.error} />}
      {trees.data?.trees.map((tree) => {
        const state = tree.survey?.triage ?? 'unsurveyed';
        return (
          <Link
            key={tree.id}
            className="limb-row text-decoration-none text-body"
            to={'/sites/' + siteId + '/trees/' + tree.id + '/walk'}
          >
            <span className="tag">{tree.data.tag}</span>
            <span className="flex-grow-1">
              {words(tree.data.species)} <span className="faint">{tree.data.cultivar}</span>
              <br />
              <span className="faint small">
                {tree.survey ? 'walked ' + date(tree.survey.surveyedOn) : 'never walked'}
              </span>
            </span>
            <State code={state} word={TRIAGE[state]!} />
          </Link>
        );
      })}
      {trees.data?.total === 0 && (
        <p>
          No tree here yet. <Link to={'/sites/' + siteId + '/trees/new'}>Register one first</Link>.
        </p>
      )}
    </div>
  );
}
