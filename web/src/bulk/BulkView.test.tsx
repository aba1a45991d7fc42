import { act } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import { answers, asked, box, press, settle, show, takeDown, type } from '../testing/harness';
import { BulkView } from './BulkView';

const LOOK = 'POST /api/sites/{siteId}/trees/table/look';
const ADD = 'POST /api/sites/{siteId}/trees/table';
const seen = {
  columns: ['No', 'What', 'E', 'N'],
  suggested: ['tag', '', 'eastM', 'northM'],
  rows: [
    ['B-1', 'apple', '1', '2'],
    ['B-2', 'pear', '3', '4'],
  ],
  fields: ['tag', 'species', 'eastM', 'northM'],
};

const choose = async (name: string, content: string) => {
  const field = box.querySelector<HTMLInputElement>('input[type=file]')!;
  const file = Object.assign(new Blob([content]), { name, text: () => Promise.resolve(content) });
  Object.defineProperty(field, 'files', { value: [file], configurable: true });
  act(() => void field.dispatchEvent(new Event('change', { bubbles: true })));
  await settle();
};
const page = () => show(<BulkView />, '/sites/:siteId/bulk', '/sites/3/bulk');
const register = () =>
  [...box.querySelectorAll('button')].find((one) => one.textContent?.startsWith('Register'));

afterEach(takeDown);

describe('trees in and out', () => {
  it('asks for the columns it cannot do without, then registers', async () => {
    answers.set(LOOK, seen);
    answers.set(ADD, { trees: 2 });
    await page();
    await choose('trees.csv', 'No,What,E,N\nB-1,apple,1,2\n');
    expect(box.textContent).toContain('Match a column to kind.');
    expect(register()!.disabled).toBe(true);
    await type('Field of column What', 'species');
    expect(register()!.disabled).toBe(false);
    await press('Register 2 trees');
    expect(asked.at(-1)?.body).toContain('"B-1","apple"');
    expect(box.textContent).toContain('2 trees are registered.');
  });

  it('takes a field from one column when another is given it', async () => {
    answers.set(LOOK, seen);
    await page();
    await choose('trees.csv', 'x');
    await type('Field of column What', 'tag');
    expect(box.querySelector<HTMLSelectElement>('[aria-label="Field of column No"]')!.value).toBe('');
  });

  it('mends what was refused on the screen, and sends it mended', async () => {
    answers.set(LOOK, {
      ...seen,
      suggested: ['tag', 'species', 'eastM', 'northM'],
      rows: [
        ['B-1', 'Appel', '1', '2'],
        ['B-2', 'appel', '3', 'four'],
        ['B-3', '?', '5', '6'],
      ],
    });
    answers.set(ADD, {
      refused: true,
      status: 422,
      detail: 'Some fields cannot be used.',
      errors: [
        { pointer: '/lines/2/species', detail: 'is no kind' },
        { pointer: '/lines/3/species', detail: 'is no kind' },
        { pointer: '/lines/4/species', detail: 'is no kind' },
        { pointer: '/lines/3/northM', detail: 'is no number: four' },
      ],
    });
    await page();
    await choose('trees.csv', 'x');
    await press('Register 3 trees');
    expect(box.textContent).toContain('Lines 2, 3: Kind “Appel” is no kind.');
    await type('Kind “Appel” means', 'apple');
    await press('Mend in all 2');
    expect(box.textContent).not.toContain('Appel”');
    await press('Leave this row out');
    await type('Metres north “four” means', '4');
    await press('Mend');
    expect(box.textContent).not.toContain('Nothing was registered');
    answers.set(ADD, { trees: 2 });
    await press('Register 2 trees');
    expect(asked.at(-1)?.body).toBe('"No","What","E","N"\n"B-1","apple","1","2"\n"B-2","apple","3","4"\n');
  });

  it('sends a map as it is', async () => {
    answers.set('POST /api/sites/{siteId}/trees/geojson', { trees: 1 });
    await page();
    await choose('trees.geojson', '{"type":"FeatureCollection","features":[]}');
    expect(box.textContent).toContain('1 tree is registered.');
  });

  it('says why a table was refused and that nothing was registered', async () => {
    answers.set(LOOK, { ...seen, suggested: ['tag', 'species', 'eastM', 'northM'] });
    answers.set(ADD, 422);
    await page();
    await choose('trees.csv', 'x');
    await press('Register 2 trees');
    expect(box.textContent).toContain('refused with 422');
    expect(box.textContent).not.toContain('registered.');
  });
});
