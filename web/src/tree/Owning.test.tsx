import { afterEach, describe, expect, it } from 'vitest';
import { answers, asked, box, type Call, press, show, takeDown, type } from '../testing/harness';
import { Owning } from './Owning';

afterEach(takeDown);

const consent = (state: string, more = {}) => ({
  id: 8,
  plan: 2,
  limits: 'not below the first fork',
  state,
  askedBy: 'Wren Ashdown',
  askedAt: '2027-02-20T10:00:00Z',
  ...more,
});
const owning = (more = {}) => ({
  wishes: 'keep the swing',
  needed: true,
  consents: [],
  contentment: [],
  ...more,
});
const open = () => show(<Owning treeId={5} siteId={3} year={2027} />);
/** What is there once something was entered. */
const then = (call: Call, now: unknown) => {
  answers.set(call, now);
  answers.set('GET /api/trees/{treeId}/owning', now);
};
const sent = (path: string) => asked.filter((one) => one.path === path && one.method !== 'GET').at(-1)?.body;

const as = (role: string) =>
  answers.set('GET /api/me', {
    signedIn: {
      personId: 7,
      name: 'Hester Vane',
      mayAddSites: false,
      places: [{ siteId: 3, siteName: 'Kilnfield', role, maySurvey: false }],
    },
    token: 't',
    demo: [],
    begun: true,
  });

describe('what concerns an owner', () => {
  it('is asked by a coordinator, with limits', async () => {
    answers.set('GET /api/trees/{treeId}/owning', owning());
    await open();
    await type('What the work keeps within', 'not below the first fork');
    then('POST /api/trees/{treeId}/consents', owning({ consents: [consent('asked')] }));
    await press('Ask for consent');
    expect(sent('/api/trees/{treeId}/consents')).toEqual({ limits: 'not below the first fork' });
    expect(box.textContent).toContain('for consent to plan 2, within: not below the first fork');
  });

  it('is answered by the owner, and said what was answered', async () => {
    as('owner');
    answers.set('GET /api/trees/{treeId}/owning', owning({ consents: [consent('asked')] }));
    await open();
    expect(box.textContent).not.toContain('Ask for consent');
    await type('In words', 'It flowers for my mother.');
    then(
      'PUT /api/trees/{treeId}/consents/{id}',
      owning({
        consents: [consent('refused', { answeredBy: 'Hester Vane', said: 'It flowers for my mother.' })],
      }),
    );
    await press('No');
    expect(sent('/api/trees/{treeId}/consents/{id}')).toEqual({
      given: false,
      said: 'It flowers for my mother.',
    });
    expect(box.textContent).toContain('Refused plan 2 (Hester Vane). It flowers for my mother.');
  });

  it('takes wishes and contentment', async () => {
    as('owner');
    answers.set('GET /api/trees/{treeId}/owning', owning());
    await open();
    await type('What you wish', 'keep both swings');
    then('PUT /api/trees/{treeId}/wishes', owning({ wishes: 'keep both swings' }));
    await press('Keep it');
    expect(sent('/api/trees/{treeId}/wishes')).toEqual({ wishes: 'keep both swings' });
    then(
      'PUT /api/trees/{treeId}/contentment',
      owning({ contentment: [{ year: 2027, grade: 4, by: 'Hester Vane' }] }),
    );
    await press('well');
    expect(sent('/api/trees/{treeId}/contentment')).toEqual({ year: 2027, grade: 4 });
    expect(box.textContent).toContain('2027: content well.');
  });

  it('is no volunteer’s', async () => {
    as('volunteer');
    await open();
    expect(box.textContent).toBe('');
  });
});
