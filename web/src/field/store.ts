import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { Draft } from '../survey/draft';

/** A survey waiting to be sent, under a key that makes sending it twice harmless. */
export interface Waiting {
  key: string;
  treeId: number;
  siteId: number;
  tag: string;
  /** Who walked; it is sent in their name. */
  person: string | null;
  survey: Draft;
  /** The newest survey the surveyor knew, 0 for none. */
  basedOn: number;
  /** Why it was not taken: somebody walked meanwhile, or fields are to be mended. */
  held?: { status: number; detail: string; errors: { pointer: string; detail: string }[] };
}

/** A photo waiting to be sent. */
export interface WaitingPhoto {
  key: string;
  treeId: number;
  person: string | null;
  takenOn: string;
  spot: string;
  picture: Blob;
}

export interface KeptDraft {
  treeId: number;
  draft: Draft;
  basedOn: number;
}

interface Stores extends DBSchema {
  drafts: { key: number; value: KeptDraft };
  surveys: { key: string; value: Waiting };
  photos: { key: string; value: WaitingPhoto };
}

let opened: Promise<IDBPDatabase<Stores>> | undefined;

/** What is kept on this phone until it is sent. */
const phone = () =>
  (opened ??= openDB<Stores>('bough-field', 1, {
    upgrade(db) {
      db.createObjectStore('drafts', { keyPath: 'treeId' });
      db.createObjectStore('surveys', { keyPath: 'key' });
      db.createObjectStore('photos', { keyPath: 'key' });
    },
  }));

export const store = {
  draft: async (treeId: number) => (await phone()).get('drafts', treeId),
  keepDraft: async (draft: KeptDraft) => void (await (await phone()).put('drafts', draft)),
  dropDraft: async (treeId: number) => (await phone()).delete('drafts', treeId),
  drafts: async () => (await phone()).getAll('drafts'),
  surveys: async () => (await phone()).getAll('surveys'),
  keepSurvey: async (survey: Waiting) => void (await (await phone()).put('surveys', survey)),
  dropSurvey: async (key: string) => (await phone()).delete('surveys', key),
  photos: async () => (await phone()).getAll('photos'),
  keepPhoto: async (photo: WaitingPhoto) => void (await (await phone()).put('photos', photo)),
  dropPhoto: async (key: string) => (await phone()).delete('photos', key),
};
