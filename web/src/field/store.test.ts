import { afterEach, expect, it } from 'vitest';
import { setCurrentPersonId } from '../api/client';
import type { KeptDraft } from './drafts';
import type { Draft } from './kept';
import { store } from './store';

const walk = (person: string | null, surveyedOn: string): KeptDraft => ({
  treeId: 3,
  siteId: 1,
  tag: 'K-03',
  person,
  draft: { surveyedOn, tree: {}, limbs: [], surroundings: [] } as unknown as Draft,
  basedOn: 0,
  version: 0,
  changed: true,
});

afterEach(async () => {
  for (const draft of await store.drafts()) await store.dropDraft(draft.treeId, draft.person);
  setCurrentPersonId(undefined);
});

it('keeps a draft of the same tree for each who shares a phone', async () => {
  setCurrentPersonId(7);
  await store.changeDraft(3, () => walk('7', '2027-02-01'));
  setCurrentPersonId(8);
  expect(await store.draft(3)).toBeUndefined();
  await store.changeDraft(3, (now) => {
    expect(now).toBeUndefined();
    return walk('8', '2027-02-02');
  });
  expect((await store.draft(3))?.draft.surveyedOn).toBe('2027-02-02');
  setCurrentPersonId(7);
  expect((await store.draft(3))?.draft.surveyedOn).toBe('2027-02-01');
  await store.dropDraft(3);
  expect(await store.draft(3)).toBeUndefined();
  expect(await store.drafts()).toHaveLength(1);
});

it('lets whoever is at work go on with a draft nobody signed for', async () => {
  await store.changeDraft(3, () => walk(null, '2027-02-01'));
  setCurrentPersonId(7);
  await store.changeDraft(3, (now) => now && { ...now, version: 4 });
  expect(await store.drafts()).toMatchObject([{ person: '7', version: 4 }]);
});
