import { fireEvent, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { answers, box, settle, show, takeDown, type, EVERYWHERE } from '../testing/harness';
import { Find } from './Find';

const tree = (id: number, tag: string) => ({
  id,
  data: { tag, species: 'apple', cultivar: 'Brickmaker', owner: 'Hodge' },
});

beforeEach(() => {
  answers.set('GET /api/sites/{siteId}/trees', { trees: [tree(4, 'K-04')], page: 0, size: 50, total: 1 });
  answers.set('GET /api/people', [{ id: 2, name: 'Ada Kiln', sites: EVERYWHERE }]);
  answers.set('GET /api/sites/{siteId}/days', [{ id: 9, on: '2027-02-20' }]);
  answers.set('GET /api/sites/{siteId}/season', { lines: [{ species: 'red-currant' }] });
  answers.set('GET /api/sites/{siteId}/figures', [{ figure: 'big-cut-cm', meaning: 'Width of a big cut' }]);
});
afterEach(takeDown);

const found = () => screen.queryAllByRole('option').map((one) => one.textContent);
const seek = async (text: string) => {
  await type('Find a tree, a person, a day, a word', text);
  await settle();
};

describe('the box that finds anything', () => {
  it('finds what is written anywhere, each with what it is', async () => {
    await show(<Find siteId={1} close={() => undefined} />);
    expect(found()).toEqual([]);
    await seek('kil');
    expect(found()).toEqual(['tree K-04 apple, Brickmaker, Hodge', 'person Ada Kiln']);
    await seek('feb');
    expect(found()).toContain('day 20 Feb 2027');
    await seek('big cut');
    expect(found()).toContain('number Width of a big cut');
    await seek('currant');
    expect(found()).toContain('kind Red currant');
    await seek('collar');
    expect(found().join()).toContain('behind which no cut goes');
  });

  it('goes where the arrow keys lead, and says when there is nothing', async () => {
    let closed = false;
    await show(<Find siteId={1} close={() => (closed = true)} />, '/', '/');
    await seek('kil');
    const input = screen.getByRole('combobox');
    fireEvent.keyDown(input, { key: 'ArrowDown' });
    expect(screen.getAllByRole('option')[1]!.getAttribute('aria-selected')).toBe('true');
    fireEvent.keyDown(input, { key: 'Enter' });
    await settle();
    expect(closed).toBe(true);
    expect(box.textContent).toContain('elsewhere');
  });
});
