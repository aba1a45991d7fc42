import { afterEach, describe, expect, it } from 'vitest';
import { answers, asked, box, press, show, takeDown } from '../testing/harness';
import { KindView } from './KindView';
import { SeasonView } from './SeasonView';
import { SEEN_BY_MONTH, STAGES } from '../vocabulary/season';
import { plusDays, yearOf } from './YearStrip';
import { wrongLines } from './queries';
import { Problem } from '../api/client';

const window = (quality: string, opens: string, closes: string, work = 'structure') => ({
  quality,
  season: 'dormant',
  work,
  opens,
  closes,
  reason: { code: 'why', text: 'Because of ' + quality + '.', source: 'common practice' },
});
const mayCut = (answer: string) => ({
  mayCut: answer,
  reasons: [{ code: 'a', text: 'It is late.', source: 'common practice' }],
  nextOpens: '2027-02-01',
  nextCloses: '2027-03-31',
  wouldChange: [{ code: 'b', text: 'Look at the buds.', source: 'our own assumption' }],
});
const season = {
  from: '2027-01-01',
  until: '2028-02-01',
  today: '2027-02-20',
  lines: [
    {
      species: 'apple',
      trained: false,
      trees: 4,
      windows: [window('best', '2027-02-01', '2027-03-31'), window('keep-off', '2027-04-01', '2027-05-31')],
      today: mayCut('yes'),
    },
  ],
};
const kind = {
  species: 'apple',
  trees: 4,
  today: '2027-02-20',
  from: '2027-01-01',
  until: '2028-02-01',
  year: 2027,
  windows: season.lines[0]!.windows,
  mayCut: mayCut('no'),
  stages: [
    { stage: 'buds-swell', expected: '2027-04-01', reached: '2027-03-12', seen: true },
    { stage: 'full-bloom', expected: '2027-05-14', reached: '2027-05-04', seen: false },
  ],
  facts: [{ code: 'f', text: 'Frost threatens until May.', source: 'our own assumption' }],
  schools: [
    { choice: 'late-winter', chosen: true, windows: [window('best', '2027-02-01', '2027-03-31')] },
    { choice: 'late-summer', chosen: false, windows: [window('best', '2027-08-15', '2027-10-16')] },
  ],
  note: 'Nobody has time in August.',
  sightings: [
    { id: 7, on: '2027-03-12', stage: 'buds-swell', by: 'Tamsin Oke' },
    { on: '2027-03-01', stage: undefined, tag: 'K-04', by: 'Wren Ashdown' },
  ],
  lacking: [
    {
      treeId: 3,
      tag: 'K-09',
      cultivar: 'Kiln Rose',
      why: { code: 'l', text: 'None near.', source: 'common practice' },
    },
  ],
};
const site = {
  id: 3,
  version: 1,
  today: '2027-02-20',
  data: { name: 'Kilnfield', latitude: 52, policyNote: null },
};
const due = {
  task: 'thin',
  title: 'Thin the fruit',
  text: 'After the drop.',
  source: 'common practice',
  species: 'apple',
  trees: 4,
  year: 2027,
  opens: '2027-02-01',
  closes: '2027-03-01',
};

const lay = (care: object[] = []) => {
  answers.set('GET /api/sites/{siteId}/kinds/{species}', kind);
  answers.set('GET /api/sites/{siteId}', site);
  answers.set('GET /api/sites/{siteId}/care', care);
  answers.set('GET /api/sites/{siteId}/season', season);
  answers.set('GET /api/sites/{siteId}/weather', [
    { on: '2027-02-20', minC: -2, maxC: 5, rainMm: 0.4, windKmh: 12, from: 'simulated' },
    { on: '2027-02-21', minC: 1, maxC: 6, rainMm: 8, windKmh: 20, from: 'file' },
  ]);
  answers.set('GET /api/sites/{siteId}/calendar-link', {});
  answers.set('POST /api/sites/{siteId}/calendar-link', {
    path: '/api/calendars/secret/season.ics',
    daysPath: '/api/calendars/secret/days.ics',
  });
  answers.set('POST /api/sites/{siteId}/sightings', {});
  answers.set('POST /api/sites/{siteId}/care', {});
  answers.set('DELETE /api/sightings/{id}', {});
};
const showKind = () => show(<KindView />, '/sites/:siteId/season/:species', '/sites/3/season/apple');

afterEach(takeDown);

describe('the year of a kind', () => {
  it('says what may be done today, why, and what would change it', async () => {
    lay();
    await showKind();
    const today = box.querySelector('[aria-label=Today]')!.textContent;
    expect(today).toContain('not to be cut today');
    expect(today).toContain('It is late.');
    expect(today).toContain('Look at the buds.');
  });

  it('tells a stage that was seen from one that is reckoned, and from when it usually comes', async () => {
    lay();
    await showKind();
    const dates = box.querySelector('details')!.textContent;
    expect(dates).toContain('Buds swell: 12 Mar 2027, seen; usually 1 Apr 2027');
    expect(dates).toContain('Full bloom: 4 May 2027; usually 14 May 2027');
    expect(box.querySelector('svg[role=group]')!.textContent).toContain('buds swell (seen)');
  });

  it('draws no bar where the kind is to be left alone', async () => {
    lay();
    await showKind();
    expect(box.querySelectorAll('.kind-year svg rect title')).toHaveLength(1);
  });

  it('puts the schools side by side with the note of the choice', async () => {
    lay();
    await showKind();
    const schools = box.querySelector('[aria-label=Schools]')!;
    expect(schools.textContent).toContain('Nobody has time in August.');
    expect([...schools.querySelectorAll('h3')].map((head) => /chosen/.test(head.textContent))).toEqual([
      true,
      false,
    ]);
  });

  it('names the trees without a partner', async () => {
    lay();
    await showKind();
    expect(box.querySelector('[aria-label=Partners]')!.textContent).toContain('K-09 Kiln Rose: None near.');
  });

  it('notes what is seen in two taps', async () => {
    lay();
    await showKind();
    await press('first leaves');
    expect(box.textContent).toContain('mouse’s ear');
    await press('Note it');
    expect(asked.find((one) => one.method === 'POST')?.body).toEqual({
      species: 'apple',
      stage: 'first-leaves',
      on: '2027-02-20',
    });
  });

  it('takes back only what was noted by itself', async () => {
    lay();
    await showKind();
    const seen = box.querySelector('[aria-label=Seen]')!;
    expect(seen.textContent).toContain('still growing, K-04');
    expect(
      [...seen.querySelectorAll('button')].filter((one) => one.textContent === 'Take back'),
    ).toHaveLength(1);
    await press('Take back');
    expect(asked.find((one) => one.method === 'DELETE')?.params).toEqual({ id: 7 });
  });
});

describe('the year of a site', () => {
  it('marks made-up weather as such and measured weather by its file', async () => {
    lay();
    await show(<SeasonView />, '/sites/:siteId/season', '/sites/3/season');
    const weather = box.querySelector('[aria-label=Weather]')!.textContent;
    expect(weather).toContain('Simulated: made up');
    expect(weather).toContain('8 mm');
    expect(weather).toContain('dry');
  });

  it('asks for a note before care is ticked off', async () => {
    lay([due]);
    await show(<SeasonView />, '/sites/:siteId/season', '/sites/3/season');
    expect(box.textContent).toContain('due until 1 Mar 2027');
    await press('Done');
    await press('Note it as done');
    expect(asked.find((one) => one.method === 'POST')?.body).toEqual({
      task: 'thin',
      species: 'apple',
      year: 2027,
      on: '2027-02-20',
      note: undefined,
    });
  });

  it('tells the address a calendar follows once, and that there is one later', async () => {
    lay();
    await show(<SeasonView />, '/sites/:siteId/season', '/sites/3/season');
    const part = () => box.querySelector('[aria-labelledby=calendar-link]')!;
    expect(part().textContent).not.toContain('followed by an address made');
    answers.set('GET /api/sites/{siteId}/calendar-link', { madeAt: '2027-02-20T09:00:00Z' });
    await press('Make an address');
    const addresses = [...part().querySelectorAll('input')].map((one) => one.value);
    expect(addresses[0]).toMatch(/\/api\/calendars\/secret\/days\.ics$/);
    expect(addresses[1]).toMatch(/\/api\/calendars\/secret\/season\.ics$/);
    expect(part().textContent).toContain('Make another address');
  });

  it('says that the year is followed without telling the address again', async () => {
    lay();
    answers.set('GET /api/sites/{siteId}/calendar-link', { madeAt: '2027-02-20T09:00:00Z' });
    await show(<SeasonView />, '/sites/:siteId/season', '/sites/3/season');
    const part = box.querySelector('[aria-labelledby=calendar-link]')!;
    expect(part.textContent).toContain('an address made on 20 Feb 2027');
    expect(part.querySelector('input')).toBeNull();
  });

  it('shows what was done, by whom, with its note', async () => {
    lay([{ ...due, done: { id: 4, on: '2027-02-19', by: 'Tamsin Oke', note: 'twice' } }]);
    await show(<SeasonView />, '/sites/:siteId/season', '/sites/3/season');
    expect(box.querySelector('.care-list')!.textContent).toContain(
      'Done on 19 Feb 2027 by Tamsin Oke: twice',
    );
  });
});

describe('parts of the year', () => {
  it('lays days out evenly and holds what lies outside at the edge', () => {
    const year = yearOf({ from: '2027-01-01', until: '2028-01-01', today: '2027-02-20' }, 100, false);
    expect(year.x('2026-05-01')).toBe(year.x('2027-01-01'));
    expect(year.x('2027-07-02') - year.x('2027-01-01')).toBeCloseTo((1072 * 182) / 365, 5);
    expect(year.x('2029-01-01')).toBe(1200);
    expect(plusDays('2028-02-28', 1)).toBe('2028-02-29');
  });

  it('offers the stages of the time of year, half a year later in the south', () => {
    expect(SEEN_BY_MONTH(1, false)).toContain('buds-swell');
    expect(SEEN_BY_MONTH(7, true)).toEqual(SEEN_BY_MONTH(1, false));
    expect(SEEN_BY_MONTH(9, false)).toContain('half-the-leaves-down');
    for (let month = 0; month < 12; month++)
      for (const code of SEEN_BY_MONTH(month, false)) expect(STAGES[code]).toBeDefined();
  });

  it('names the line and the column of bad weather', () => {
    expect(
      wrongLines(new Problem(422, 'refused', [{ pointer: '/lines/3/date', detail: 'is no day' }])),
    ).toEqual(['Line 3, date: is no day']);
    expect(wrongLines(new Error('x'))).toEqual([]);
  });
});
