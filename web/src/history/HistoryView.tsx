import { useInfiniteQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link, useParams, useSearchParams } from 'react-router';
import { useUndo, useWhatChanged } from '../api/changes';
import { api, type SiteChange, unwrap } from '../api/client';
import { useMembers } from '../crew/peopleQueries';
import { BeforeAfter } from '../parts/BeforeAfter';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { date } from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { ENTITIES } from '../vocabulary/verdict';

const AT_ONCE = 100;
const ACTIONS: Record<string, string> = {
  added: 'added',
  changed: 'changed',
  imported: 'brought in',
  'taken-away': 'taken away',
};

function useHistory(siteId: number, asked: { person: string; entity: string; q: string }) {
  return useInfiniteQuery({
    queryKey: ['history-of-site', siteId, asked],
    queryFn: async ({ pageParam }) =>
      unwrap(
        await api.GET('/api/sites/{siteId}/history', {
          params: {
            path: { siteId },
            query: {
              entity: asked.entity,
              q: asked.q,
              person: asked.person ? Number(asked.person) : undefined,
              before: pageParam,
            },
          },
        }),
      ),
    initialPageParam: undefined as number | undefined,
    getNextPageParam: (last) => (last.length === AT_ONCE ? last.at(-1)!.id : undefined),
    placeholderData: (before) => before,
  });
}

/** Who changed what at a site, with before and after; what can be undone is undone here too. */
export function HistoryView() {
  const siteId = Number(useParams().siteId);
  const [params, setParams] = useSearchParams();
  const asked = {
    person: params.get('person') ?? '',
    entity: params.get('entity') ?? '',
    q: params.get('q') ?? '',
  };
  const history = useHistory(siteId, asked);
  const members = useMembers(siteId);
  useTitle('History');
  const set = (name: string, value: string) =>
    setParams(
      (now) => {
        if (value) now.set(name, value);
        else now.delete(name);
        return now;
      },
      { replace: true },
    );
  if (!history.data) return <Loading error={history.error} />;
  const changes = history.data.pages.flat();
  return (
    <>
      <h1>History</h1>
      <div className="d-flex flex-wrap gap-2 mb-3">
        <Form.Control
          className="w-auto"
          aria-label="A tag, or a word in what was changed"
          placeholder="A tag, or a word"
          defaultValue={asked.q}
          onChange={(e) => set('q', e.target.value)}
        />
        <Form.Select
          className="w-auto"
          aria-label="What was changed"
          value={asked.entity}
          onChange={(e) => set('entity', e.target.value)}
        >
          <option value="">Everything</option>
          {Object.entries(ENTITIES).map(([code, name]) => (
            <option key={code} value={code}>
              {name}
            </option>
          ))}
        </Form.Select>
        <Form.Select
          className="w-auto"
          aria-label="Who changed it"
          value={asked.person}
          onChange={(e) => set('person', e.target.value)}
        >
          <option value="">Everybody</option>
          {members.data?.map((one) => (
            <option key={one.personId} value={one.personId}>
              {one.name}
            </option>
          ))}
        </Form.Select>
      </div>
      {changes.length === 0 && <p>Nothing was changed that fits this.</p>}
      <ul className="list-unstyled">
        {changes.map((change) => (
          <Change key={change.id} change={change} siteId={siteId} />
        ))}
      </ul>
      {history.hasNextPage && (
        <Button
          variant="outline-primary"
          disabled={history.isFetchingNextPage}
          onClick={() => void history.fetchNextPage()}
        >
          Older ones
        </Button>
      )}
    </>
  );
}

function Change({ change, siteId }: { change: SiteChange; siteId: number }) {
  const [open, setOpen] = useState(false);
  const details = useWhatChanged(open ? change.id : undefined);
  const undo = useUndo();
  const what = ENTITIES[change.entity] ?? change.entity;
  return (
    <li className="history-line">
      <span className="faint">
        {date(change.at.slice(0, 10))} {change.at.slice(11, 16)}
      </span>{' '}
      {change.who ?? 'The program'}: {what} {ACTIONS[change.action] ?? change.action}
      {change.treeId != null && (
        <>
          {' at '}
          <Link to={'/sites/' + siteId + '/trees/' + change.treeId}>{change.tag}</Link>
        </>
      )}{' '}
      <Button variant="link" size="sm" className="p-0" aria-expanded={open} onClick={() => setOpen(!open)}>
        Before and after
      </Button>
      {open && details.data && (
        <>
          <BeforeAfter changes={details.data.changes} />
          {details.data.undoable && (
            <Button
              size="sm"
              variant="outline-primary"
              disabled={undo.isPending}
              onClick={() => undo.mutate(change.id)}
            >
              Undo
            </Button>
          )}
          <ProblemAlert error={undo.error} />
        </>
      )}
    </li>
  );
}
