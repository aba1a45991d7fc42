import { screen } from '@testing-library/react';
import { afterEach, expect, it } from 'vitest';
import { answers, asked, box, press, show, takeDown, type } from '../testing/harness';
import { AddTree, tagAfter } from './TreeForm';

afterEach(takeDown);

it('asks for five things, keeps a tree and goes on to the next of its row', async () => {
  answers.set('GET /api/sites/{siteId}/trees', { total: 0, trees: [] });
  answers.set('POST /api/sites/{siteId}/trees', { id: 7 });
  await show(<AddTree />, '/sites/:siteId/trees/new', '/sites/3/trees/new');
  expect(box.querySelector('details')!.open).toBe(false);
  await type('Tag', 'K-09');
  await type('Kind', 'apple');
  await type('Cultivar', 'Kiln Rose');
  await type('East, m', '4');
  await type('North, m', '2,5');
  await press('Save and add another');
  expect(asked.find((one) => one.method === 'POST')?.body).toMatchObject({
    tag: 'K-09',
    species: 'apple',
    eastM: 4,
    northM: 2.5,
  });
  expect(box.textContent).toContain('K-09 is registered');
  expect(screen.getByLabelText<HTMLInputElement>('Tag').value).toBe('K-10');
  expect(screen.getByLabelText<HTMLInputElement>('Cultivar').value).toBe('Kiln Rose');
  expect(screen.getByLabelText<HTMLInputElement>('East, m').value).toBe('');
});

it.each([
  ['K-09', 'K-10'],
  ['Row 2 tree 99', 'Row 2 tree 100'],
  ['gate', 'gate'],
])('after %s comes %s', (tag, next) => expect(tagAfter(tag)).toBe(next));
