import { useQueryClient } from '@tanstack/react-query';
import { Alert, Button } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import { usePeople } from '../crew/peopleQueries';
import { State } from '../parts/State';
import { useTitle } from '../parts/useTitle';
import { HerePicture } from '../photo/PhotoStrip';
import { GiveUp } from './GiveUp';
import { type Item, wantsLook } from '../field/outbox';
import { outbox, sendAll } from '../field/phone';
import { useWaiting } from '../field/useWaiting';
import { KINDS, stateOf, when } from '../field/words';

const roomOf = (bytes: number) =>
  bytes > 2e9 ? Math.round(bytes / 1e9) + ' GB' : Math.round(bytes / 1e6) + ' MB';

/** What waits, in a line; nothing where nothing does. */
export function WaitingLine({ siteId }: { siteId: number }) {
  const waiting = useWaiting();
  const open = waiting.data?.open ?? [];
  const looks = open.filter(wantsLook).length;
  if (open.length === 0 && !waiting.data?.room?.little) return null;
  return (
    <Alert
      variant={looks > 0 || waiting.data?.room?.little ? 'warning' : 'light'}
      className="py-2"
      aria-live="polite"
    >
      {waiting.data?.room?.little && <div>This phone is nearly full: send what waits, or make room.</div>}
      {open.length > 0 && (
        <Link to={'/sites/' + siteId + '/waiting'}>
          {open.length === 1 ? '1 thing waits' : open.length + ' things wait'} on this phone
          {looks > 0 && ', ' + looks + ' to be looked at'}
        </Link>
      )}
    </Alert>
  );
}

/** Everything that is on this phone and not on the server yet, and what was sent last. */
export function WaitingView() {
  const siteId = Number(useParams().siteId);
  const waiting = useWaiting();
  const queries = useQueryClient();
  const people = usePeople();
  useTitle('Waiting');
  const open = waiting.data?.open ?? [];
  const sent = waiting.data?.sent ?? [];
  const begun = (waiting.data?.drafts ?? []).filter((draft) => draft.tag !== '');
  const nameOf = (person: string | null) =>
    people.data?.find((one) => String(one.id) === person)?.name ?? (person ? 'somebody' : 'nobody named');
  const sendNow = () => void sendAll().then(() => queries.invalidateQueries());
  const retry = (item: Item) =>
    void outbox
      .retry(item.key)
      .then(sendAll)
      .then(() => queries.invalidateQueries());
  return (
    <div className="walk">
      <h1>Waiting on this phone</h1>
      {waiting.data?.room && (
        <p className={waiting.data.room.little ? 'text-danger' : 'faint small'}>
          {waiting.data.room.little ? 'This phone is nearly full: ' : 'Room left for it: '}
          {roomOf(waiting.data.room.leftBytes)}.
        </p>
      )}
      {!!waiting.data?.ofOthers && (
        <p>
          {waiting.data.ofOthers === 1 ? '1 thing waits' : waiting.data.ofOthers + ' things wait'} here for
          somebody else: sent when they sign in on this phone.
        </p>
      )}
      {open.length === 0 && waiting.data && (
        <p>Nothing waits: all that was entered on this phone is with the server.</p>
      )}
      {open.length > 0 && (
        <Button className="w-100 mb-3" style={{ minHeight: 48 }} onClick={sendNow}>
          Send now
        </Button>
      )}
      {open.map((item) => {
        const state = stateOf(item);
        const name = KINDS[item.kind] + ' ' + item.about;
        return (
          <section key={item.key} className="waiting-item" aria-label={name}>
            <div className="d-flex gap-2">
              {item.picture && <HerePicture item={item} alt="" />}
              <div className="flex-grow-1">
                <strong>{name}</strong>
                <div className="small faint">
                  {nameOf(item.person)}, {when(item.madeAt)}
                </div>
                <State code={state.code} word={state.word} />
              </div>
            </div>
            <div className="d-flex flex-wrap gap-2 mt-1">
              {wantsLook(item) && (
                <Link
                  className="btn btn-sm btn-outline-primary"
                  to={'/sites/' + (item.siteId || siteId) + '/waiting/' + item.key}
                >
                  Look
                </Link>
              )}
              {item.state !== 'clash' && item.state !== 'sending' && (
                <Button size="sm" variant="outline-primary" onClick={() => retry(item)}>
                  Try again
                </Button>
              )}
              <GiveUp item={item} />
            </div>
          </section>
        );
      })}
      {begun.length > 0 && (
        <>
          <h2>Begun</h2>
          {begun.map((draft) => (
            <Link
              key={draft.treeId}
              className="limb-row text-decoration-none text-body"
              to={'/sites/' + draft.siteId + '/trees/' + draft.treeId + '/walk'}
            >
              <span className="tag">{draft.tag}</span>
              <span className="flex-grow-1">
                a walk of {draft.draft.limbs.length} {draft.draft.limbs.length === 1 ? 'limb' : 'limbs'} so
                far
              </span>
            </Link>
          ))}
        </>
      )}
      {sent.length > 0 && (
        <details className="mt-3">
          <summary>Sent from this phone</summary>
          <ul className="small">
            {sent.map((item) => (
              <li key={item.key}>
                {KINDS[item.kind]} {item.about}, {nameOf(item.person)}, {when(item.sentAt ?? item.madeAt)}
              </li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}
