import { describe, expect, it } from 'vitest';
import type { DaySummary } from '../api/client';
import { wantedDays } from './takeAlong';

const day = (on: string, more: Partial<DaySummary> = {}) =>
  ({ id: Number(on.replaceAll('-', '')), on, state: 'planned', trees: 3, logged: 0, ...more }) as DaySummary;

describe('the days whose sheets are taken along', () => {
  it('are those to come and those not all logged, the nearest six, in order', () => {
    const days = [
      day('2027-05-01'),
      day('2027-02-20'),
      day('2027-02-13', { logged: 3 }),
      day('2027-02-06', { logged: 1 }),
      day('2027-02-27', { state: 'rained-off' }),
      day('2027-03-06', { state: 'called-off' }),
      ...['2027-03-13', '2027-03-20', '2027-03-27', '2027-04-03', '2027-04-10'].map((on) => day(on)),
    ];
    expect(wantedDays(days, '2027-02-20').map((one) => one.on)).toEqual([
      '2027-02-06',
      '2027-02-20',
      '2027-03-13',
      '2027-03-20',
      '2027-03-27',
      '2027-04-03',
    ]);
  });
});
