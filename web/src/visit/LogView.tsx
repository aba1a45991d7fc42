import { useQueryClient } from '@tanstack/react-query';
import { Alert, Button } from 'react-bootstrap';
import { Link, useParams, useSearchParams } from 'react-router';
import { usePeople } from '../crew/peopleQueries';
import { type Item, open, randomKey, wantsLook } from '../field/outbox';
import { outbox } from '../field/phone';
import { store } from '../field/store';
import { useWaiting } from '../field/useWaiting';
import { Loading } from '../parts/Loading';
import { useTitle } from '../parts/useTitle';
import { entryId } from './entry';
import type { Entry } from '../field/kept';
import { LogForm } from './LogForm';
import { useLogs, useVisitSheet } from './queries';

/** The log of one visit, on a phone: cut by cut what became of it and what the wood looked like. */
export function LogView() {
  const visitId = Number(useParams().visitId);
  const [params] = useSearchParams();
  const corrects = Number(params.get('correct')) || undefined;
  const sheet = useVisitSheet(visitId);
  const logs = useLogs(corrects === undefined ? undefined : sheet.data?.treeId);
  const people = usePeople(Number(useParams().siteId));
  const waiting = useWaiting();
  useTitle(sheet.data && 'Log ' + sheet.data.tag);
  const log = logs.data?.find((one) => one.id === corrects);
  if (!sheet.data || !people.data || !waiting.data || (corrects !== undefined && !log))
    return <Loading error={sheet.error ?? people.error ?? logs.error ?? waiting.error} />;
  const item = waiting.data.open.find((one) => one.kind === 'log' && one.visitId === visitId && open(one));
  if (item && corrects === undefined) return <LoggedHere item={item} />;
  if (sheet.data.logged && corrects === undefined)
    return <p>This visit is logged. Its log can be corrected on the tree’s page.</p>;
  return <LogForm key={entryId(visitId, corrects)} sheet={sheet.data} log={log} people={people.data} />;
}

/** The log of this visit is entered and waits on this phone. */
function LoggedHere({ item }: { item: Item }) {
  const { siteId } = useParams();
  const queries = useQueryClient();
  const takeUp = async () => {
    const form = item.form as { entry: Entry; corrects?: number };
    await store.keepEntry({
      id: entryId(item.visitId!, form.corrects),
      entry: { ...form.entry, key: randomKey() },
    });
    await outbox.drop(item.key);
    await queries.invalidateQueries({ queryKey: ['entry'] });
    await queries.invalidateQueries({ queryKey: ['waiting'] });
  };
  return (
    <div className="walk">
      <h1>{item.about}</h1>
      <Alert variant={wantsLook(item) ? 'warning' : 'light'}>
        {wantsLook(item)
          ? 'Your log of this visit is kept on this phone; it wants to be looked at.'
          : 'Your log of this visit is kept on this phone and goes by itself when there is signal.'}
      </Alert>
      <div className="d-grid gap-2">
        {wantsLook(item) ? (
          <Link className="btn btn-primary" to={'/sites/' + siteId + '/waiting/' + item.key}>
            Look at it
          </Link>
        ) : (
          <Button variant="outline-primary" style={{ minHeight: 48 }} onClick={() => void takeUp()}>
            Change it
          </Button>
        )}
        <Link
          className="btn btn-outline-secondary"
          to={'/sites/' + siteId + (item.dayId ? '/days/' + item.dayId + '/log' : '/log')}
        >
          To the trees
        </Link>
      </div>
    </div>
  );
}
