import { afterEach, describe, expect, it } from 'vitest';
import { answers, asked, box, press, show, takeDown, type } from '../testing/harness';
import { FiguresView } from './FiguresView';

const ONE = '/api/sites/{siteId}/figures/{figure}';
const share = {
  figure: 'citrus-allowance',
  meaning: 'Living crown a citrus may lose',
  unit: 'share',
  shipped: 0.15,
  least: 0,
  most: 1,
  source: 'our own assumption',
  kinds: [],
};
const width = {
  figure: 'big-cut-cm',
  meaning: 'A cut this wide and over is big',
  unit: 'cm',
  shipped: 5,
  least: 1,
  most: 20,
  source: 'common practice',
  changed: { value: 6, by: 'Tamsin Oke', at: '2027-02-20T10:00:00Z', note: 'they close well' },
  kinds: [{ kind: 'plum', changed: { value: 4, by: 'Tamsin Oke', at: '2027-02-21T10:00:00Z', version: 9 } }],
};
const numbers = async () => {
  answers.set('GET /api/sites/{siteId}/figures', [share, width]);
  answers.set(`PUT ${ONE}`, share);
  answers.set(`DELETE ${ONE}`, width);
  await show(<FiguresView />, '/sites/:siteId/figures', '/sites/3/figures');
};

afterEach(takeDown);

describe('the numbers the rules go by', () => {
  it('shows each with its unit, where it comes from and what the site made of it', async () => {
    await numbers();
    const rows = [...box.querySelectorAll('tbody tr')].map((one) => one.textContent);
    expect(rows[0]).toContain('15 %our own assumption');
    expect(rows[1]).toContain('5 cmcommon practice6 cm');
    expect(rows[1]).toContain('Tamsin Oke');
    expect(rows[1]).toContain('they close well');
    expect(rows[1]).toContain('plum 4 cm');
    expect(box.textContent).toContain('2 changed here.');
  });

  it('finds a number by what it means', async () => {
    await numbers();
    await type('Find a number', 'citrus');
    expect(box.querySelectorAll('tbody tr')).toHaveLength(1);
  });

  it('takes a share in per cent and sends it as a fraction', async () => {
    await numbers();
    await press('Change: ' + share.meaning);
    await type(share.meaning, '12,5');
    await type('Why', 'weak trees');
    await press('Keep');
    expect(asked.find((one) => one.method === 'PUT')).toMatchObject({
      params: { siteId: 3, figure: 'citrus-allowance' },
      body: { value: 0.125, note: 'weak trees' },
    });
    expect(box.querySelector('form')).toBeNull();
  });

  it('keeps what is no number from being sent', async () => {
    await numbers();
    await press('Change: ' + width.meaning);
    await type(width.meaning, 'five');
    expect([...box.querySelectorAll('button')].find((one) => one.textContent === 'Keep')!.disabled).toBe(
      true,
    );
  });

  it('changes it for one kind alone, and puts that back by itself', async () => {
    await numbers();
    await press('Change: ' + share.meaning);
    await type('For which trees', 'citrus');
    await press('Keep');
    expect(asked.find((one) => one.method === 'PUT')).toMatchObject({ query: { kind: 'citrus' } });
    await press('Put back: ' + width.meaning + ', plum');
    expect(asked.find((one) => one.method === 'DELETE')).toMatchObject({
      query: { kind: 'plum', version: '9' },
    });
  });

  it('puts the shipped one back', async () => {
    await numbers();
    await press('Put back: ' + width.meaning);
    expect(asked.find((one) => one.method === 'DELETE')?.params).toEqual({ siteId: 3, figure: 'big-cut-cm' });
  });
});
