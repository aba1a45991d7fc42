import { fireEvent } from '@testing-library/react';
import { act } from 'react';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { type Day, lastChange } from '../api/client';
import { answers, asked, box, press, refusal, settle, show, takeDown } from '../testing/harness';
import { crewOf, moved, steppedTo } from './board';
import { CrewBoard } from './CrewBoard';
import { FillSeason } from './FillSeason';

const crews = [
  { people: [1, 2], turns: ['10', '11', '12'] },
  { people: [3], turns: ['13'] },
];
const tree = (id: number) => ({ kind: 'turn', id: String(id) }) as const;
const person = (id: number) => ({ kind: 'person', id }) as const;

describe('pieces on the board', () => {
  it('are moved into a crew, before a turn, into a new one, and out of all', () => {
    expect(moved(crews, person(1), 1)[1]!.people).toEqual([3, 1]);
    expect(moved(crews, tree(13), 0, '11')[0]!.turns).toEqual(['10', '13', '11', '12']);
    expect(moved(crews, tree(10), 2)).toHaveLength(3);
    expect(crewOf(moved(crews, tree(10), -1), tree(10))).toBe(-1);
    expect(moved(crews, tree(10), 0, '12')[0]!.turns).toEqual(['11', '10', '12']);
  });

  it('are stepped by arrow keys, and stay where there is no further', () => {
    expect(steppedTo(crews, tree(11), 'ArrowUp')![0]!.turns).toEqual(['11', '10', '12']);
    expect(steppedTo(crews, tree(11), 'ArrowDown')![0]!.turns).toEqual(['10', '12', '11']);
    expect(steppedTo(crews, tree(10), 'ArrowUp')).toBeUndefined();
    expect(steppedTo(crews, person(1), 'ArrowUp')).toBeUndefined();
    expect(crewOf(steppedTo(crews, person(3), 'ArrowLeft')!, person(3))).toBe(0);
    expect(crewOf(steppedTo(crews, person(3), 'ArrowRight')!, person(3))).toBe(2);
    expect(crewOf(steppedTo(crews, person(9), 'ArrowRight')!, person(9))).toBe(0);
    expect(crewOf(steppedTo(crews, person(9), 'ArrowLeft')!, person(9))).toBe(1);
    expect(steppedTo([], person(9), 'ArrowLeft')).toBeUndefined();
  });
});

const visit = (id: number, tag: string, more = {}) => ({
  id,
  treeId: id + 100,
  tag,
  species: 'apple',
  minutes: 40,
  tickets: ['pole-saw'],
  cuts: [{ limb: 'C', kind: 'remove', urgent: true, tickets: ['pole-saw'] }],
  shoots: 0,
  upkeepMinutes: 0,
  tasks: [],
  sick: false,
  logged: false,
  eastM: id,
  northM: 2 * id,
  spreadM: 4,
  ...more,
});
const day = {
  id: 3,
  siteId: 1,
  data: { on: '2027-03-06', starts: '09:30', ends: '13:30' },
  people: [
    { id: 1, name: 'Ada', tickets: ['lead'], maybeUnderAge: false },
    { id: 2, name: 'Bo', tickets: [], maybeUnderAge: true },
  ],
  visits: [visit(10, 'K-1'), visit(11, 'K-2', { sick: true })],
  tasks: [{ id: 7, title: 'Cut the hedge', minutes: 90, done: false, kit: [], eastM: 0, northM: 0 }],
} as unknown as Day;
const board = (more = {}) => ({
  version: 8,
  crews: [
    {
      crew: 1,
      leader: 1,
      people: [1],
      turns: [{ turn: 'visit-10', starts: '09:35', ends: '10:15' }],
    },
  ],
  people: [{ id: 1, hoursThisSeason: 6.4, skill: 3 }],
  bench: [2],
  unplaced: ['visit-11', 'task-7'],
  breaches: [
    { must: 'nobody-alone', text: 'Too few: nobody works alone.', crew: 1 },
    { must: 'ticket-in-the-crew', text: 'K-1 wants a pole saw ticket.', crew: 1, turn: 'visit-10' },
    { must: 'first-aider-on-the-day', text: 'Nobody at work that day knows first aid.' },
  ],
  clocked: true,
  ...more,
});
const part = (name: string) => box.querySelector<HTMLElement>(`[aria-label="${name}"]`)!;
const last = () => asked.filter((one) => one.method !== 'GET').at(-1)!;

afterEach(takeDown);

describe('the board of a day', () => {
  beforeEach(() => {
    answers.set('GET /api/days/{dayId}/crews', board());
    answers.set('PUT /api/days/{dayId}/crews', board({ version: 9, breaches: [] }));
  });

  it('shows crews by the clock with who leads, and says what breaks where it breaks', async () => {
    await show(<CrewBoard day={day} open />, '/', '/');
    const crew = part('Crew 1');
    expect(crew.textContent).toContain('Ada');
    expect(crew.textContent).toContain('6 h');
    expect(crew.textContent).toContain('09:35–10:15');
    expect(crew.textContent).toContain('Too few: nobody works alone.');
    expect(crew.querySelector('.tree-block.broken')).not.toBeNull();
    expect(part('In no crew').textContent).toContain('ground only');
    expect(part('In no crew').textContent).toContain('K-2');
    expect(part('In no crew').textContent).toContain('Cut the hedge');
    expect(box.querySelector('.breach')!.textContent).toContain('knows first aid');
  });

  it('moves by keys: shown at once, sent whole', async () => {
    await show(<CrewBoard day={day} open />, '/', '/');
    lastChange.tell(7);
    const bo = part('In no crew').querySelector<HTMLElement>('[data-piece="person-2"]')!;
    act(() => {
      fireEvent.keyDown(bo, { key: 'ArrowRight' });
    });
    expect(part('Crew 1').textContent).toContain('Bo');
    // What was saved before this is not offered to be undone in its stead.
    expect(lastChange.id).toBeUndefined();
    await settle();
    expect(last().body).toEqual({ version: 8, crews: [{ people: [1, 2], turns: ['visit-10'] }] });
    expect(document.activeElement?.getAttribute('data-piece')).toBe('person-2');
  });

  it('puts back what the server refuses, and says why', async () => {
    answers.set('PUT /api/days/{dayId}/crews', refusal('', 'Bo may be under 18'));
    await show(<CrewBoard day={day} open />, '/', '/');
    const bo = part('In no crew').querySelector<HTMLElement>('[data-piece="person-2"]')!;
    act(() => {
      fireEvent.keyDown(bo, { key: 'ArrowRight' });
    });
    await settle();
    expect(part('Crew 1').textContent).not.toContain('Bo');
    expect(box.textContent).toContain('Bo may be under 18');
  });

  it('is looked at by who does not lead, and not moved', async () => {
    await show(<CrewBoard day={day} open={false} />, '/', '/');
    expect([...box.querySelectorAll<HTMLButtonElement>('.person-chip')].every((one) => one.disabled)).toBe(
      true,
    );
    expect(box.textContent).not.toContain('Another crew');
  });
});

describe('the season filled', () => {
  const filled = (more = {}) => ({
    dayId: 3,
    on: '2027-03-06',
    starts: '09:30',
    ends: '13:30',
    roster: {
      crews: [
        {
          crew: 1,
          people: [
            { id: 1, name: 'Ada' },
            { id: 2, name: 'Bo' },
          ],
          turns: [
            { treeId: 4, tag: 'K-1', minutes: 40, starts: '09:35', ends: '10:00', urgent: false, leaves: [] },
          ],
        },
      ],
      left: [{ treeId: 5, tag: 'K-5', reasons: ['Hours ran out.'] }],
      leftOut: [{ id: 3, name: 'Cy' }],
      missing: ['first-aider'],
      idleMinutes: 0,
    },
    ...more,
  });

  it('says day by day who and what, what is wanting, and what found no place', async () => {
    answers.set('GET /api/sites/{siteId}/roster', {
      looking: false,
      days: [filled(), filled({ dayId: 4, on: '2027-03-13', roster: null })],
    });
    answers.set('POST /api/sites/{siteId}/roster/taken', { looking: false, days: [] });
    await show(<FillSeason siteId={1} />, '/', '/');
    expect(box.textContent).toMatch(/Ada and 1.*K-1.*no first aider; in no crew: Cy/);
    expect(box.textContent).toContain('K-5: Hours ran out.');
    await press('Take it over');
    expect(last().path).toContain('/roster/taken');
  });

  it('offers nothing where no day is planned', async () => {
    answers.set('GET /api/sites/{siteId}/roster', { looking: false, days: [] });
    await show(<FillSeason siteId={1} />, '/', '/');
    expect(box.textContent).toBe('');
  });
});
