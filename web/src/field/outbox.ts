import type { FieldProblem } from '../api/client';

/**
 * What is entered outdoors, on its way to the server: kept on the phone first, sent in order for each tree, kept there once
 * however often it is sent. Nothing in here knows of a browser; what keeps it and what sends it are handed in.
 */

export type Kind =
  | 'survey'
  | 'log'
  | 'report'
  | 'fruit'
  | 'look'
  | 'picking'
  | 'disease'
  | 'photo'
  | 'stage'
  | 'note'
  | 'attendance'
  | 'first-list'
  | 'incident'
  | 'task'
  | 'thrown-away';

/** kept: waits; sending: on its way, or was when the phone went off; held: refused; clash: another one is there. */
export type State = 'kept' | 'sending' | 'sent' | 'held' | 'clash';

/** Why something was not taken. */
export interface Refusal {
  status: number;
  detail: string;
  errors: FieldProblem[];
  /** Why it is in conflict: stale, logged or key-used. */
  conflict?: string;
}

/** Something to be sent. */
export interface Item {
  /** The server keeps what comes under it once. */
  key: string;
  /** In which order it was entered on this phone. */
  order: number;
  /** What of one line is sent in order; what waits in one line holds up no other. */
  line: string;
  kind: Kind;
  siteId: number;
  treeId?: number;
  visitId?: number;
  dayId?: number;
  /** For people: a tree's tag, a day. */
  about: string;
  person: string | null;
  madeAt: string;
  method: 'POST' | 'PUT' | 'DELETE';
  path: string;
  body?: unknown;
  picture?: Blob;
  /** As it stood in its form, so that it can be taken up again there. */
  form?: unknown;
  state: State;
  /** How often the server failed on it. */
  failed: number;
  /** Not before this time, ms; set where the server failed or asked for patience. */
  notBefore: number;
  refusal?: Refusal;
  sentAt?: string;
}

export type NewItem = Omit<Item, 'key' | 'order' | 'madeAt' | 'state' | 'failed' | 'notBefore'> & {
  key?: string;
};

/** Where items lie; each call is done when what it says is on the disk. */
export interface Shelf {
  all(): Promise<Item[]>;
  get(key: string): Promise<Item | undefined>;
  put(item: Item): Promise<void>;
  drop(key: string): Promise<void>;
}

/** How a request ended; a promise that fails stands for no connection. */
export type Send = (item: Item) => Promise<{ status: number; refusal: Refusal; retryAfterS?: number }>;

/** How a round ended. */
export interface Round {
  taken: number;
  /** Whether the round was cut short: no connection, or the server asked for patience. */
  stopped: boolean;
  /** When it makes sense to try again, ms from now; undefined when nothing waits. */
  againInMs?: number;
}

/** After so many failures of the server something is set aside, so that it holds up nothing behind it. */
export const MOST_FAILURES = 3;
const SET_ASIDE_MS = 15 * 60_000;
const SOON_MS = 5_000;
const SENT_KEPT = 60;
const AWAY = [502, 503, 504];
const PATIENCE = [401, 408, 413, 425, 429];
/** What a server says to a page that is older than its token: the next round brings a new one. */
const NO_TOKEN = 'no-token';

/** 128 random bits as RFC 9562 writes them; the page need not be served over HTTPS for it. */
export function randomKey(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  bytes[6] = (bytes[6]! & 0x0f) | 0x40;
  bytes[8] = (bytes[8]! & 0x3f) | 0x80;
  const hex = [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
  return hex.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5');
}

const inOrder = (one: Item, other: Item) => one.order - other.order;

/** Whether it still wants the server or somebody's decision. */
export const open = (item: Item) => item.state !== 'sent';

/** Whether somebody has to look at it. */
export const wantsLook = (item: Item) => item.state === 'held' || item.state === 'clash';

export class Outbox {
  constructor(
    private readonly shelf: Shelf,
    private readonly now: () => number = Date.now,
  ) {}

  /** Everything, in the order it was entered. */
  async list(): Promise<Item[]> {
    return (await this.shelf.all()).sort(inOrder);
  }

  get(key: string) {
    return this.shelf.get(key);
  }

  /**
   * Keeps something to be sent. It is on the disk when this is done; until then nobody is told that it is kept.
   *
   * @param instead of what waits already and says the same thing: it goes
   */
  async add(item: NewItem, instead: (other: Item) => boolean = () => false): Promise<Item> {
    const all = await this.list();
    const added: Item = {
      ...item,
      key: item.key ?? randomKey(),
      order: Math.max(0, ...all.map((one) => one.order)) + 1,
      madeAt: new Date(this.now()).toISOString(),
      state: 'kept',
      failed: 0,
      notBefore: 0,
    };
    await this.shelf.put(added);
    for (const other of all)
      if (other.state !== 'sending' && open(other) && other.key !== added.key && instead(other))
        await this.shelf.drop(other.key);
    return added;
  }

  /** Has something tried again as soon as can be. */
  async retry(key: string): Promise<void> {
    const item = await this.shelf.get(key);
    if (item && open(item))
      await this.shelf.put({ ...item, state: 'kept', failed: 0, notBefore: 0, refusal: undefined });
  }

  /** Lets go of something. */
  drop(key: string): Promise<void> {
    return this.shelf.drop(key);
  }

  /**
   * Sends what waits, in order for each line. What is held or set aside holds up nothing else, and what others entered
   * waits for them.
   *
   * @param person who is signed in; undefined when nobody is: then nothing is sent
   */
  async round(send: Send, person: string | undefined): Promise<Round> {
    if (person === undefined) return this.ended(0, true);
    let taken = 0;
    const waits = new Set<string>();
    for (const { key } of (await this.list()).filter(open)) {
      // Looked at anew: another tab may have sent it meanwhile, or somebody taken it back.
      const item = await this.shelf.get(key);
      if (!item || !open(item) || wantsLook(item) || waits.has(item.line)) continue;
      if (item.person !== null && item.person !== person) continue;
      if (item.notBefore > this.now()) {
        if (item.failed < MOST_FAILURES) waits.add(item.line);
        continue;
      }
      await this.shelf.put({ ...item, state: 'sending' });
      let answer;
      try {
        answer = await send(item);
      } catch {
        await this.shelf.put({ ...item, state: 'kept' });
        return this.ended(taken, true);
      }
      const { status } = answer;
      if (status >= 200 && status < 300) {
        await this.sent(item);
        taken++;
      } else if (AWAY.includes(status) || PATIENCE.includes(status) || answer.refusal.conflict === NO_TOKEN) {
        const waitMs = (answer.retryAfterS ?? 0) * 1000;
        await this.shelf.put({
          ...item,
          state: 'kept',
          notBefore: waitMs ? this.now() + waitMs : 0,
          refusal: AWAY.includes(status) ? undefined : answer.refusal,
        });
        return this.ended(taken, true);
      } else if (status >= 500) {
        const failed = item.failed + 1;
        const aside = failed >= MOST_FAILURES;
        await this.shelf.put({
          ...item,
          state: 'kept',
          failed,
          notBefore: this.now() + (aside ? SET_ASIDE_MS : SOON_MS * failed),
          refusal: answer.refusal,
        });
        if (!aside) waits.add(item.line);
      } else {
        const another = answer.refusal.conflict === 'stale' || answer.refusal.conflict === 'logged';
        await this.shelf.put({
          ...item,
          state: status === 409 && another ? 'clash' : 'held',
          refusal: answer.refusal,
        });
      }
    }
    return this.ended(taken, false);
  }

  /** What was sent is listed a while longer, without its content. */
  private async sent(item: Item): Promise<void> {
    await this.shelf.put({
      ...item,
      state: 'sent',
      sentAt: new Date(this.now()).toISOString(),
      body: undefined,
      picture: undefined,
      form: undefined,
      refusal: undefined,
    });
    const before = (await this.list()).filter((one) => !open(one));
    for (const old of before.slice(0, Math.max(0, before.length - SENT_KEPT))) await this.shelf.drop(old.key);
  }

  private async ended(taken: number, stopped: boolean): Promise<Round> {
    const waiting = (await this.shelf.all()).filter((one) => open(one) && !wantsLook(one));
    if (waiting.length === 0) return { taken, stopped };
    const first = Math.min(...waiting.map((one) => one.notBefore));
    return { taken, stopped, againInMs: Math.max(SOON_MS, first - this.now()) };
  }
}
