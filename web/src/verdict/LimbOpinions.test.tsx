import { afterEach, describe, expect, it } from 'vitest';
import { answers, asked, box, press, show, takeDown, type } from '../testing/harness';
import { LimbOpinions } from './LimbOpinions';

const OPINION = '/api/trees/{treeId}/limbs/{limb}/opinion';
const DECISION = '/api/trees/{treeId}/limbs/{limb}/decision';
const nothing = { opinions: [], decisions: [] };
const part = async (more = {}) => {
  answers.set('GET /api/trees/{treeId}/opinions', { ...nothing, ...more });
  answers.set(`PUT ${OPINION}`, nothing);
  answers.set(`PUT ${DECISION}`, nothing);
  answers.set(`DELETE ${DECISION}`, nothing);
  await show(<LimbOpinions limb="C" verdict="remove" treeId={7} />);
};

afterEach(takeDown);

describe('what people think of a limb', () => {
  it('keeps a view with its reason and leaves the form', async () => {
    await part();
    await press('I see it otherwise');
    await type('What to do with C', 'keep');
    await type('Why', ' the only one there ');
    await press('Keep my view');
    expect(asked.find((one) => one.method === 'PUT')).toMatchObject({
      path: OPINION,
      params: { treeId: 7, limb: 'C' },
      body: { verdict: 'keep', note: 'the only one there' },
    });
    expect(box.textContent).toContain('I see it otherwise');
  });

  it('shows two views side by side, and only those of this limb', async () => {
    await part({
      opinions: [
        { limb: 'C', personId: 1, person: 'Tamsin Oke', verdict: 'keep', note: 'bears well' },
        { limb: 'C', personId: 2, person: 'Joss Pell', verdict: 'remove' },
        { limb: 'A', personId: 2, person: 'Joss Pell', verdict: 'bend' },
      ],
    });
    const views = [...box.querySelectorAll('li')].map((one) => one.textContent);
    expect(views).toEqual(['Tamsin Oke would keep: bears well', 'Joss Pell would remove']);
  });

  it('decides with the verdict of the rules until another is chosen', async () => {
    await part();
    await press('I see it otherwise');
    await press('Decide so');
    expect(asked.find((one) => one.path === DECISION)?.body).toEqual({ version: 0, verdict: 'remove' });
  });

  it('leaves a decided limb to the rules again', async () => {
    await part({
      decisions: [{ limb: 'C', verdict: 'keep', by: 'Tamsin Oke', on: '2027-02-20' }],
    });
    expect(box.textContent).toContain('Decided by Tamsin Oke on 20 Feb 2027: keep');
    await press('Leave it to the rules');
    expect(asked.find((one) => one.method === 'DELETE')).toMatchObject({
      path: DECISION,
      params: { limb: 'C' },
    });
  });

  it('says when it was not kept, and keeps what was written', async () => {
    await part();
    answers.set(`PUT ${OPINION}`, 422);
    await press('I see it otherwise');
    await type('Why', 'wind');
    await press('Keep my view').catch(() => undefined);
    expect(box.textContent).toContain('refused with 422');
    expect(box.querySelector<HTMLInputElement>('[aria-label="Why"]')!.value).toBe('wind');
  });
});
