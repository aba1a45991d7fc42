import { afterEach, describe, expect, it } from 'vitest';
import { answers, box, show, takeDown } from '../testing/harness';
import { Timeline } from './Timeline';

const planned = [
  { limb: 'C', kind: 'remove' },
  { limb: 'D', kind: 'remove' },
  { limb: 'E', kind: 'shorten' },
];
const log = (more: object) => ({
  what: 'log',
  id: 1,
  on: '2027-02-20',
  who: 'Ada, Bo',
  planned,
  log: { visitId: 4, minutes: 50, prunings: 'stacked', shoots: 0, corrected: false, cuts: [], ...more },
});
const line = async (...moments: object[]) => {
  answers.set('GET /api/trees/{treeId}/timeline', moments);
  answers.set('GET /api/trees/{treeId}/history', []);
  await show(<Timeline treeId={7} at="/sites/1/trees/7" today="2027-02-20" />);
};
const text = () => box.textContent!.replaceAll('\u00a0', ' ');

afterEach(takeDown);

describe('the line of time', () => {
  it('tells what was done, otherwise, and not, with what was found', async () => {
    await line(
      log({
        shoots: 12,
        cuts: [
          { limb: 'C', outcome: 'done', wood: 'hollow', hollowCm: 3 },
          { limb: 'D', outcome: 'other', kind: 'shorten', alongM: 1, wood: 'sound' },
          { limb: 'E', outcome: 'not-done', note: 'wasps' },
          { limb: 'F', outcome: 'other', kind: 'remove', disease: 'canker' },
        ],
      }),
    );
    expect(text()).toContain(
      'Removed C (hollow 3 cm), F (canker, not planned); shortened D (planned: remove)',
    );
    expect(text()).toContain('not done E (wasps).');
    expect(text()).toContain('12 young shoots taken.');
    expect(text()).toContain('Ada, Bo, about 50 person-minutes, prunings stacked.');
  });

  it('strikes a log that was corrected and offers only the last to be corrected', async () => {
    await line({ ...log({ corrects: 1 }), id: 2 }, log({ corrected: true }));
    expect(box.querySelectorAll('.log.corrected')).toHaveLength(1);
    expect(text()).toContain('Correction: Nothing cut.');
    expect(box.querySelectorAll('a[href*="correct="]')).toHaveLength(1);
    expect(box.querySelector('a[href*="correct="]')!.getAttribute('href')).toBe(
      '/sites/1/visits/4/log?correct=2',
    );
  });

  it('marks what is still to come, by year', async () => {
    await line(
      { what: 'visit', id: 5, on: '2027-03-06', dayId: 3, planned },
      { what: 'survey', id: 8, on: '2026-01-17', who: 'Ada', state: 'renovate' },
    );
    expect([...box.querySelectorAll('h3')].map((one) => one.textContent)).toEqual(['2027', '2026']);
    expect(box.querySelector('.visit')!.classList).toContain('coming');
    expect(text()).toContain('Remove C, D; shorten E.');
    expect(text()).toContain('Walked by Ada');
  });

  it('tells fruit, reports and the end', async () => {
    await line(
      {
        what: 'removal',
        id: 7,
        on: '2027-02-01',
        who: 'a firm',
        state: 'too-close',
        removal: { permission: 'committee', replacement: 'a quince' },
      },
      {
        what: 'report',
        id: 3,
        on: '2026-10-12',
        who: 'Bo',
        state: 'leaning',
        report: { version: 2, dangerous: true, dealtOn: '2026-10-15', dealtHow: 'propped' },
      },
      { what: 'fruit', id: 2026, on: '2026-12-31', fruit: { data: { bloom: 4, kilos: 31.5 } } },
    );
    expect(text()).toContain(
      'Taken out by a firm: far too close to others. Permission: committee. Instead: a quince.',
    );
    expect(text()).toContain('Dealt with 15 Oct 2026: propped');
    expect(text()).toContain('bloom 4 of 5, 31.5 kg');
  });

  it('says so when nothing happened yet', async () => {
    await line();
    expect(text()).toContain('Nothing yet.');
  });
});
