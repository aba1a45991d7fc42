import { type Me, Problem } from '../api/client';
import type { Draft } from './kept';
import type { DraftServer } from './drafts';
import { type Item, type NewItem, open, Outbox, type Refusal, type Round, type Send } from './outbox';
import { store } from './store';

/** The outbox of this phone: what keeps it is IndexedDB, what sends it is fetch. Used by pages and by the worker alike. */
export const outbox = new Outbox(store.outbox);

const LONGEST_MS = 60_000;
/** So long somebody waits before they are told that it is kept and will be sent. */
const PATIENCE_MS = 6_000;
const CHANNEL = 'bough-phone';
export const SYNC = 'bough-outbox';

/** Tells the other pages of this phone, and the worker, that something changed. */
export const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(CHANNEL);
export const tell = (what: 'kept' | 'taken') => channel?.postMessage(what);

async function refusalOf(answer: Response): Promise<Refusal> {
  const problem = (await answer.json().catch(() => ({}))) as Partial<Refusal>;
  return {
    status: answer.status,
    detail: problem.detail ?? 'The server refused it (' + answer.status + ').',
    errors: problem.errors ?? [],
    conflict: problem.conflict,
  };
}

const TOKEN = 'Bough-Token';

/** Who the server says is signed in on this phone, and the token it wants to see. */
async function whoIsHere(): Promise<Me> {
  const answer = await fetch('/api/me');
  if (!answer.ok) throw new Problem(answer.status, 'the server does not say who is signed in');
  return (await answer.json()) as Me;
}

const sendWith =
  (token: string): Send =>
  async (item) => {
    const type = item.picture ? 'image/jpeg' : 'application/json';
    const answer = await fetch(item.path, {
      method: item.method,
      headers: { 'Content-Type': type, 'Idempotency-Key': item.key, [TOKEN]: token },
      body: item.picture ?? (item.body === undefined ? undefined : JSON.stringify(item.body)),
      signal: AbortSignal.timeout(LONGEST_MS),
    });
    if (answer.ok) {
      // An answer nobody reads keeps its connection.
      await answer.arrayBuffer().catch(() => undefined);
      return { status: answer.status, refusal: { status: answer.status, detail: '', errors: [] } };
    }
    return {
      status: answer.status,
      refusal: await refusalOf(answer),
      retryAfterS: Number(answer.headers.get('Retry-After')) || undefined,
    };
  };

/** What waits is sent only while whoever entered it is signed in here; till then it waits and nothing of it is lost. */
async function roundOfWhoIsHere(): Promise<Round> {
  if (!(await outbox.list()).some(open)) return { taken: 0, stopped: false };
  let me: Me;
  try {
    me = await whoIsHere();
  } catch {
    return { taken: 0, stopped: true, againInMs: 5_000 };
  }
  return outbox.round(sendWith(me.token), me.signedIn ? String(me.signedIn.personId) : undefined);
}

let running: Promise<Round> | undefined;

/** Sends what waits; one page or worker of this phone at a time. */
export async function sendAll(): Promise<Round> {
  const round = async () => {
    const ended = await roundOfWhoIsHere();
    if (ended.taken > 0) tell('taken');
    return ended;
  };
  if (navigator.locks) return navigator.locks.request(SYNC, round);
  return (running ??= round().finally(() => (running = undefined)));
}

/** The phone has no room left, or keeps nothing at all. */
function cannotKeep(wrong: unknown): Problem {
  const full = wrong instanceof DOMException && wrong.name === 'QuotaExceededError';
  return new Problem(
    0,
    full
      ? 'This phone is full: it was not kept. Make room, then try again; what you entered still stands here.'
      : 'It could not be kept on this phone. What you entered still stands here: try again.',
  );
}

/** Keeps something to be sent; it is on the disk when this is done. Whether it was sent is another matter. */
export async function keep(item: NewItem, instead?: (other: Item) => boolean): Promise<Item> {
  void navigator.storage?.persist?.().catch(() => undefined);
  try {
    const kept = await outbox.add(item, instead);
    tell('kept');
    // Where there is background sync the worker sends it, even when no page is open any more.
    void navigator.serviceWorker?.ready
      .then((worker) =>
        (worker as unknown as { sync?: { register(tag: string): Promise<void> } }).sync?.register(SYNC),
      )
      .catch(() => undefined);
    return kept;
  } catch (wrong) {
    throw cannotKeep(wrong);
  }
}

/** Keeps something and sends it if that goes at once; how it stands then. */
export async function keepAndSend(item: NewItem, instead?: (other: Item) => boolean): Promise<Item> {
  const kept = await keep(item, instead);
  await Promise.race([
    sendAll().catch(() => undefined),
    new Promise((done) => setTimeout(done, PATIENCE_MS)),
  ]);
  return (await outbox.get(kept.key)) ?? kept;
}

/** A refusal as what a form shows. */
export const asProblem = (refusal: Refusal) => new Problem(refusal.status, refusal.detail, refusal.errors);

/** A draft is the business of who began it: while somebody else is signed in it is as if there were no signal. */
async function begunBy(person: string | null): Promise<string> {
  const me = await whoIsHere();
  if (!me.signedIn || String(me.signedIn.personId) !== person)
    throw new Problem(0, 'whoever began this draft is not signed in');
  return me.token;
}

/** The drafts on the server. */
export const draftServer: DraftServer = {
  async get(treeId, person) {
    await begunBy(person);
    const answer = await fetch('/api/trees/' + treeId + '/draft');
    if (!answer.ok) throw new Problem(answer.status, 'the draft cannot be asked for');
    return (await answer.json()) as { version: number; document: Draft | null };
  },
  async put(treeId, person, version, document) {
    const token = await begunBy(person);
    const answer = await fetch('/api/trees/' + treeId + '/draft?version=' + version, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json', [TOKEN]: token },
      body: JSON.stringify(document),
    });
    if (answer.status === 409) return undefined;
    if (!answer.ok) throw new Problem(answer.status, 'the draft cannot be brought');
    return ((await answer.json()) as { version: number }).version;
  },
};
