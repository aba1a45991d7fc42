import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { answers, asked, box, press, show, takeDown, type } from '../testing/harness';
import { HoursPicture } from './HoursPicture';
import { IncidentsView } from './IncidentsView';
import { TasksView } from './TasksView';

const task = (title: string, more = {}, data = {}) => ({
  version: 1,
  data: {
    kind: 'other',
    title,
    opens: '2027-02-01',
    closes: '2027-03-01',
    minutes: 60,
    people: 2,
    kit: [],
    ...data,
  },
  source: 'hand',
  state: 'due',
  ...more,
});
const last = () => asked.filter((one) => one.method !== 'GET').at(-1)!;
const part = (name: string) => box.querySelector<HTMLElement>(`[aria-label="${name}"]`)!;

afterEach(takeDown);

describe('the list of tasks', () => {
  beforeEach(() => {
    answers.set('GET /api/sites/{siteId}/tasks', [
      task('Cut the hedge', { id: 4, state: 'missed' }),
      task(
        'Thin the fruit',
        { key: 'care:thin:apple:2027', source: 'care' },
        { kind: 'thin', species: 'apple' },
      ),
      task('Side shoots back', { source: 'plan', tag: 'K-1' }, { treeId: 8 }),
      task(
        'Against aphids',
        { id: 6, state: 'done', done: { on: '2027-02-10', by: 'Wren' }, harvestFrom: '2027-02-13' },
        { kind: 'treatment', treatment: { substance: 'soft soap', labelRate: '2 %', harvestDays: 3 } },
      ),
    ]);
    answers.set('GET /api/sites/{siteId}/days', [
      {
        id: 3,
        on: '2027-02-27',
        state: 'planned',
        past: false,
        trees: 0,
        logged: 0,
        people: 0,
        findings: [],
      },
    ]);
    answers.set('GET /api/sites/{siteId}', { id: 1, today: '2027-02-20', data: {} });
    answers.set('GET /api/sites/{siteId}/trees', { trees: [] });
  });
  const open = () => show(<TasksView />, '/sites/:siteId/tasks', '/sites/1/tasks');

  it('says what was missed first, what a plan holds, and what a treatment asks', async () => {
    await open();
    expect([...box.querySelectorAll('h2')].map((one) => one.textContent)).toEqual([
      'Missed',
      'Due now',
      'Done of late',
    ]);
    expect(part('K-1, Side shoots back').querySelector('button')).toBeNull();
    expect(part('Against aphids').textContent).toContain('nothing is picked before 13 Feb 2027');
  });

  it('takes up what is only asked for before it is ticked', async () => {
    answers.set('POST /api/sites/{siteId}/tasks/taken-up', task('Thin the fruit', { id: 9 }));
    answers.set('POST /api/tasks/{taskId}/done', task('Thin the fruit', { id: 9 }));
    await open();
    await press('Done: Thin the fruit');
    const sent = asked.filter((one) => one.method === 'POST');
    expect(sent[0]!.body).toEqual({ key: 'care:thin:apple:2027' });
    expect(sent[1]!.params['taskId']).toBe(9);
    expect(sent[1]!.body).toEqual({ on: '2027-02-20' });
  });

  it('wants of a treatment what its label says', async () => {
    answers.set('POST /api/sites/{siteId}/tasks', task('x', { id: 11 }));
    await open();
    await press('Add a task');
    await type('Kind of work', 'treatment');
    await type('What is to be done', 'Against scab');
    await type('Until', '2027-03-20');
    await type('What is used', 'sulphur');
    await type('Rate on its label', '30 g');
    await press('Add it');
    expect(last().body).toMatchObject({
      kind: 'treatment',
      title: 'Against scab',
      closes: '2027-03-20',
      treatment: { substance: 'sulphur', labelRate: '30 g', harvestDays: 0 },
    });
  });
});

describe('the register of incidents', () => {
  it('tells nearly from hurt, and only what was said', async () => {
    answers.set('GET /api/sites/{siteId}/incidents', [
      {
        id: 1,
        data: { on: '2027-02-20', nearMiss: true, what: 'A ladder slid', follows: 'Foot it' },
        at: '',
      },
    ]);
    await show(<IncidentsView />, '/sites/:siteId/incidents', '/sites/1/incidents');
    expect(box.textContent).toContain('near miss');
    expect(box.textContent).toContain('Follows: Foot it');
    expect(box.textContent).not.toContain('Hurt:');
  });
});

describe('hours as a picture', () => {
  it('has a bar a person parted by kind of work, and the mean', async () => {
    const hours = (personId: number, name: string, cutting: number) => ({
      personId,
      name,
      season: 'winter 2026/27',
      days: 2,
      cutting,
      tasks: 1,
      other: 0,
    });
    await show(<HoursPicture hours={[hours(1, 'Ada', 9), hours(2, 'Bo', 3)]} />, '/', '/');
    expect(box.textContent).toContain('Winter 2026/27 14 h by 2 people');
    expect(box.querySelectorAll('.person-hours')).toHaveLength(2);
    expect(box.querySelector<HTMLElement>('.mean')!.style.left).toBe('70%');
    expect(box.textContent).toContain('4 h on 2 days; cutting 3 h; tasks 1 h');
  });
});
