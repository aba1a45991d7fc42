import { afterEach, describe, expect, it } from 'vitest';
import { answers, box, show, takeDown, EVERYWHERE } from '../testing/harness';
import { FirstSteps } from './FirstSteps';

afterEach(takeDown);

const lay = (people: number, days: number, notWalked: number) => {
  answers.set(
    'GET /api/people',
    Array.from({ length: people }, (_, id) => ({ id, name: 'P' + id, sites: EVERYWHERE })),
  );
  answers.set(
    'GET /api/sites/{siteId}/days',
    Array.from({ length: days }, (_, id) => ({ id, on: '2027-02-20' })),
  );
  answers.set('GET /api/sites/{siteId}/trees', { trees: [], page: 0, size: 50, total: notWalked });
};
const next = () => box.querySelector('[aria-current=step]')?.textContent;

describe('first steps', () => {
  it('asks for trees first, and offers a table of them', async () => {
    lay(1, 0, 0);
    await show(<FirstSteps siteId={1} trees={0} />);
    expect(next()).toBe('Its trees');
    expect(box.textContent).toContain('Take in a table');
  });

  it('goes on with what is not done', async () => {
    lay(1, 0, 3);
    await show(<FirstSteps siteId={1} trees={4} />);
    expect(next()).toBe('Who helps');
    expect(box.querySelectorAll('.done')).toHaveLength(3);
  });

  it('is gone when all is done', async () => {
    lay(3, 1, 0);
    await show(<FirstSteps siteId={1} trees={4} />);
    expect(box.textContent).toBe('');
  });
});
