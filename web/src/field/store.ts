import { currentPersonId } from '../api/client';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { Entry } from './kept';
import type { KeptDraft } from './drafts';
import { ofFirstForm, type OldTransaction } from './oldStore';
import type { Item, Refusal } from './outbox';

/** A log while it is being entered. */
export interface KeptEntry {
  /** The visit, and the log it corrects if it does. */
  id: string;
  entry: Entry;
  /** What the server did not take of it when it was sent last. */
  refusal?: Refusal;
}

/** What of a site this phone has taken along. */
export interface Taken {
  siteId: number;
  name: string;
  /** When it was asked for. */
  at: string;
  trees: number;
  days: { id: number; on: string }[];
  /** What could not be taken along. */
  missing: string[];
}

/** Each has their own of a tree: two who share a phone do not go on with each other's. */
const place = (person: string | null, treeId: number) => (person ?? '') + '/' + treeId;
type PlacedDraft = KeptDraft & { at: string };
const placed = (draft: KeptDraft): PlacedDraft => ({ ...draft, at: place(draft.person, draft.treeId) });

interface Stores extends DBSchema {
  drafts: { key: string; value: PlacedDraft };
  entries: { key: string; value: KeptEntry };
  outbox: { key: string; value: Item };
  taken: { key: number; value: Taken };
  who: { key: string; value: { id: string; person: string } };
}

type Name = 'drafts' | 'entries' | 'outbox' | 'taken' | 'who';

const NAME = 'bough-field';
const VERSION = 3;

let opened: Promise<IDBPDatabase<Stores>> | undefined;

/** What is kept on this phone. */
const phone = () =>
  (opened ??= openDB<Stores>(NAME, VERSION, {
    async upgrade(db, before, _, transaction) {
      if (before === 2) {
        const kept = (await transaction.objectStore('drafts').getAll()) as KeptDraft[];
        db.deleteObjectStore('drafts');
        db.createObjectStore('drafts', { keyPath: 'at' });
        for (const draft of kept) await transaction.objectStore('drafts').put(placed(draft));
        return;
      }
      const old = before === 1 ? await ofFirstForm(transaction as unknown as OldTransaction) : undefined;
      if (old)
        for (const name of ['drafts', 'surveys', 'photos'])
          (db as unknown as IDBDatabase).deleteObjectStore(name);
      db.createObjectStore('drafts', { keyPath: 'at' });
      db.createObjectStore('entries', { keyPath: 'id' });
      db.createObjectStore('outbox', { keyPath: 'key' });
      db.createObjectStore('taken', { keyPath: 'siteId' });
      db.createObjectStore('who', { keyPath: 'id' });
      for (const draft of old?.drafts ?? []) await transaction.objectStore('drafts').put(placed(draft));
      for (const item of old?.items ?? []) await transaction.objectStore('outbox').put(item);
    },
    // Another tab wants a newer form of the store: let it, and open anew when something is wanted here.
    blocking() {
      void opened?.then((db) => db.close());
      opened = undefined;
    },
    terminated() {
      opened = undefined;
    },
  }).then(withOldEntries));

/**
 * Writes so that it is on the disk when this is done, not only on its way there. The word to commit goes out with the
 * write: a page that is left in the same moment does not take it back.
 */
async function put<N extends Name>(name: N, value: Stores[N]['value']): Promise<void> {
  const transaction = (await phone()).transaction(name, 'readwrite', { durability: 'strict' });
  const written = transaction.store.put(value);
  transaction.commit();
  await Promise.all([written, transaction.done]);
}

async function drop<N extends Name>(name: N, key: Stores[N]['key']): Promise<void> {
  const transaction = (await phone()).transaction(name, 'readwrite', { durability: 'strict' });
  await Promise.all([transaction.store.delete(key), transaction.done]);
}

/** Logs used to be kept outside the store. */
async function withOldEntries(db: IDBPDatabase<Stores>): Promise<IDBPDatabase<Stores>> {
  const old = 'bough-log-';
  const keys = typeof localStorage === 'undefined' ? [] : Object.keys(localStorage);
  for (const key of keys.filter((one) => one.startsWith(old))) {
    await db.put('entries', {
      id: key.slice(old.length),
      entry: JSON.parse(localStorage.getItem(key)!) as Entry,
    });
    localStorage.removeItem(key);
  }
  return db;
}

/** The draft of whoever is at work; one that nobody signed for is whoever's finds it. */
const own = async (drafts: { get: (at: string) => Promise<PlacedDraft | undefined> }, treeId: number) =>
  (await drafts.get(place(currentPersonId(), treeId))) ?? (await drafts.get(place(null, treeId)));

export const store = {
  draft: async (treeId: number) => own((await phone()).transaction('drafts').store, treeId),
  drafts: async () => (await phone()).getAll('drafts'),
  changeDraft: async (treeId: number, make: (now: KeptDraft | undefined) => KeptDraft | undefined) => {
    const transaction = (await phone()).transaction('drafts', 'readwrite', { durability: 'strict' });
    const now = await own(transaction.store, treeId);
    const made = make(now);
    const changed = made && placed({ ...made, person: made.person ?? currentPersonId() });
    await Promise.all([
      changed && transaction.store.put(changed),
      changed && now && now.at !== changed.at && transaction.store.delete(now.at),
      transaction.done,
    ]);
  },
  /** Of whoever is at work, or of whoever began it. */
  dropDraft: async (treeId: number, person = currentPersonId()) => {
    await drop('drafts', place(person, treeId));
    await drop('drafts', place(null, treeId));
  },

  entry: async (id: string) => (await phone()).get('entries', id),
  entries: async () => (await phone()).getAll('entries'),
  keepEntry: (entry: KeptEntry) => put('entries', entry),
  dropEntry: (id: string) => drop('entries', id),

  /** Who is at work: the browser's quick memory is not written at once, and is lost with the battery. */
  person: async () => (await (await phone()).get('who', 'now'))?.person,
  keepPerson: (person: string) => put('who', { id: 'now', person }),
  forgetPerson: () => drop('who', 'now'),

  taken: async (siteId: number) => (await phone()).get('taken', siteId),
  keepTaken: (taken: Taken) => put('taken', taken),
  forgetTaken: async () => (await phone()).clear('taken'),

  outbox: {
    all: async () => (await phone()).getAll('outbox'),
    get: async (key: string) => (await phone()).get('outbox', key),
    put: (item: Item) => put('outbox', item),
    drop: (key: string) => drop('outbox', key),
  },
};
