import type { Draft } from './kept';
import { randomKey } from './outbox';

/**
 * Drafts of walks, on the phone until their survey is sent, and on the server whenever it can be reached, so that another
 * screen of the same person finds them. Nothing in here knows of a browser.
 */

/** A draft as the phone has it. */
export interface KeptDraft {
  treeId: number;
  siteId: number;
  tag: string;
  /** Who began it; it is theirs on the server too. */
  person: string | null;
  draft: Draft;
  /** The newest survey known when it was begun, 0 for none. */
  basedOn: number;
  /** The server's version it goes on from, 0 for none. */
  version: number;
  /** Whether something was entered since the server last had it. */
  changed: boolean;
  /** When it was entered, ms: to tell the newer of two on this phone. */
  enteredAt?: number;
  /** The mark of what was sent to the server since its answer was last heard. */
  unheard?: string;
}

/** A draft as the server has it; version 0 and no document while there is none. */
export interface ThereDraft {
  version: number;
  document: Draft | null;
}

export interface DraftServer {
  /** Fails without connection. */
  get(treeId: number, person: string | null): Promise<ThereDraft>;
  /** The new version, or undefined when the server has another than the one this goes on from. */
  put(treeId: number, person: string | null, version: number, document: Draft): Promise<number | undefined>;
}

export interface DraftShelf {
  draft(treeId: number): Promise<KeptDraft | undefined>;
  /** Changes what is kept in one step; what is made undefined stays as it was. Done when it is on the disk. */
  changeDraft(treeId: number, make: (now: KeptDraft | undefined) => KeptDraft | undefined): Promise<void>;
}

/** A draft on both, each with something the other has not. */
export interface TwoDrafts {
  here: KeptDraft;
  there: { version: number; document: Draft };
}

export type Found = { kept?: KeptDraft; two?: TwoDrafts };

/** The mark of one sending stands in the draft, so that the phone knows its own again. */
const MARK = 'x-sent';
type Marked = Draft & { [MARK]?: string };

/** As people entered it: without marks and without where they were in it. */
export function content(draft: Draft): string {
  const bare: Record<string, unknown> = { ...draft };
  delete bare[MARK];
  delete bare['x-at'];
  return JSON.stringify(bare, (_, value: unknown) =>
    value && typeof value === 'object' && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).sort(([one], [other]) => (one < other ? -1 : 1)))
      : value,
  );
}

/** What a draft is begun from. */
export type Begun = Pick<KeptDraft, 'treeId' | 'siteId' | 'tag' | 'person' | 'basedOn'>;

/**
 * What to go on from: the newer of phone and server where the other has nothing of its own, else both. Without connection
 * it is what the phone has.
 */
export async function findDraft(shelf: DraftShelf, server: DraftServer, begun: Begun): Promise<Found> {
  const here = await shelf.draft(begun.treeId);
  let there: ThereDraft;
  try {
    there = await server.get(begun.treeId, here?.person ?? begun.person);
  } catch {
    return { kept: here };
  }
  return weigh(shelf, begun, there);
}

async function weigh(shelf: DraftShelf, begun: Begun, { version, document }: ThereDraft): Promise<Found> {
  let found: Found = {};
  await shelf.changeDraft(begun.treeId, (here) => {
    if (!document) {
      // Gone on the server: sent or thrown away on another screen. What only the phone has stays.
      found = !here || (!here.changed && here.version > 0) ? {} : { kept: { ...here, version: 0 } };
    } else if (!here) {
      found = { kept: { ...begun, draft: document, version, changed: false } };
    } else {
      const ours = here.unheard !== undefined && (document as Marked)[MARK] === here.unheard;
      const same = content(here.draft) === content(document);
      if (here.version === version || ours || same)
        found = { kept: { ...here, version, changed: !same, unheard: undefined } };
      else if (!here.changed) found = { kept: { ...here, draft: document, version, unheard: undefined } };
      else found = { two: { here, there: { version, document } } };
    }
    return found.kept;
  });
  return found;
}

/**
 * Brings a draft's changes to the server.
 *
 * @returns the draft as it is now; two drafts where the server has another; undefined without connection
 */
export async function bringDraft(
  shelf: DraftShelf,
  server: DraftServer,
  treeId: number,
): Promise<Found | undefined> {
  const here = await shelf.draft(treeId);
  if (!here?.changed) return { kept: here };
  const mark = here.unheard ?? randomKey();
  const sent: Marked = { ...here.draft, [MARK]: mark };
  // Noted first: the answer may never be heard.
  await shelf.changeDraft(treeId, (now) => now && { ...now, unheard: mark });
  try {
    const version = await server.put(treeId, here.person, here.version, sent);
    if (version === undefined) return weigh(shelf, here, await server.get(treeId, here.person));
    let kept: KeptDraft | undefined;
    await shelf.changeDraft(
      treeId,
      (now) =>
        (kept = now && {
          ...now,
          version,
          changed: content(now.draft) !== content(here.draft),
          unheard: undefined,
        }),
    );
    return { kept };
  } catch {
    return undefined;
  }
}
