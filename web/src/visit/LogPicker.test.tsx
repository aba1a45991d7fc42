import { afterEach, expect, it } from 'vitest';
import { answers, asked, box, show, takeDown } from '../testing/harness';
import { LogPicker } from './LogPicker';

afterEach(takeDown);

const day = (id: number, mine: boolean) => ({
  id,
  on: '2027-02-20',
  starts: '09:30',
  ends: '13:30',
  state: 'confirmed',
  past: false,
  trees: 1,
  logged: 0,
  people: 2,
  mine,
  minutes: 30,
  findings: [],
});

it('asks a volunteer only about the days they are on', async () => {
  answers.set('GET /api/me', {
    signedIn: {
      personId: 7,
      name: 'Pip Marlow',
      mayAddSites: false,
      places: [{ siteId: 3, siteName: 'Kilnfield', role: 'volunteer', maySurvey: false }],
    },
    token: 't',
    demo: [],
    begun: true,
  });
  answers.set('GET /api/sites/{siteId}', { id: 3, version: 1, today: '2027-02-20', sample: false, data: {} });
  answers.set('GET /api/sites/{siteId}/days', [day(1, true), day(2, false)]);
  answers.set('GET /api/days/{dayId}', { id: 1, visits: [], data: { on: '2027-02-20' } });
  await show(<LogPicker />, '/sites/:siteId/log', '/sites/3/log');
  expect(box.querySelectorAll('section[aria-label^="Work day"]')).toHaveLength(1);
  expect(asked.filter((one) => one.path === '/api/days/{dayId}').map((one) => one.params)).toEqual(
    expect.not.arrayContaining([{ dayId: 2 }]),
  );
});
