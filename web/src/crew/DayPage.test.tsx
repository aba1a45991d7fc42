import { act } from 'react';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { answers, asked, box, press, settle, show, takeDown, type, EVERYWHERE } from '../testing/harness';
import { DayPage } from './DayPage';

const cut = (limb: string, kind: string, more = {}) => ({
  limb,
  kind,
  reach: 'ground',
  urgent: false,
  ...more,
});
const visit = (id: number, tag: string, more = {}) => ({
  id,
  treeId: id + 100,
  tag,
  species: 'apple',
  mayCut: 'yes',
  minutes: 40,
  tickets: ['ladder'],
  kit: ['saw', 'ladder'],
  offTheGround: true,
  sick: false,
  logged: false,
  shoots: 6,
  people: [1],
  cuts: [cut('C', 'remove'), cut('D', 'remove'), cut('E', 'shorten')],
  ...more,
});
const day = (more = {}) => ({
  id: 3,
  version: 8,
  siteId: 1,
  data: { on: '2027-03-06', starts: '09:30', ends: '13:30', shed: { saw: 2 } },
  state: 'planned',
  past: false,
  people: [
    { id: 1, name: 'Ada', tickets: ['ladder', 'lead'], maybeUnderAge: false, canCome: true, minutes: 40 },
    { id: 2, name: 'Bo', tickets: [], maybeUnderAge: true, canCome: false, minutes: 0 },
  ],
  visits: [visit(5, 'K-1')],
  tasks: [],
  findings: [
    { weight: 'wanted', reason: { code: 'day-no-first-aider', text: 'Nobody has first aid.' } },
    { weight: 'wanted', reason: { code: 'day-alone', text: 'One alone is on K-1.' }, visitId: 5 },
    { weight: 'told', reason: { code: 'day-not-said-to-come', text: 'Bo has not said so.' }, personId: 2 },
  ],
  ...more,
});
const candidate = {
  treeId: 9,
  tag: 'K-9',
  species: 'plum',
  closes: '2027-08-31',
  urgent: true,
  sick: false,
  minutes: 20,
  shoots: 3,
  upkeepMinutes: 0,
  tickets: [],
  cuts: [cut('P', 'remove', { urgent: true }), cut('Q', 'shorten', { reach: 'ladder' })],
};
const open = () => show(<DayPage />, '/sites/:siteId/days/:dayId', '/sites/1/days/3');
const last = () => asked.filter((one) => one.method !== 'GET').at(-1)!;

beforeEach(() => {
  answers.set('GET /api/days/{dayId}', day());
  answers.set('GET /api/days/{dayId}/candidates', [candidate]);
  answers.set('GET /api/days/{dayId}/roster', { looking: false });
  answers.set('GET /api/days/{dayId}/invitations', []);
  answers.set('GET /api/days/{dayId}/crews', {
    version: 8,
    crews: [],
    people: [],
    bench: [],
    unplaced: ['visit-5'],
    breaches: [],
    clocked: false,
  });
  answers.set('GET /api/people', [
    { id: 1, name: 'Ada', tickets: [], canCome: [], sites: EVERYWHERE },
    {
      id: 4,
      name: 'Cy',
      tickets: [{ ticket: 'lead', until: '2029-01-01' }],
      canCome: ['2027-03-06'],
      sites: EVERYWHERE,
    },
  ]);
});
afterEach(takeDown);

describe('a work day', () => {
  it('says what is wanting where it is wanting', async () => {
    await open();
    expect(box.querySelector('article[aria-label="K-1"]')!.textContent).toContain('One alone is on K-1.');
    expect(box.querySelector('section[aria-label="Who comes"]')!.textContent).toContain(
      'Bo has not said so.',
    );
    expect(box.textContent).toContain('Nobody has first aid. Before it is confirmed.');
    expect(box.textContent).toContain('Remove C, D; shorten E; 6 young shoots.');
    expect(box.textContent).toContain('may be under 18');
  });

  it('gives a tree somebody, and takes them off again, by one press', async () => {
    answers.set('PUT /api/visits/{visitId}/people', day());
    await open();
    await press('Bo');
    expect(last()).toMatchObject({ params: { visitId: 5 }, body: { version: 8, people: [1, 2] } });
    answers.set('GET /api/days/{dayId}', day());
    const ada = [...box.querySelectorAll<HTMLButtonElement>('.people-chips button')].find((one) =>
      one.textContent!.startsWith('Ada'),
    )!;
    expect(ada.getAttribute('aria-pressed')).toBe('true');
    act(() => ada.click());
    await settle();
    expect(last().body).toMatchObject({ people: [] });
  });

  it('puts on all a plan has open, or the cuts chosen', async () => {
    answers.set('POST /api/days/{dayId}/visits', day());
    await open();
    await press('Put K-9 on the day');
    expect(last().body).toEqual({
      version: 8,
      treeId: 9,
      cuts: [
        { limb: 'P', kind: 'remove' },
        { limb: 'Q', kind: 'shorten' },
      ],
      shoots: 3,
      upkeep: true,
    });
    await press('Choose cuts');
    await press('shorten Q, ladder');
    await press('3 young shoots');
    await press('Put K-9 on the day');
    expect(last().body).toMatchObject({ cuts: [{ limb: 'P', kind: 'remove' }], shoots: 0 });
  });

  it('puts on the yearly cutting of a kept tree, or leaves it', async () => {
    answers.set('POST /api/days/{dayId}/visits', day());
    answers.set('GET /api/days/{dayId}/candidates', [
      { ...candidate, shoots: 0, upkeepMinutes: 35, cuts: [cut('P', 'remove')] },
    ]);
    await open();
    expect(box.textContent).toContain('Remove P; the ordinary yearly cutting.');
    await press('Choose cuts');
    await press('the ordinary yearly cutting');
    await press('Put K-9 on the day');
    expect(last().body).toMatchObject({ cuts: [{ limb: 'P', kind: 'remove' }], upkeep: false });
  });

  it('offers first those who said they can come, with their tickets', async () => {
    answers.set('PUT /api/days/{dayId}/people', day());
    await open();
    const options = [...box.querySelectorAll('select[aria-label="Add somebody who comes"] option')];
    expect(options.map((one) => one.textContent)).toEqual([
      'Add somebody who comes…',
      'Cy – can come (crew leader)',
    ]);
    await type('Add somebody who comes', '4');
    expect(last().body).toEqual({ version: 8, people: [1, 2, 4] });
    await press('Bo does not come');
    expect(last().body).toMatchObject({ people: [1] });
  });

  it('shows a refusal and changes nothing', async () => {
    answers.set('POST /api/days/{dayId}/confirm', 422);
    await open();
    await press('Confirm');
    expect(box.querySelector('[role=alert]')!.textContent).toContain('refused with 422');
    expect(box.textContent).toContain('planned');
  });

  it('moves what is not logged to the day it was rained off to', async () => {
    answers.set('POST /api/days/{dayId}/rained-off', {
      day: day(),
      movedTo: { ...day(), id: 4, data: { on: '2027-03-13' } },
      backToThePlan: ['K-7'],
    });
    await open();
    await press('Rained off');
    await type('rain-to', '2027-03-13');
    await press('Move');
    expect(last().body).toEqual({ version: 8, to: '2027-03-13' });
    expect(box.textContent).toContain('Moved to 13 Mar 2027');
    expect(box.textContent).toContain('back to the plan: K-7');
  });

  it('leaves a rained-off day as it was', async () => {
    answers.set('GET /api/days/{dayId}', day({ state: 'rained-off', findings: [] }));
    await open();
    expect(box.textContent).not.toContain('Not on this day');
    expect(box.textContent).not.toContain('Open that day');
  });
});
