import { act } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import { answers, asked, box, press, show, takeDown, type } from '../testing/harness';

import { ProgrammeView } from './ProgrammeView';

const programme = {
  slots: [
    {
      year: 2027,
      yearLabel: '2027',
      season: 'dormant',
      minutes: 150,
      hours: 2,
      over: true,
      trees: [{ id: 1, tag: 'K-01' }],
    },
    { year: 2028, yearLabel: '2028', season: 'dormant', minutes: 60, hours: 2, over: false, trees: [] },
  ],
  trees: [
    {
      id: 1,
      tag: 'K-01',
      species: 'apple',
      begun: true,
      first: 2027,
      begins: 2027,
      beginsLabel: '2027',
      minutes: 150,
      worth: 2,
      upkeepMinutes: 20,
      work: [],
    },
    {
      id: 2,
      tag: 'K-02',
      species: 'pear',
      begun: false,
      first: 2027,
      begins: 2028,
      beginsLabel: '2028',
      minutes: 60,
      worth: 1,
      upkeepMinutes: 20,
      work: [],
    },
    { id: 3, tag: 'K-03', species: 'fig', begun: false, minutes: 0, worth: 0, upkeepMinutes: 0, work: [] },
  ],
  putOff: [
    { id: 2, tag: 'K-02', years: 1, minutes: 60, worth: 1, inLight: 0.4, inLightAfter: 0.6, enough: [] },
    { id: 1, tag: 'K-01', minutes: 60, worth: 1, enough: [{ season: 'dormant', hours: 3.5 }] },
  ],
  hours: [{ year: 0, season: 'dormant', hours: 2 }],
  hoursWorked: [
    { season: 'dormant', hours: 10 },
    { season: 'summer', hours: 2.5 },
  ],
};

const open = async () => {
  answers.set('GET /api/sites/{siteId}', { id: 1, data: { name: 'Kilnfield', latitude: 52 } });
  answers.set('GET /api/sites', [{ id: 1, data: { name: 'Kilnfield', latitude: 52 } }]);
  answers.set('GET /api/sites/{siteId}/programme', programme);
  answers.set('GET /api/sites/{siteId}/programme/job', []);
  answers.set('PUT /api/sites/{siteId}/programme/hours', programme);
  answers.set('PUT /api/trees/{treeId}/programme', {});
  await show(<ProgrammeView />, '/sites/:siteId/plan', '/sites/1/plan');
};

afterEach(takeDown);

describe('the programme', () => {
  it('says where work passes the hours, what is put off and what that costs', async () => {
    await open();
    expect(box.textContent).toContain('2.5 h of 2 hmore than there are');
    expect(box.textContent).toContain(
      'K-02 by 1 year, about 60 person-minutes of work. Until then 40 % of its fruiting wood has light enough instead of 60 %.',
    );
    expect(box.textContent).toContain(
      'Logged in the last twelve months: 10 h while dormant, 2.5 h in summer.',
    );
    expect(box.textContent).toContain('2027, begun');
    expect(box.textContent).toContain('2028, put off');
    expect(box.textContent).toContain('nothing to do');
  });

  it('keeps the hours that are typed', async () => {
    await open();
    await type('hours-dormant', '3.5');
    await press('Lay it out');
    expect(asked.find((one) => one.method === 'PUT')!.body).toEqual({
      hours: [{ year: 0, season: 'dormant', hours: 3.5 }],
    });
  });

  it('takes the hours of the last year for every year', async () => {
    await open();
    await press('Take these');
    await press('Lay it out');
    expect(asked.find((one) => one.method === 'PUT')!.body).toEqual({
      hours: [
        { year: 0, season: 'dormant', hours: 10 },
        { year: 0, season: 'summer', hours: 2.5 },
      ],
    });
  });

  it('gives one year hours of its own', async () => {
    await open();
    const own = box.querySelector<HTMLInputElement>('[aria-label="Hours 2028 while dormant"]')!;
    expect(own.placeholder).toBe('as every year');
    own.id = 'own';
    await type('own', '4');
    await act(async () => own.dispatchEvent(new FocusEvent('focusout', { bubbles: true })));
    expect(asked.find((one) => one.method === 'PUT')!.body).toEqual({
      hours: [
        { year: 0, season: 'dormant', hours: 2 },
        { year: 2028, season: 'dormant', hours: 4 },
      ],
    });
  });

  it('starts planning all anew', async () => {
    await open();
    answers.set('POST /api/sites/{siteId}/programme/job', { id: 4, state: 'running', done: 0, total: 3 });
    await press('Plan all anew');
    expect(box.textContent).toContain('3 trees are judged again');
    await press('Plan all anew');
    expect(asked.some((one) => one.method === 'POST')).toBe(true);
  });
});
