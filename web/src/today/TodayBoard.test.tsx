import { afterEach, describe, expect, it } from 'vitest';
import { answers, box, press, show, takeDown } from '../testing/harness';
import { TodayBoard } from './TodayBoard';

const empty = {
  today: '2027-02-20',
  reports: [],
  dangers: [],
  open: [],
  byWeather: [],
  coming: [],
  tasks: [],
  held: [],
  days: [],
};
const board = async (more = {}) => {
  answers.set('GET /api/sites/{siteId}/today', { ...empty, ...more });
  await show(<TodayBoard siteId={1} />);
};
const part = (name: string) => box.querySelector('[aria-label="' + name + '"]');

afterEach(takeDown);

describe('what a site asks for today', () => {
  it('says nothing of danger when there is none, and offers the first work day', async () => {
    await board();
    expect(part('Dangerous and not dealt with')).toBeNull();
    expect(part('Held')).toBeNull();
    expect(box.querySelector('a[href="/sites/1/days"]')!.textContent).toBe('Plan one');
  });

  it('puts reports before urgent cuts, and says which are on no work day', async () => {
    await board({
      reports: [
        {
          id: 2,
          treeId: 12,
          tag: 'K-12',
          data: { on: '2027-02-14', kind: 'leaning', dangerous: true, note: 'Off.' },
        },
      ],
      dangers: [
        { treeId: 1, tag: 'K-1', species: 'apple', cuts: 2 },
        { treeId: 2, tag: 'K-2', species: 'sweet-cherry', cuts: 1, onDay: '2027-03-06' },
      ],
    });
    const items = [...part('Dangerous and not dealt with')!.querySelectorAll('li')].map(
      (one) => one.textContent,
    );
    expect(items[0]).toContain('K-12 leaning tree Off.');
    expect(items[1]).toBe('K-1 apple: 2 urgent cuts, on no work day');
    expect(items[2]).toBe('K-2 sweet cherry: 1 urgent cut, on the work day of 6 Mar');
  });

  it('shows the first few trees of a kind and the rest when asked', async () => {
    const treesClosingFirst = Array.from({ length: 9 }, (_, i) => ({
      treeId: i,
      tag: 'K-' + i,
      closes: '2027-03-31',
      cuts: 1,
      minutes: 5,
    }));
    await board({
      open: [{ species: 'apple', trees: 9, minutes: 45, closes: '2027-03-31', treesClosingFirst }],
    });
    expect(box.textContent).toContain('apple until 31 Mar: 9 trees, about 45 person-minutes');
    expect(box.textContent).not.toContain('K-8');
    await press('and 3 more');
    expect(box.textContent).toContain('K-8');
  });

  it('says of past days what is not logged, and of days to come what is wanting', async () => {
    const day = { starts: '09:30', ends: '13:30', people: 2, minutes: 60, findings: [] };
    await board({
      days: [
        { ...day, id: 1, on: '2027-02-13', state: 'confirmed', past: true, trees: 3, logged: 1 },
        {
          ...day,
          id: 2,
          on: '2027-03-06',
          state: 'planned',
          past: false,
          trees: 2,
          logged: 0,
          findings: [
            { weight: 'wanted', reason: { text: 'No leader.' } },
            { weight: 'wanted', reason: { text: 'No first-aider.' } },
            { weight: 'wanted', reason: { text: 'Nobody on K-1.' } },
            { weight: 'told', reason: { text: 'Ladders shared.' } },
          ],
        },
      ],
    });
    const [past, coming] = [...box.querySelectorAll('.day-row')];
    expect(past!.textContent).toContain('2 not logged yet');
    expect(coming!.textContent).toContain('No leader.No first-aider.and 1 more');
    expect(coming!.textContent).not.toContain('Ladders shared.');
  });
});
