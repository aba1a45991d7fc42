import { screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { answers, asked, box, press, show, takeDown } from '../testing/harness';
import { PeopleView } from './PeopleView';
import { MyPage } from './MyPage';

const SITE = { id: 3, version: 1, today: '2027-02-20', sample: false, data: { name: 'Kilnfield' } };
const person = (id: number, name: string) => ({
  id,
  version: 4,
  name,
  birthYear: null,
  note: null,
  tickets: [{ ticket: 'ladder', until: '2027-03-01' }],
  canCome: ['2027-03-06'],
  sites: [3],
});
const member = (personId: number, name: string, role: string, more = {}) => ({
  personId,
  name,
  role,
  maySurvey: false,
  login: null,
  comesIn: false,
  ...more,
});

beforeEach(() => {
  answers.set('GET /api/sites/{siteId}', SITE);
  answers.set('GET /api/people', [
    person(1, 'Wren Ashdown'),
    person(2, 'Pip Marlow'),
    { ...person(9, 'Of Elsewhere'), sites: [4] },
  ]);
  answers.set('GET /api/sites/{siteId}/members', [
    member(1, 'Wren Ashdown', 'coordinator', { login: 'wren', comesIn: true }),
    member(2, 'Pip Marlow', 'volunteer'),
  ]);
  answers.set('GET /api/sites/{siteId}/invitations', []);
});
afterEach(takeDown);

const sent = (path: string) => asked.filter((one) => one.path === path && one.method !== 'GET').at(-1);

describe('the people of a site', () => {
  const open = () => show(<PeopleView />, '/sites/:siteId/people', '/sites/3/people');

  it('are those who belong to it, each with what they are here', async () => {
    await open();
    expect(box.textContent).toContain('Pip Marlow');
    expect(box.textContent).not.toContain('Of Elsewhere');
    expect(screen.getByRole('article', { name: 'Pip Marlow' }).textContent).toContain('Volunteer');
  });

  it('are invited by an address and a code, shown once', async () => {
    answers.set('POST /api/sites/{siteId}/invitations', {
      id: 5,
      path: '/join#secret',
      goodUntil: '2027-03-06T10:00:00Z',
      qrRows: ['101', '010', '111'],
    });
    await open();
    await press('Change Pip Marlow');
    await press('Invite');
    expect(sent('/api/sites/{siteId}/invitations')?.body).toEqual({ personId: 2, kind: 'join' });
    expect((screen.getByLabelText('Address to come in by') as HTMLInputElement).value).toBe(
      window.location.origin + '/join#secret',
    );
    expect(box.querySelector('.qr path')?.getAttribute('d')?.match(/M/g)).toHaveLength(6);
  });

  it('get another role by one press', async () => {
    answers.set('PUT /api/sites/{siteId}/members/{personId}', member(2, 'Pip Marlow', 'leader'));
    await open();
    await press('Change Pip Marlow');
    await press('Crew leader');
    expect(sent('/api/sites/{siteId}/members/{personId}')).toMatchObject({
      params: { siteId: 3, personId: 2 },
      body: { role: 'leader', maySurvey: false },
    });
  });

  it('are forgotten only when that was asked twice', async () => {
    answers.set('POST /api/people/{personId}/forgotten', {});
    await open();
    await press('Change Pip Marlow');
    await press('Forget them');
    expect(sent('/api/people/{personId}/forgotten')).toBeUndefined();
    expect(box.textContent).toContain('It cannot be undone.');
    await press('Forget them');
    expect(sent('/api/people/{personId}/forgotten')?.params).toEqual({ personId: 2 });
  });
});

describe('my page', () => {
  const day = (id: number, on: string, mine: boolean) => ({
    id,
    on,
    starts: '09:30',
    ends: '13:30',
    state: 'confirmed',
    past: false,
    trees: 2,
    logged: 0,
    people: 3,
    mine,
    minutes: 80,
    findings: [],
  });

  it('shows the days one is on, one’s tickets, and takes a day on which one can come', async () => {
    answers.set('GET /api/sites/{siteId}/days', [day(1, '2027-03-06', true), day(2, '2027-03-13', false)]);
    answers.set('PUT /api/people/{personId}', person(1, 'Wren Ashdown'));
    await show(<MyPage />, '/sites/:siteId/mine', '/sites/3/mine');
    expect(screen.getByRole('region', { name: 'My days' }).textContent).toContain('6 Mar 2027');
    expect(screen.getByRole('region', { name: 'My days' }).textContent).not.toContain('13 Mar 2027');
    expect(screen.getByRole('region', { name: 'My tickets' }).textContent).toContain('until 1 Mar 2027');
    await press('Not on 6 Mar 2027 after all');
    expect(sent('/api/people/{personId}')?.body).toMatchObject({ version: 4, data: { canCome: [] } });
  });

  it('shows an owner their trees', async () => {
    answers.set('GET /api/me', {
      signedIn: {
        personId: 7,
        name: 'Hester Vane',
        login: null,
        mayAddSites: false,
        places: [{ siteId: 3, siteName: 'Kilnfield', role: 'owner', maySurvey: false }],
      },
      token: 't',
      demo: [],
      begun: true,
    });
    answers.set('GET /api/sites/{siteId}/trees', {
      trees: [{ id: 21, data: { tag: 'K-21', species: 'pear', cultivar: 'Widow Tamsin' } }],
      page: 0,
      size: 500,
      total: 1,
    });
    await show(<MyPage />, '/sites/:siteId/mine', '/sites/3/mine');
    expect(screen.getByRole('link', { name: /K-21/ }).getAttribute('href')).toBe('/sites/3/trees/21/owner');
  });
});
