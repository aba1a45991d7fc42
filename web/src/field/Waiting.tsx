import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Alert, Button } from 'react-bootstrap';
import { Link, useNavigate, useParams } from 'react-router';
import { Loading } from '../parts/Loading';
import { date } from '../parts/format';
import { fieldName } from '../survey/words';
import { compare } from './compare';
import { useFieldTree } from './queries';
import { sendAll, sendSurvey } from './sending';
import { store, type Waiting } from './store';
import { useWaiting } from './useWaiting';

/** What waits on this phone, and what somebody has to look at before it can be sent. */
export function WaitingList({ siteId }: { siteId: number }) {
  const waiting = useWaiting();
  const queries = useQueryClient();
  const mine = waiting.data?.surveys.filter((one) => one.siteId === siteId) ?? [];
  const photos = waiting.data?.photos ?? 0;
  if (mine.length + photos === 0) return null;
  return (
    <Alert variant="light" className="py-2" aria-live="polite">
      {mine.map((one) => (
        <div key={one.key}>
          <strong>{one.tag}</strong>, walked {date(one.survey.surveyedOn)}:{' '}
          {one.held ? (
            <Link to={'/sites/' + siteId + '/walk/' + one.key}>
              {one.held.status === 409
                ? 'somebody walked meanwhile, look at both'
                : 'something is to be mended'}
            </Link>
          ) : (
            'waits for signal'
          )}
        </div>
      ))}
      {photos > 0 && (
        <div>
          {photos} {photos === 1 ? 'photo waits' : 'photos wait'} for signal
        </div>
      )}
      <Button
        size="sm"
        variant="outline-primary"
        className="mt-1"
        onClick={() => void sendAll().then(() => queries.invalidateQueries())}
      >
        Send now
      </Button>
    </Alert>
  );
}

/** A survey that was not taken: beside what is there now, or with what is to be mended. */
export function HeldSurvey() {
  const { siteId, key } = useParams();
  const waiting = useWaiting();
  if (!waiting.data) return <Loading error={waiting.error} />;
  const one = waiting.data.surveys.find((survey) => survey.key === key);
  if (!one?.held)
    return (
      <p>
        This survey is no longer here. <Link to={'/sites/' + siteId + '/walk'}>Back to the trees</Link>
      </p>
    );
  return <Held waiting={one} />;
}

function Held({ waiting }: { waiting: Waiting }) {
  const held = waiting.held!;
  const clash = held.status === 409;
  const theirs = useFieldTree(waiting.treeId, clash);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [problem, setProblem] = useState('');
  const at = '/sites/' + waiting.siteId + '/trees/' + waiting.treeId;
  if (clash && !theirs.data) return <Loading error={theirs.error} />;
  const basedOn = theirs.data?.newestSurvey ?? waiting.basedOn;
  const leave = async (to: string) => {
    await queries.invalidateQueries();
    await navigate(to);
  };
  const keepMine = async () => {
    const again = { ...waiting, basedOn, held: undefined };
    await store.keepSurvey(again);
    const outcome = await sendSurvey(again);
    if (outcome === 'taken') return leave(at);
    setProblem(
      outcome === 'held' ? 'It was not taken; look at it again.' : 'No signal. It waits on this phone.',
    );
    return queries.invalidateQueries();
  };
  const edit = async () => {
    await store.keepDraft({ treeId: waiting.treeId, draft: waiting.survey, basedOn });
    await store.dropSurvey(waiting.key);
    await leave(at + '/walk');
  };
  const dropMine = async () => {
    await store.dropSurvey(waiting.key);
    await leave(at);
  };
  const differing = clash ? compare(waiting.survey, theirs.data?.start) : [];
  return (
    <div className="walk">
      <h1>{waiting.tag}</h1>
      {clash ? (
        <>
          <p>
            Somebody walked to this tree after you set out
            {theirs.data?.surveyedOn && ', on ' + date(theirs.data.surveyedOn)}. Nothing of either is lost.
            Where they differ:
          </p>
          <table className="table table-sm clash">
            <thead>
              <tr>
                <th />
                <th>Yours</th>
                <th>There now</th>
              </tr>
            </thead>
            <tbody>
              {differing.map((one) => (
                <tr key={one.what}>
                  <th scope="row">{one.what}</th>
                  <td>{one.yours}</td>
                  <td>{one.theirs}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {differing.length === 0 && <p>They say the same.</p>}
        </>
      ) : (
        <Alert variant="danger">
          {held.detail}
          <ul className="mb-0">
            {held.errors.map((wrong) => (
              <li key={wrong.pointer}>
                <strong>
                  {fieldName(
                    wrong.pointer,
                    waiting.survey.limbs.map((limb) => limb.id ?? ''),
                  )}
                </strong>{' '}
                {wrong.detail}.
              </li>
            ))}
          </ul>
        </Alert>
      )}
      {problem && <p className="text-danger">{problem}</p>}
      <div className="d-grid gap-2">
        {clash && (
          <Button style={{ minHeight: 48 }} onClick={() => void keepMine()}>
            Keep both, mine as the newer
          </Button>
        )}
        <Button variant="outline-primary" style={{ minHeight: 48 }} onClick={() => void edit()}>
          Change mine first
        </Button>
        <Button variant="outline-danger" style={{ minHeight: 48 }} onClick={() => void dropMine()}>
          Throw mine away
        </Button>
      </div>
    </div>
  );
}
