import { describe, expect, it } from 'vitest';
import type { TreeSheet } from '../api/client';
import { begin, emptyCut, keep, kept, letGo, missing, toSend } from './entry';

const sheet = {
  on: '2027-03-06',
  minutes: 40,
  shoots: 12,
  cuts: [{ limb: 'C' }, { limb: 'D' }],
} as unknown as TreeSheet;

describe('an entry of a log', () => {
  it('says what is missing until everything is said', () => {
    const entry = begin(sheet, []);
    expect(missing(entry)).toEqual(['Say what became of C, D.', 'Say who did it.']);
    const done = {
      ...entry,
      people: [1],
      cuts: entry.cuts.map((cut) => ({ ...cut, outcome: 'done', wood: 'sound' })),
    };
    expect(missing(done)).toEqual([]);
    const other = { ...done, cuts: [{ ...emptyCut('C'), outcome: 'other', kind: 'shorten' }] };
    expect(missing(other)).toEqual(['Say how far from its base C was shortened.']);
  });

  it('sends of a cut only what belongs to its outcome', () => {
    const entry = begin(sheet, [1]);
    entry.cuts[0] = { ...emptyCut('C'), outcome: 'not-done', wood: 'soft', note: ' wasps ' };
    entry.cuts[1] = {
      ...emptyCut('D'),
      outcome: 'other',
      kind: 'shorten',
      alongM: '1,2',
      wood: 'hollow',
      hollowCm: '3',
    };
    const sent = toSend(entry);
    expect(sent.cuts[0]).toMatchObject({ limb: 'C', outcome: 'not-done', wood: undefined, note: 'wasps' });
    expect(sent.cuts[1]).toMatchObject({ kind: 'shorten', alongM: 1.2, wood: 'hollow', hollowCm: 3 });
    expect(sent.key).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
  });

  it('is kept with its key until it is sent, so that sending twice keeps one', () => {
    const entry = begin(sheet, [1]);
    keep(7, undefined, entry);
    expect(kept(7)?.key).toBe(entry.key);
    expect(kept(7, 3)).toBeUndefined();
    letGo(7);
    expect(kept(7)).toBeUndefined();
  });
});
