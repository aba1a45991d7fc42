import type { KeptDraft } from './drafts';
import { type Photo, photoItem, surveyItem, type Walk } from './items';
import type { Item } from './outbox';

/** The first form of the phone's store: a phone that was updated in the field brings along what it holds. */
export interface OldTransaction {
  objectStore(name: string): { getAll(): Promise<unknown[]> };
}

/** What the first form held, in today's. */
export async function ofFirstForm(
  transaction: OldTransaction,
): Promise<{ drafts: KeptDraft[]; items: Item[] }> {
  const all = <T>(name: string) => transaction.objectStore(name).getAll() as Promise<T[]>;
  const drafts = await all<Pick<KeptDraft, 'treeId' | 'draft' | 'basedOn'>>('drafts');
  const surveys = await all<Walk>('surveys');
  const photos = await all<Omit<Photo, 'siteId' | 'about'>>('photos');
  const waiting = { madeAt: new Date().toISOString(), state: 'kept' as const, failed: 0, notBefore: 0 };
  const items: Item[] = surveys.map((old, i) => ({
    ...waiting,
    ...surveyItem(old),
    key: old.key,
    order: i + 1,
  }));
  photos.forEach((old, i) =>
    items.push({
      ...waiting,
      ...photoItem({ ...old, siteId: 0, about: '' }),
      key: old.key,
      order: surveys.length + i + 1,
    }),
  );
  return {
    drafts: drafts.map((old) => ({
      ...old,
      siteId: 0,
      tag: '',
      person: null,
      version: 0,
      changed: true,
    })),
    items,
  };
}
