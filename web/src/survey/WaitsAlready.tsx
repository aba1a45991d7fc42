import { useQueryClient } from '@tanstack/react-query';
import { Alert, Button } from 'react-bootstrap';
import type { Draft } from '../field/kept';
import { outbox } from '../field/phone';
import { store } from '../field/store';
import { useWaiting } from '../field/useWaiting';

/** A walk of this tree that waits to be sent: it can be changed as long as it has not gone. */
export function WaitsAlready({ treeId, siteId, begun }: { treeId: number; siteId: number; begun: boolean }) {
  const waiting = useWaiting();
  const queries = useQueryClient();
  const item = waiting.data?.open.find((one) => one.kind === 'survey' && one.treeId === treeId);
  // Another walk that is begun is not written over.
  if (!item || begun) return null;
  const takeUp = async () => {
    const form = item.form as { draft: Draft; basedOn: number };
    await store.changeDraft(treeId, () => ({
      treeId,
      siteId,
      tag: item.about,
      person: item.person,
      draft: form.draft,
      basedOn: form.basedOn,
      version: 0,
      changed: true,
    }));
    await outbox.drop(item.key);
    await queries.invalidateQueries({ queryKey: ['waiting'] });
    location.reload();
  };
  return (
    <Alert variant="warning" className="py-2">
      A walk of this tree waits on this phone to be sent.{' '}
      <Button size="sm" variant="outline-primary" onClick={() => void takeUp()}>
        Change that one
      </Button>
    </Alert>
  );
}
