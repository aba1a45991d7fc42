import { describe, expect, it } from 'vitest';
import type { TreeSheet } from '../api/client';
import { begin, emptyCut, missing, startClock, stopClock, toSend, withPeople } from './entry';

const sheet = {
  on: '2027-03-06',
  minutes: 40,
  shoots: 12,
  cuts: [{ limb: 'C' }, { limb: 'D' }],
} as unknown as TreeSheet;

describe('an entry of a log', () => {
  it('says what is missing until everything is said', () => {
    const entry = begin(sheet, []);
    expect(missing(entry)).toEqual([
      'Say what became of C, D.',
      'Say who did it.',
      'Give the person-minutes.',
    ]);
    const done = {
      ...entry,
      people: [1],
      minutes: '40',
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

  it('drops nothing that is no number', () => {
    const entry = { ...begin(sheet, [1]), minutes: 'forty', shoots: '1o' };
    entry.cuts = [
      { ...emptyCut('C'), outcome: 'done', wood: 'hollow', hollowCm: 'two', faceCm: '6,5' },
      { ...emptyCut('D'), outcome: 'other', kind: 'shorten', alongM: 'x' },
    ];
    expect(missing(entry)).toEqual([
      'What stands for person-minutes is no number; give one such as 12 or 1.5.',
      'What stands for shoots is no number; give one such as 12 or 1.5.',
      'The hollow of C is no number; give one such as 12 or 1.5.',
      'Where D was shortened is no number; give one such as 12 or 1.5.',
    ]);
    expect(toSend({ ...entry, minutes: '40' }).cuts[0]).toMatchObject({ diameterCm: 6.5 });
  });

  it('counts minutes by start and stop, over a pause', () => {
    const minute = 60_000;
    let entry = { ...begin(sheet, [1]), ...startClock(0) };
    expect(missing(entry)).toContain('Stop the clock, or give the person-minutes.');
    entry = { ...entry, ...stopClock(entry, 20 * minute) };
    expect(entry.minutes).toBe('20');
    entry = { ...entry, ...startClock(50 * minute) };
    entry = { ...entry, ...stopClock(entry, 61 * minute) };
    expect(entry.minutes).toBe('31');
  });

  it('counts the minutes of the clock for each who is at it, those that were typed once', () => {
    let entry = { ...begin(sheet, [1, 2]), ...startClock(0) };
    entry = { ...entry, ...stopClock(entry, 20 * 60_000) };
    expect(entry.minutes).toBe('40');
    entry = { ...entry, ...withPeople(entry, [1, 2, 3]) };
    expect(entry.people).toEqual([1, 2, 3]);
    expect(entry.minutes).toBe('60');
    const typed = { ...begin(sheet, [1]), minutes: '45' };
    expect(withPeople(typed, [1, 2])).toEqual({ people: [1, 2] });
  });
});
