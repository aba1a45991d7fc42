import { describe, expect, it } from 'vitest';
import type { Draft } from './kept';
import {
  bringDraft,
  content,
  type DraftServer,
  type DraftShelf,
  findDraft,
  type KeptDraft,
  type ThereDraft,
} from './drafts';

const draft = (heightM: number, more: Partial<Draft> = {}): Draft => ({
  surveyedOn: '2027-02-20',
  tree: { heightM },
  limbs: [],
  surroundings: [],
  ...more,
});
const begun = { treeId: 7, siteId: 1, tag: 'K-1', person: '3', basedOn: 0 };

class Phone implements DraftShelf {
  kept?: KeptDraft;
  draft = async () => structuredClone(this.kept);
  async changeDraft(_: number, make: (now: KeptDraft | undefined) => KeptDraft | undefined) {
    await Promise.resolve();
    const next = make(structuredClone(this.kept));
    if (next) this.kept = structuredClone(next);
  }
  /** What somebody types. */
  enter(next: Draft) {
    this.kept = {
      ...(this.kept ?? { ...begun, version: 0 }),
      draft: next,
      changed: true,
    };
  }
}

class Server implements DraftServer {
  there: ThereDraft = { version: 0, document: null };
  reach: 'up' | 'offline' | 'deaf' = 'up';
  async get() {
    await Promise.resolve();
    if (this.reach === 'offline') throw new TypeError('no connection');
    return structuredClone(this.there);
  }
  async put(_: number, __: string | null, version: number, document: Draft) {
    await Promise.resolve();
    if (this.reach === 'offline') throw new TypeError('no connection');
    if (this.there.document && this.there.version !== version) return undefined;
    this.there = { version: this.there.version + 1, document: structuredClone(document) };
    if (this.reach === 'deaf') throw new TypeError('cut off');
    return this.there.version;
  }
}

describe('a draft on phone and server', () => {
  it('stays on the phone once the server has it, and is found there without signal', async () => {
    const [phone, server] = [new Phone(), new Server()];
    phone.enter(draft(5));
    await bringDraft(phone, server, 7);
    expect(server.there.version).toBe(1);
    server.reach = 'offline';
    expect((await findDraft(phone, server, begun)).kept?.draft.tree.heightM).toBe(5);
  });

  it('comes from the server to a phone that has none, with the step and limb one was at', async () => {
    const [phone, server] = [new Phone(), new Server()];
    server.there = { version: 4, document: draft(6, { 'x-at': { step: 4, limb: 'C' } }) };
    const found = await findDraft(phone, server, begun);
    expect(found.kept).toMatchObject({ version: 4, changed: false });
    expect(found.kept!.draft['x-at']).toEqual({ step: 4, limb: 'C' });
    expect(phone.kept).toBeDefined();
  });

  it('takes the newer where the other has nothing of its own', async () => {
    const [phone, server] = [new Phone(), new Server()];
    phone.enter(draft(5));
    await bringDraft(phone, server, 7);
    server.there = { version: 2, document: draft(5.5) };
    expect((await findDraft(phone, server, begun)).kept).toMatchObject({
      version: 2,
      draft: { tree: { heightM: 5.5 } },
    });
  });

  it('shows both where each has something of its own, and loses neither', async () => {
    const [phone, server] = [new Phone(), new Server()];
    phone.enter(draft(5));
    await bringDraft(phone, server, 7);
    server.there = { version: 2, document: draft(5.5) };
    phone.enter(draft(4.5));
    const found = await findDraft(phone, server, begun);
    expect(found.two?.here.draft.tree.heightM).toBe(4.5);
    expect(found.two?.there.document.tree.heightM).toBe(5.5);
    expect((await bringDraft(phone, server, 7))?.two).toBeDefined();
    expect(server.there.document?.tree.heightM).toBe(5.5);
    expect(phone.kept?.draft.tree.heightM).toBe(4.5);
  });

  it('knows its own again when the answer was never heard', async () => {
    const [phone, server] = [new Phone(), new Server()];
    phone.enter(draft(5));
    server.reach = 'deaf';
    expect(await bringDraft(phone, server, 7)).toBeUndefined();
    phone.enter(draft(5.2));
    server.reach = 'up';
    expect((await bringDraft(phone, server, 7))?.two).toBeUndefined();
    await bringDraft(phone, server, 7);
    expect(server.there.document?.tree.heightM).toBe(5.2);
  });

  it('is one figure typed without signal that does not hide ten limbs entered before', async () => {
    const [phone, server] = [new Phone(), new Server()];
    const ten = Array.from({ length: 10 }, (_, i) => ({ id: String.fromCharCode(65 + i) }));
    server.there = { version: 9, document: draft(5, { limbs: ten }) };
    server.reach = 'offline';
    expect((await findDraft(phone, server, begun)).kept).toBeUndefined();
    phone.enter(draft(4));
    server.reach = 'up';
    const found = await findDraft(phone, server, begun);
    expect(found.two?.there.document.limbs).toHaveLength(10);
    await bringDraft(phone, server, 7);
    expect(server.there.document?.limbs).toHaveLength(10);
  });

  it('takes a place in the walk for no change of what was entered', () => {
    expect(content(draft(5, { 'x-at': { step: 3 } }))).toBe(content(draft(5)));
    expect(
      content(draft(5, { 'x-open': { A: { start: {}, limb: {}, isNew: true, tagged: false } } })),
    ).not.toBe(content(draft(5)));
  });

  it('ends with what was entered last on the one phone, whatever happens to the signal', async () => {
    let state = 7;
    const next = (below: number) =>
      Math.floor(((state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32) * below);
    for (let run = 0; run < 200; run++) {
      const [phone, server] = [new Phone(), new Server()];
      let last: number | undefined;
      for (let step = 0; step < 30; step++) {
        const what = next(5);
        if (what < 2) phone.enter(draft((last = step)));
        else if (what === 2) server.reach = (['up', 'offline', 'deaf'] as const)[next(3)]!;
        else if (what === 3) expect((await bringDraft(phone, server, 7))?.two).toBeUndefined();
        else expect((await findDraft(phone, server, begun)).two).toBeUndefined();
        expect(phone.kept?.draft.tree.heightM).toBe(last);
      }
      server.reach = 'up';
      for (let i = 0; i < 3; i++) await bringDraft(phone, server, 7);
      expect(server.there.document?.tree.heightM).toBe(last);
    }
  });
});
