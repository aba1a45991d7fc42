import { act } from 'react';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { TreeSheet } from '../api/client';
import { sendAll } from '../field/phone';
import {
  answers,
  asked,
  box,
  button,
  press,
  refusal,
  settle,
  show,
  takeDown,
  type,
  EVERYWHERE,
} from '../testing/harness';
import { store } from '../field/store';
import { LogView } from './LogView';

const place = { eastM: 0, northM: 0, upM: 1 };
const limb = (id: string) => ({
  id,
  base: place,
  tip: { eastM: 1, northM: 1, upM: 2 },
  diameterCm: 6,
  tipDiameterCm: 3,
  lengthM: 2,
  azimuthDeg: 0,
  angleDeg: 45,
  living: true,
  leafAlongM: 0.5,
  leafAcrossM: 0.3,
});
const cut = (id: string, kind: string) => ({
  limb: id,
  kind,
  cut: 'collar',
  diameterCm: 6,
  alongM: 0,
  heightM: 1.5,
  tickets: [],
  tool: 'saw',
  technique: 'single',
  urgent: false,
  reasons: [{ text: 'It grows into the centre.' }],
});
const sheet = {
  visitId: 4,
  treeId: 7,
  dayId: null,
  on: '2027-02-20',
  tag: 'K-1',
  species: 'apple',
  minutes: 30,
  shoots: 0,
  logged: false,
  people: ['Ada'],
  cuts: [cut('C', 'remove'), cut('Y', 'bend')],
  drawing: { heightM: 4, spreadM: 3, trunkDiameterCm: 20, trunkTopM: 1.5, limbs: ['A', 'C', 'Y'].map(limb) },
  limbs: [],
  cautions: [{ text: 'Nobody works alone.' }],
} as unknown as TreeSheet;
const LOG = 'POST /api/visits/{visitId}/log';

const open = () => show(<LogView />, '/sites/:siteId/visits/:visitId/log', '/sites/1/visits/4/log');
const part = (name: string) => box.querySelector<HTMLElement>('section[aria-label="Limb ' + name + '"]')!;
const say = async (name: string, outcome: string) => {
  const buttons = [...part(name).querySelectorAll('button')];
  act(() => buttons.find((one) => one.textContent === outcome)!.click());
  await settle();
};

beforeEach(() => {
  answers.set('GET /api/visits/{visitId}/sheet', sheet);
  answers.set('GET /api/people', [
    { id: 1, name: 'Ada', tickets: [], canCome: [], sites: EVERYWHERE },
    { id: 2, name: 'Bo', tickets: [], canCome: [], sites: EVERYWHERE },
  ]);
});
afterEach(takeDown);

describe('the log of a visit', () => {
  it('cannot be sent before everything is said, and says what is missing', async () => {
    await open();
    const send = button('Send the log of 20 Feb 2027');
    expect(send.disabled).toBe(true);
    expect(box.textContent).toContain('Say what became of C, Y.');
    expect(box.textContent).toContain('Nobody works alone.');
    await say('C', 'Done');
    await say('Y', 'Not done');
    // Minutes begin empty: nobody's guess is taken for what was worked.
    expect(send.disabled).toBe(true);
    await type('log-minutes', '25');
    expect(send.disabled).toBe(false);
  });

  it('takes sound wood for granted where a cut was made, and asks of no face where a branch was bent', async () => {
    await open();
    await say('C', 'Done');
    expect(part('C').querySelector('fieldset [aria-pressed=true]')!.textContent).toBe('sound');
    expect(part('C').textContent).toContain('Wood at the face');
    await say('Y', 'Done');
    expect(part('Y').textContent).not.toContain('Wood at the face');
  });

  it('sends what was said, once, and lets go of what was kept here', async () => {
    answers.set(LOG, { id: 9 });
    await open();
    await say('C', 'Other');
    await say('C', 'shortened');
    await type('log-along-C', '0,8');
    await type('log-face-C', '5,5');
    await say('Y', 'Done');
    await press('Bo');
    await type('log-minutes', '30');
    await type('Another limb was cut', 'A');
    expect((await store.entry('4'))?.entry.cuts).toHaveLength(3);
    await press('Send the log of 20 Feb 2027');
    const sent = asked.find((one) => one.method === 'POST')!;
    expect(sent.path).toBe('/api/visits/{visitId}/log');
    expect(sent.body).toMatchObject({
      on: '2027-02-20',
      minutes: 30,
      people: [1, 2],
      cuts: [
        { limb: 'C', outcome: 'other', kind: 'shorten', alongM: 0.8, diameterCm: 5.5 },
        { limb: 'Y', outcome: 'done' },
        { limb: 'A', outcome: 'other', kind: 'remove' },
      ],
    });
    expect(await store.entry('4')).toBeUndefined();
    expect(box.textContent).toBe('elsewhere');
  });

  const allSaid = async () => {
    await open();
    await say('C', 'Done');
    await say('Y', 'Done');
    await type('log-minutes', '30');
  };

  it('is kept on the phone without signal and goes under the same key', async () => {
    await allSaid();
    await press('Send the log of 20 Feb 2027');
    const [item] = await store.outbox.all();
    expect(item).toMatchObject({ kind: 'log', state: 'kept', about: 'K-1' });
    answers.set(LOG, { id: 9 });
    await sendAll();
    const keys = asked.filter((one) => one.method === 'POST').map((one) => (one.body as { key: string }).key);
    expect(keys).toHaveLength(2);
    expect(keys[0]).toBe(keys[1]);
    expect(await store.outbox.all()).toMatchObject([{ state: 'sent' }]);
  });

  it('shows what the server refused at the cut it is about, with all that was entered intact', async () => {
    answers.set(LOG, refusal('/cuts/0/alongM', 'is too far; give metres'));
    await allSaid();
    await press('Send the log of 20 Feb 2027');
    expect(part('C').textContent).toContain('How far from its base is too far; give metres.');
    expect(part('Y').textContent).not.toContain('too far');
    expect(box.textContent).not.toContain('alongM');
    expect(await store.outbox.all()).toEqual([]);
    expect((await store.entry('4'))?.entry.minutes).toBe('30');
  });

  it('says so when another phone was quicker, and keeps both', async () => {
    answers.set(LOG, { ...refusal('', ''), status: 409, conflict: 'logged', detail: 'Bo logged this visit' });
    await allSaid();
    await press('Send the log of 20 Feb 2027');
    expect(await store.outbox.all()).toMatchObject([{ state: 'clash', refusal: { conflict: 'logged' } }]);
    expect(box.textContent).toBe('elsewhere');
  });

  it('is not offered for a visit that was logged', async () => {
    answers.set('GET /api/visits/{visitId}/sheet', { ...sheet, logged: true });
    await open();
    expect(box.textContent).toContain('This visit is logged.');
  });
});
