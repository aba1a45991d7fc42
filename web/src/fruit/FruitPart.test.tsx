import { act } from 'react';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { answers, asked, box, settle, show, takeDown, type } from '../testing/harness';
import { FruitPart } from './FruitPart';

const year = (number: number, kilos: number, more = {}) => ({
  year: number,
  version: 2,
  data: { kilos },
  by: 'Ada',
  trunkCm2: 718.2,
  kilosPerCm2: kilos / 718.2,
  beforeOpening: false,
  ...more,
});
const GET = 'GET /api/trees/{treeId}/fruit';
const PUT = 'PUT /api/trees/{treeId}/fruit/{year}';
const submit = async () => {
  act(() => {
    box.querySelector('form')!.dispatchEvent(new Event('submit', { bubbles: true, cancelable: true }));
  });
  await settle();
};

beforeEach(() => answers.set('GET /api/sites/{siteId}', { id: 1, today: '2027-02-20', data: {} }));
afterEach(takeDown);

describe('the fruit of a tree', () => {
  it('says when there is too little to tell, and how much is wanting', async () => {
    answers.set(GET, { years: [year(2026, 31.5)], biennial: { years: 0, yearsWanted: 3 } });
    await show(<FruitPart treeId={7} siteId={1} />);
    expect(box.textContent).toContain('too little to tell. 0 of 3 years wanted');
    expect(box.textContent).toContain('Trunk cross-section 718 cm²');
    expect(box.querySelector('tbody')!.textContent).toContain('0.044');
    expect(box.querySelector('form')).toBeNull();
  });

  it('words an index and marks years counted before the tree was opened', async () => {
    const years = [year(2023, 40, { beforeOpening: true }), year(2024, 5), year(2025, 44), year(2026, 6)];
    answers.set(GET, { years, biennial: { index: 0.78, years: 3, yearsWanted: 3 } });
    await show(<FruitPart treeId={7} siteId={1} />);
    expect(box.textContent).toContain('Biennial bearing index 0.78');
    expect(box.textContent).toContain('bears every other year');
    expect(box.querySelectorAll('sup')).toHaveLength(1);
    expect(box.querySelector('svg')!.getAttribute('aria-label')).toContain('2025 44');
  });

  it('enters last year first, with a comma as people write it', async () => {
    answers.set(GET, { years: [], biennial: { years: 0, yearsWanted: 3 } });
    answers.set(PUT, {});
    await show(<FruitPart treeId={7} siteId={1} entering />);
    await type('field-kilos', '31,5');
    await type('field-bloom', '4');
    await submit();
    expect(asked.find((one) => one.method === 'PUT')).toMatchObject({
      params: { treeId: 7, year: 2026 },
      body: { version: 0, data: { kilos: 31.5, bloom: 4 } },
    });
  });

  it('changes a known year by its version, and does not send nonsense', async () => {
    answers.set(GET, { years: [year(2025, 9), year(2026, 20)], biennial: { years: 1, yearsWanted: 3 } });
    answers.set(PUT, {});
    await show(<FruitPart treeId={7} siteId={1} entering />);
    await type('fruit-year', '2025');
    expect(box.querySelector<HTMLInputElement>('#field-kilos')!.value).toBe('9');
    await type('field-kilos', 'lots');
    await submit();
    expect(box.textContent).toContain('Give kilos as a number, such as 4.2.');
    expect(asked.some((one) => one.method === 'PUT')).toBe(false);
    await type('field-kilos', '11');
    await submit();
    expect(asked.find((one) => one.method === 'PUT')).toMatchObject({
      params: { treeId: 7, year: 2025 },
      body: { version: 2, data: { kilos: 11 } },
    });
    // After saving the form stays in its year.
    expect(box.querySelector<HTMLSelectElement>('#fruit-year')!.value).toBe('2025');
  });

  it('asks once about what is possible but unlikely', async () => {
    answers.set(GET, { years: [], biennial: { years: 0, yearsWanted: 3 } });
    answers.set(PUT, {});
    await show(<FruitPart treeId={7} siteId={1} entering />);
    await type('field-kilos', '450');
    await submit();
    expect(box.textContent).toContain('very much for one plant');
    expect(asked.some((one) => one.method === 'PUT')).toBe(false);
    await submit();
    expect(asked.filter((one) => one.method === 'PUT')).toHaveLength(1);
  });
});
