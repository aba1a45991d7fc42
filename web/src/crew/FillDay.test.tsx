import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Day } from '../api/client';
import { answers, asked, box, press, settle, show, takeDown } from '../testing/harness';
import { FillDay } from './FillDay';
import { DayAction } from './dayQueries';

const turn = (treeId: number, starts: string, ends: string, more = {}) => ({
  treeId,
  tag: 'K-' + treeId,
  starts,
  ends,
  minutes: 60,
  urgent: false,
  leaves: [],
  ...more,
});
const roster = {
  crews: [
    {
      crew: 1,
      people: [
        { id: 1, name: 'Ada' },
        { id: 2, name: 'Bo' },
      ],
      turns: [
        turn(5, '09:35', '10:05', { visitId: 7, urgent: true }),
        turn(6, '10:12', '10:42', { leaves: ['C', 'D'] }),
      ],
    },
    {
      crew: 2,
      people: [
        { id: 3, name: 'Cy' },
        { id: 4, name: 'Di' },
      ],
      turns: [turn(8, '09:35', '10:05')],
    },
  ],
  left: [{ treeId: 9, tag: 'K-9', reasons: ['Hours ran out.'] }],
  leftOut: [{ id: 6, name: 'Ed' }],
  missing: [],
  idleMinutes: 30,
};
const day = {
  id: 3,
  siteId: 1,
  version: 8,
  data: { on: '2027-03-06', starts: '09:30', ends: '11:30' },
  visits: [],
  tasks: [],
} as unknown as Day;
const done: DayAction[] = [];
const open = () => show(<FillDay day={day} run={(action) => done.push(action)} busy={false} />);

beforeEach(() => {
  done.length = 0;
  answers.set('GET /api/days/{dayId}/roster', { begunAt: 'now', looking: false, roster });
  answers.set('POST /api/days/{dayId}/roster', { begunAt: 'now', looking: true });
  answers.set('POST /api/days/{dayId}/roster/stop', {});
  answers.set('DELETE /api/days/{dayId}/roster', null);
});
afterEach(takeDown);

describe('filling a day', () => {
  it('is asked for, and says from what', async () => {
    answers.set('GET /api/days/{dayId}/roster', { looking: false });
    await open();
    expect(box.textContent).toContain('What stands on the day stays;');
    await press('Propose crews and trees');
    expect(asked.some((one) => one.method === 'POST')).toBe(true);
  });

  it('shows crews with their leader, the clock, and who and what found no place', async () => {
    await open();
    const first = box.querySelector('[aria-label="Crew 1"]')!.textContent;
    expect(first).toContain('Ada leads, Bo');
    expect(first).toContain('09:35–10:05 K-5');
    expect(first).toContain('urgent');
    expect(first).toContain('without C, D: nobody holds the ticket');
    expect(first).toContain('new');
    expect(box.textContent).toContain('In no crew: Ed.');
    expect(box.querySelector('details')!.textContent).toContain('K-9: Hours ran out.');
    const bar = box.querySelector<HTMLElement>('.crew-hours span')!;
    expect(parseFloat(bar.style.left)).toBeCloseTo((5 / 120) * 100);
    expect(parseFloat(bar.style.width)).toBeCloseTo(25);
  });

  it('is taken over whole, or a crew alone', async () => {
    await open();
    await press('Take it over');
    [...box.querySelectorAll('button')].filter((one) => one.textContent === 'Take this crew')[1]!.click();
    await settle();
    expect(done).toEqual([
      { do: 'take-over', crews: [1, 2] },
      { do: 'take-over', crews: [2] },
    ]);
  });

  it('changes nothing while it is still being bettered', async () => {
    answers.set('GET /api/days/{dayId}/roster', { begunAt: 'now', looking: true, roster });
    await open();
    expect(box.textContent).toContain('Looking for better…');
    const take = [...box.querySelectorAll('button')].find((one) => one.textContent === 'Take it over')!;
    expect(take.disabled).toBe(true);
    await press('Good enough');
    expect(asked.some((one) => one.path.endsWith('/stop'))).toBe(true);
  });

  it('says what is missing before anybody works', async () => {
    answers.set('GET /api/days/{dayId}/roster', {
      begunAt: 'now',
      looking: false,
      roster: { ...roster, crews: [], missing: ['leader', 'first-aider'] },
    });
    await open();
    expect(box.querySelectorAll('.alert-warning')).toHaveLength(2);
    expect(box.textContent).not.toContain('Take it over');
  });
});
