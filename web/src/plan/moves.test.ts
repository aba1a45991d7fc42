import { describe, expect, it } from 'vitest';
import type { Judgement, Lane, Time } from '../api/client';
import { givenBack, moved, rows, stepped } from './moves';

const time = (year: number, season: string, quality?: string): Time => ({
  year,
  yearLabel: String(year),
  season,
  quality,
  opens: year + (season === 'summer' ? '-08-01' : '-02-01'),
  closes: year + '-12-01',
});
const lane = (year: number, season: string, quality?: string) =>
  ({ ...time(year, season, quality), window: time(year, season), cuts: [] }) as unknown as Lane;
const judgement = {
  evaluation: { plan: [lane(2027, 'any'), lane(2027, 'dormant', 'best'), lane(2028, 'dormant', 'best')] },
  times: [2027, 2028, 2029, 2030].flatMap((year) => [
    time(year, 'any'),
    time(year, 'dormant', 'best'),
    time(year, 'summer', 'with-care'),
  ]),
} as unknown as Judgement;

describe('moving cuts', () => {
  it('replaces where a cut was moved to before', () => {
    const once = moved([], { limb: 'A', kind: 'remove' }, time(2028, 'dormant', 'best'));
    const twice = moved(once, { limb: 'A', kind: 'remove' }, time(2029, 'dormant', 'best'));
    expect(twice).toEqual([{ limb: 'A', kind: 'remove', year: 2029, season: 'dormant', quality: 'best' }]);
    expect(moved(twice, { limb: 'A', kind: 'shorten' }, time(2028, 'any'))).toHaveLength(2);
    expect(givenBack(twice, { limb: 'A', kind: 'remove' })).toEqual([]);
  });

  it('offers below the plan every other time up to a year after it while a cut is moved', () => {
    expect(rows(judgement, false).map((row) => row.key)).toEqual([
      '2027|any|',
      '2027|dormant|best',
      '2028|dormant|best',
    ]);
    expect(rows(judgement, true).map((row) => row.key)).toEqual([
      '2027|any|',
      '2027|dormant|best',
      '2028|dormant|best',
      '2027|summer|with-care',
      '2028|any|',
      '2028|summer|with-care',
      '2029|any|',
      '2029|dormant|best',
      '2029|summer|with-care',
    ]);
  });

  it('steps from main window to main window', () => {
    expect(stepped(judgement, lane(2027, 'dormant', 'best'), 1)?.year).toBe(2028);
    expect(stepped(judgement, lane(2027, 'any'), 1)?.season).toBe('dormant');
    expect(stepped(judgement, lane(2027, 'dormant', 'best'), -1)).toBeUndefined();
  });
});
