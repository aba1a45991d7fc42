import { setCurrentPersonId } from '../api/client';
import { ALONG } from './along';
import { store } from './store';

/**
 * Takes away what this phone shows of who had it: answers it took along, who it was, and walks begun that the server has
 * too. What only this phone has stays, unseen by others, till its owner signs in again.
 */
export async function forgetWhoWasHere(): Promise<void> {
  setCurrentPersonId(undefined);
  await store.forgetPerson();
  await store.forgetTaken();
  for (const draft of await store.drafts())
    if (!draft.changed) await store.dropDraft(draft.treeId, draft.person);
  if (typeof caches !== 'undefined') await caches.delete(ALONG);
}
