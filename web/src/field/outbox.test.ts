import { describe, expect, it } from 'vitest';
import { type Item, MOST_FAILURES, type NewItem, Outbox, type Send, type Shelf } from './outbox';

/** A phone's disk that can be cut off in the middle: what was not done by then never happened. */
class Disk implements Shelf {
  items = new Map<string, Item>();
  /** Writes left before the phone goes off; undefined for ever. */
  writesLeft?: number;

  private async write(what: () => void) {
    await Promise.resolve();
    if (this.writesLeft !== undefined && this.writesLeft-- <= 0) throw new Error('the phone went off');
    what();
  }
  all = async () => structuredClone([...this.items.values()]);
  get = async (key: string) => structuredClone(this.items.get(key));
  put = (item: Item) => this.write(() => void this.items.set(item.key, structuredClone(item)));
  drop = (key: string) => this.write(() => void this.items.delete(key));
}

const ME = '1';
const note = (line: string, text: string, key?: string): NewItem => ({
  key,
  line,
  kind: 'note',
  siteId: 1,
  about: line,
  person: '1',
  method: 'POST',
  path: '/x',
  body: text,
});

const answer = (status: number, more: object = {}) => ({
  status,
  refusal: { status, detail: 'because', errors: [], ...more },
});
const always =
  (status: number, more?: object): Send =>
  () =>
    Promise.resolve(answer(status, more));
const states = async (outbox: Outbox) =>
  Object.fromEntries((await outbox.list()).map((item) => [item.body ?? item.about, item.state]));

describe('the outbox', () => {
  it('sends in the order of entering and lists what was sent without its content', async () => {
    const outbox = new Outbox(new Disk());
    const sent: unknown[] = [];
    for (const text of ['a', 'b', 'c']) await outbox.add(note('t', text));
    const round = await outbox.round((item) => {
      sent.push(item.body);
      return Promise.resolve(answer(201));
    }, ME);
    expect(sent).toEqual(['a', 'b', 'c']);
    expect(round).toEqual({ taken: 3, stopped: false });
    expect((await outbox.list()).every((item) => item.state === 'sent' && item.body === undefined)).toBe(
      true,
    );
  });

  it.each([401, 408, 413, 429, 502, 503, 504])('keeps what is answered with %i and stops', async (status) => {
    const outbox = new Outbox(new Disk());
    await outbox.add(note('t', 'a'));
    await outbox.add(note('u', 'b'));
    let asked = 0;
    const round = await outbox.round(() => (asked++, Promise.resolve(answer(status))), ME);
    expect(asked).toBe(1);
    expect(round.stopped).toBe(true);
    expect(await states(outbox)).toEqual({ a: 'kept', b: 'kept' });
  });

  it.each([
    [400, {}, 'held'],
    [404, {}, 'held'],
    [422, {}, 'held'],
    [409, { conflict: 'key-used' }, 'held'],
    [409, { conflict: 'stale' }, 'clash'],
    [409, { conflict: 'logged' }, 'clash'],
  ])('holds what is refused with %i %o, with why, and goes on', async (status, more, state) => {
    const outbox = new Outbox(new Disk());
    await outbox.add(note('t', 'a'));
    await outbox.add(note('t', 'b'));
    await outbox.round((item) => Promise.resolve(item.body === 'a' ? answer(status, more) : answer(201)), ME);
    const [first, second] = await outbox.list();
    expect(first).toMatchObject({ state, refusal: { detail: 'because' } });
    expect(second).toMatchObject({ state: 'sent' });
    // It is not sent again by itself.
    await outbox.round(() => Promise.reject(new Error('nobody asks')), ME);
  });

  it('sets aside what the server fails on three times, and only holds up its own line before', async () => {
    let now = 0;
    const outbox = new Outbox(new Disk(), () => now);
    await outbox.add(note('t', 'bad'));
    await outbox.add(note('t', 'behind'));
    await outbox.add(note('u', 'beside'));
    const send: Send = (item) => Promise.resolve(answer(item.body === 'bad' ? 500 : 201));
    await outbox.round(send, ME);
    expect(await states(outbox)).toMatchObject({ bad: 'kept', behind: 'kept', u: 'sent' });
    for (let i = 1; i < MOST_FAILURES; i++) {
      now += 60_000;
      await outbox.round(send, ME);
    }
    expect(await states(outbox)).toMatchObject({ bad: 'kept', t: 'sent' });
    now += 60 * 60_000;
    await outbox.round(always(201), ME);
    expect((await outbox.list()).every((item) => item.state === 'sent')).toBe(true);
  });

  it('waits as long as the server asks', async () => {
    let now = 1_000;
    const outbox = new Outbox(new Disk(), () => now);
    await outbox.add(note('t', 'a'));
    const round = await outbox.round(() => Promise.resolve({ ...answer(503), retryAfterS: 30 }), ME);
    expect(round.againInMs).toBe(30_000);
    let asked = 0;
    const count: Send = () => (asked++, Promise.resolve(answer(201)));
    await outbox.round(count, ME);
    expect(asked).toBe(0);
    now += 30_000;
    await outbox.round(count, ME);
    expect(asked).toBe(1);
  });

  it('says that it is kept only once it is on the disk', async () => {
    const disk = new Disk();
    const outbox = new Outbox(disk);
    disk.writesLeft = 0;
    await expect(outbox.add(note('t', 'a'))).rejects.toThrow();
    expect(disk.items.size).toBe(0);
  });

  it('puts what says the same thing anew in place of what waits', async () => {
    const outbox = new Outbox(new Disk());
    await outbox.add(note('t', '12 kg'));
    await outbox.add(note('t', '13 kg'), (other) => other.line === 't');
    expect(await states(outbox)).toEqual({ '13 kg': 'kept' });
  });
});

/** The same sequence of chances every time. */
function chance(seed: number) {
  let state = seed;
  return (below: number) => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
}

describe('whatever happens on the way', { timeout: 60_000 }, () => {
  it('the server holds at the end what was entered, once and in order', async () => {
    for (let seed = 1; seed <= 120; seed++) {
      const next = chance(seed);
      let now = 0;
      const disk = new Disk();
      const server = { kept: [] as { key: string; line: string; text: unknown }[], mood: 'up' as string };
      const entered: { line: string; text: string; refused: boolean }[] = [];
      let outbox = new Outbox(disk, () => now);
      const send: Send = (item) => {
        if (server.mood === 'offline') return Promise.reject(new TypeError('no connection'));
        if (server.mood === 'away') return Promise.resolve(answer(503));
        if (server.mood === 'failing' && next(2)) return Promise.resolve(answer(500));
        if (String(item.body).startsWith('bad')) return Promise.resolve(answer(422));
        if (!server.kept.some((one) => one.key === item.key))
          server.kept.push({ key: item.key, line: item.line, text: item.body });
        // Kept, and the answer never heard.
        if (server.mood === 'deaf' && next(2)) return Promise.reject(new TypeError('cut off'));
        return Promise.resolve(answer(201));
      };
      for (let step = 0; step < 60; step++) {
        now += next(20_000);
        const what = next(10);
        if (what < 4) {
          const refused = next(8) === 0;
          const line = 'tree-' + next(3);
          const text = (refused ? 'bad ' : 'good ') + seed + '-' + step;
          const added = await outbox.add(note(line, text)).then(
            () => true,
            () => false,
          );
          if (added) entered.push({ line, text, refused });
        } else if (what < 7) await outbox.round(send, ME).catch(() => undefined);
        else if (what === 7) server.mood = ['up', 'offline', 'away', 'failing', 'deaf'][next(5)]!;
        else {
          // The phone goes off in the middle of whatever it does, and on again.
          disk.writesLeft = next(3);
          await outbox.round(send, ME).catch(() => undefined);
          disk.writesLeft = undefined;
          outbox = new Outbox(disk, () => now);
        }
      }
      server.mood = 'up';
      for (let round = 0; round < 6; round++) {
        now += 60 * 60_000;
        await outbox.round(send, ME);
      }
      const good = entered.filter((one) => !one.refused);
      expect(server.kept.map((one) => one.text).sort(), 'seed ' + seed).toEqual(
        good.map((one) => one.text).sort(),
      );
      const held = (await outbox.list()).filter((item) => item.state === 'held').map((item) => item.body);
      expect(held, 'seed ' + seed).toEqual(entered.filter((one) => one.refused).map((one) => one.text));
    }
  });

  it('keeps the order of each tree as long as the server takes what it is sent', async () => {
    for (let seed = 1; seed <= 50; seed++) {
      const next = chance(seed);
      const disk = new Disk();
      const outbox = new Outbox(disk);
      const kept: { line: string; text: unknown }[] = [];
      const seen = new Set<string>();
      let up = true;
      const send: Send = (item) => {
        if (!up) return Promise.reject(new TypeError('no connection'));
        if (!seen.has(item.key)) kept.push({ line: item.line, text: item.body });
        seen.add(item.key);
        return next(4) === 0 ? Promise.reject(new TypeError('cut off')) : Promise.resolve(answer(201));
      };
      const entered: { line: string; text: string }[] = [];
      for (let step = 0; step < 40; step++) {
        up = next(3) > 0;
        if (next(2)) {
          const one = { line: 'tree-' + next(3), text: String(step) };
          await outbox.add(note(one.line, one.text));
          entered.push(one);
        } else await outbox.round(send, ME);
      }
      up = true;
      for (let round = 0; round < 40; round++) await outbox.round(send, ME);
      for (const line of ['tree-0', 'tree-1', 'tree-2'])
        expect(kept.filter((one) => one.line === line)).toEqual(entered.filter((one) => one.line === line));
    }
  });
});
