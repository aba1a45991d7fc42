import { waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Attendance, Day, TreeSheet } from '../api/client';
import type { Entry } from '../field/kept';
import type { Item } from '../field/outbox';
import { answers, asked, box, EVERYWHERE, press, show, takeDown, type } from '../testing/harness';
import { LogDay } from './LogPicker';
import { sidesOf } from './sides';
import { presenceOf } from './WhoIsThere';

const cut = (limb: string, heightM: number) => ({ limb, heightM });
const sheet = {
  cuts: [cut('A', 1), cut('B', 2), cut('C', 3)],
  drawing: {
    limbs: [
      { id: 'A', azimuthDeg: 350 },
      { id: 'B', azimuthDeg: 95 },
      { id: 'C', azimuthDeg: 180 },
    ],
  },
} as unknown as TreeSheet;
const entry = (...said: string[]) =>
  ({
    cuts: sheet.cuts.map((one) => ({ limb: one.limb, outcome: said.includes(one.limb) ? 'done' : '' })),
  }) as unknown as Entry;

describe('a tree left half done', () => {
  it('is parted by side and by tier, of what nothing was said of', () => {
    const sides = sidesOf(sheet, entry());
    expect(Object.fromEntries(sides.map((side) => [side.name, side.limbs]))).toEqual({
      'all the rest': ['A', 'B', 'C'],
      'north side': ['A'],
      'east side': ['B'],
      'south side': ['C'],
      'upper tier': ['B', 'C'],
      'lower tier': ['A'],
    });
    expect(sidesOf(sheet, entry('A'))[0]!.limbs).toEqual(['B', 'C']);
    expect(sidesOf(sheet, entry('A', 'B'))).toEqual([]);
  });
});

describe('who is there', () => {
  const kept = [{ personId: 1, name: 'Ada', cameAt: '2027-02-20T09:30:00Z' }] as Attendance[];
  const waits = (step: string, at: string) => ({ body: { personId: 1, step, at } }) as unknown as Item;

  it('is what the server knows and what waits on this phone', () => {
    expect(presenceOf(1, kept, [])).toEqual({ cameAt: '2027-02-20T09:30:00Z' });
    expect(presenceOf(1, kept, [waits('went', '2027-02-20T12:00:00Z')]).wentAt).toBe('2027-02-20T12:00:00Z');
    const again = presenceOf(1, kept, [
      waits('went', '2027-02-20T12:00:00Z'),
      waits('came', '2027-02-20T13:00:00Z'),
    ]);
    expect(again).toEqual({ cameAt: '2027-02-20T13:00:00Z' });
    expect(presenceOf(2, kept, [])).toEqual({});
  });
});

describe('a day while it runs', () => {
  const day = {
    id: 3,
    version: 4,
    siteId: 1,
    data: { on: '2027-02-20', starts: '09:30', ends: '13:30', shed: {} },
    state: 'confirmed',
    past: false,
    people: [
      { id: 1, name: 'Ada Leads', tickets: ['lead'], maybeUnderAge: false, canCome: true, minutes: 0 },
    ],
    visits: [
      {
        id: 5,
        treeId: 9,
        tag: 'K-1',
        species: 'apple',
        minutes: 40,
        tickets: [],
        kit: [],
        sick: false,
        logged: false,
        shoots: 0,
        upkeepMinutes: 0,
        tasks: [],
        people: [1],
        cuts: [{ limb: 'C', kind: 'remove', urgent: false }],
        crew: 1,
        starts: '09:35',
        ends: '10:15',
      },
    ],
    tasks: [{ id: 7, title: 'Cut the hedge', minutes: 90, done: false, kit: [], people: 2 }],
    findings: [],
  } as unknown as Day;
  const open = () => show(<LogDay />, '/sites/:siteId/days/:dayId/log', '/sites/1/days/3/log');

  beforeEach(() => {
    answers.set('GET /api/days/{dayId}', day);
    answers.set('GET /api/sites/{siteId}', { id: 1, today: '2027-02-20', data: {} });
    answers.set('GET /api/days/{dayId}/first-list', {});
    answers.set('GET /api/days/{dayId}/attendance', []);
    answers.set('GET /api/days/{dayId}/notes', []);
    answers.set('GET /api/days/{dayId}/crews', {
      version: 4,
      crews: [{ crew: 1, people: [1], turns: [{ turn: 'visit-5', starts: '09:35', ends: '10:15' }] }],
      people: [],
      bench: [],
      unplaced: [],
      breaches: [],
      clocked: true,
    });
    answers.set('GET /api/people', [
      { id: 1, name: 'Ada Leads', sites: EVERYWHERE, canCome: [], tickets: [] },
    ]);
    localStorage.clear();
  });
  afterEach(takeDown);

  it('keeps its trees back until the list before the first cut is answered', async () => {
    await open();
    expect(box.querySelector('.limb-row.locked')!.textContent).toContain('Remove C');
    expect(box.querySelector('a.limb-row')).toBeNull();
    const keep = () =>
      [...box.querySelectorAll('button')].find((one) => /to be seen to|may begin/.test(one.textContent))!;
    expect(keep().disabled).toBe(true);
    for (const question of box.querySelectorAll<HTMLElement>('.first-question'))
      await press(question.textContent.trim());
    await type('Nearest road and gate, for whoever is called', 'Kiln Lane');
    await type('Emergency number here', '112');
    expect(keep().disabled).toBe(false);
    answers.set('POST /api/days/{dayId}/first-list', {});
    answers.set('GET /api/days/{dayId}/first-list', {
      answers: { road: 'Kiln Lane', emergencyNumber: '112' },
      by: 'Wren',
      at: '2027-02-20T09:20:00Z',
    });
    await press('It is so: work may begin');
    // From the phone's store to the server and back: on a slow machine no test is quiet for as long as that takes.
    await waitFor(() => expect(box.textContent).toContain('Crew 1: K-1 left'));
    const sent = asked.find((one) => one.path.includes('first-list') && one.method === 'POST')!;
    expect(sent.body).toMatchObject({ nests: true, crews: true, road: 'Kiln Lane', emergencyNumber: '112' });
    expect(box.querySelector('a.limb-row')!.textContent).toContain('Remove C');
    expect(box.textContent).toContain('crew 1, 09:35–10:15: Ada');
  });

  it('signs in and out by a tap, ticks tasks, and takes what went wrong', async () => {
    answers.set('GET /api/days/{dayId}/first-list', {
      answers: { road: 'Kiln Lane', emergencyNumber: '112' },
      by: 'Wren',
      at: '2027-02-20T09:20:00Z',
    });
    answers.set('POST /api/days/{dayId}/attendance', []);
    answers.set('POST /api/tasks/{taskId}/done', {});
    answers.set('POST /api/sites/{siteId}/incidents', {});
    await open();
    expect(box.textContent).toContain('Who is there: 0 of 1');
    await press('Ada Leads is here');
    expect(
      asked.find((one) => one.path.includes('/attendance') && one.method === 'POST')?.body,
    ).toMatchObject({
      personId: 1,
      step: 'came',
    });
    await press('Cut the hedge: done');
    expect(asked.find((one) => one.path.endsWith('/done'))?.body).toEqual({ on: '2027-02-20' });
    await press('Something went wrong, or nearly');
    await type('What happened', 'A ladder slid');
    await press('Keep it');
    expect(asked.find((one) => one.path.includes('/incidents'))?.body).toMatchObject({
      dayId: 3,
      nearMiss: true,
      what: 'A ladder slid',
    });
    expect(box.textContent).toContain('Kept for the register.');
  });
});
