import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Day } from '../api/client';
import { answers, asked, box, EVERYWHERE, press, refusal, show, takeDown, type } from '../testing/harness';
import { AskedPeople } from './AskedPeople';
import { ComingPage } from './ComingPage';
import { LettersView } from './LettersView';

const day = {
  id: 3,
  siteId: 1,
  data: { on: '2027-03-06', starts: '09:30', ends: '13:30' },
  people: [{ id: 2, name: 'Bo' }],
  visits: [{ id: 5 }],
} as unknown as Day;
const someone = (personId: number, name: string, more = {}) => ({
  personId,
  name,
  byMail: true,
  invitedAt: '2027-02-20T10:00:00Z',
  reminded: false,
  toldAsItStands: false,
  ...more,
});
const last = () => asked.filter((one) => one.method !== 'GET').at(-1)!;

afterEach(takeDown);

describe('who is asked to come', () => {
  beforeEach(() => {
    answers.set('GET /api/days/{dayId}/invitations', [
      someone(2, 'Bo', { answer: 'yes', from: '10:00', until: '12:00', remark: 'by bus' }),
      someone(4, 'Cy', { byMail: false }),
    ]);
    answers.set('GET /api/people', [
      { id: 2, name: 'Bo', canCome: [], tickets: [], sites: EVERYWHERE },
      { id: 6, name: 'Di', canCome: ['2027-03-06'], tickets: [], sites: EVERYWHERE },
      { id: 7, name: 'Ed', canCome: [], tickets: [], sites: EVERYWHERE },
    ]);
    answers.set('POST /api/days/{dayId}/invitations', []);
    answers.set('POST /api/days/{dayId}/told', { told: 1 });
  });

  it('shows what each said and what is wanting', async () => {
    await show(<AskedPeople day={day} />, '/', '/');
    expect(box.textContent).toContain('comes 10:00–12:00');
    expect(box.textContent).toContain('“by bus”');
    expect(box.textContent).toMatch(/Cy.*not answered.*hand the letter over/);
  });

  it('invites who can come, or everybody, or somebody again', async () => {
    await show(<AskedPeople day={day} />, '/', '/');
    await press('Invite 1 person who can come');
    expect(last().body).toEqual({ people: [6] });
    await press('Invite everybody (2)');
    expect(last().body).toEqual({ people: [6, 7] });
    await press('another letter to Cy');
    expect(last().body).toEqual({ people: [4] });
  });

  it('tells crews and trees to who was not told so yet', async () => {
    await show(<AskedPeople day={day} />, '/', '/');
    await press('Tell crews and trees (1)');
    expect(last().path).toContain('/told');
    expect(box.textContent).toContain('1 letter written.');
  });
});

describe('the outbox', () => {
  it('shows letters as they are, and the address of who has no mail', async () => {
    answers.set('GET /api/sites/{siteId}/letters', [
      {
        id: 9,
        personId: 4,
        name: 'Cy',
        dayId: 3,
        kind: 'invitation',
        subject: 'Can you come?',
        body: 'Hello Cy,',
        link: 'http://here/come#abc',
        madeAt: '2027-02-20T10:00:00Z',
        state: 'by-hand',
      },
      {
        id: 8,
        personId: 2,
        name: 'Bo',
        kind: 'off',
        mailTo: 'bo@orchard.example',
        subject: 'Called off',
        body: 'Hello Bo,',
        link: '',
        madeAt: '2027-02-19T10:00:00Z',
        state: 'given-up',
        failure: '550 no such user',
      },
    ]);
    await show(<LettersView />, '/sites/:siteId/letters', '/sites/1/letters');
    expect(box.textContent).toContain('to be handed over');
    expect(box.querySelector('input')!.value).toBe('http://here/come#abc');
    expect(box.textContent).toContain('550 no such user');
    expect(box.querySelector('a[download]')!.getAttribute('href')).toBe('/api/letters/9/letter.eml');
  });
});

describe('an answer without signing in', () => {
  const look = (more = {}) => ({
    site: 'Kiln',
    on: '2027-03-06',
    starts: '09:30',
    ends: '13:30',
    state: 'planned',
    over: false,
    name: 'Cy',
    trees: [{ tag: 'K-1', species: 'sweet-cherry', what: 'remove C' }],
    tasks: [{ title: 'Clear the path', starts: '11:00', ends: '11:40' }],
    ...more,
  });

  it('takes hours with yes, none with no, and says what is wrong with them', async () => {
    answers.set('POST /api/comings/look', look());
    answers.set('POST /api/comings/answer', look({ answer: 'no' }));
    await show(<ComingPage />, '/come', '/come');
    expect(box.textContent).toContain('K-1, sweet cherry: remove C');
    expect(box.textContent).toContain('11:00–11:40 Clear the path');
    await type('A word to whoever leads, if you like', ' late train ');
    await press('No');
    expect(last().body).toMatchObject({ answer: 'no', remark: 'late train' });
    expect(last().body).not.toHaveProperty('from');
    expect(box.textContent).toContain('You do not come.');
    answers.set('POST /api/comings/answer', refusal('/from', 'is before the day begins'));
    await type('From', '08:00');
    await press('Yes');
    expect(last().body).toMatchObject({ answer: 'yes', from: '08:00', until: '13:30' });
    expect(box.textContent).toContain('is before the day begins');
  });

  it('asks nothing of a day that does not take place', async () => {
    answers.set('POST /api/comings/look', look({ over: true, state: 'called-off' }));
    await show(<ComingPage />, '/come', '/come');
    expect(box.textContent).toContain('does not take place');
    expect(box.querySelector('button')).toBeNull();
  });
});
