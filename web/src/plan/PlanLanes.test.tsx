import { act } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Judgement } from '../api/client';
import { answers, asked, box, button, press, settle, show, takeDown, type } from '../testing/harness';
import { PlanLanes } from './PlanLanes';

vi.mock('../api/client', async (original) => ({
  ...(await original<object>()),
  api: (await import('../testing/harness')).fakeApi,
}));

const window = { opens: '2027-02-01', closes: '2027-03-31' };
const cut = (limb: string, more = {}) => ({
  limb,
  kind: 'remove',
  share: 0.1,
  cut: { diameterCm: 6, minutes: 5 },
  reasons: [],
  byHand: false,
  breaks: [],
  ...more,
});
const lane = (year: number, cuts: unknown[]) => ({
  year,
  yearLabel: String(year),
  season: 'dormant',
  quality: 'best',
  window,
  cuts,
  share: 0.1,
  allowance: 0.25,
  bigCuts: 1,
  minutes: 5,
});
const times = [2027, 2028, 2029].map((year) => ({
  year,
  yearLabel: String(year),
  season: 'dormant',
  quality: 'best',
  ...window,
}));
const judgement = (more = {}) =>
  ({
    planVersion: 3,
    pins: [],
    times,
    evaluation: {
      plan: [lane(2027, [cut('A')]), lane(2028, [cut('B')])],
      notPlaced: [],
      limbs: [
        { id: 'A', crownShare: 0.1, urgent: false, verdict: 'remove' },
        { id: 'B', crownShare: 0.1, urgent: false, verdict: 'remove' },
      ],
    },
    ...more,
  }) as unknown as Judgement;

const PUT = 'PUT /api/trees/{treeId}/plan';
const plan = (given: Judgement, picked?: string) =>
  show(<PlanLanes judgement={given} treeId={7} picked={picked} onPick={() => undefined} />);
const key = async (name: string, pressed: string) => {
  act(() => {
    button(name).dispatchEvent(new KeyboardEvent('keydown', { key: pressed, bubbles: true }));
  });
  await settle();
};
const A = 'remove A, 6 cm, 10 % of the crown';

afterEach(takeDown);

describe('the lanes of a plan', () => {
  it('moves a cut a window on by a key, with the version it was based on', async () => {
    answers.set(PUT, judgement({ planVersion: 4 }));
    await plan(judgement());
    await key(A, 'ArrowDown');
    expect(asked).toEqual([
      {
        method: 'PUT',
        path: '/api/trees/{treeId}/plan',
        params: { treeId: 7 },
        body: {
          version: 3,
          pins: [{ limb: 'A', kind: 'remove', year: 2028, season: 'dormant', quality: 'best' }],
        },
      },
    ]);
  });

  it('stays where it is before the first window, and leaves other keys alone', async () => {
    await plan(judgement());
    await key(A, 'ArrowUp');
    await key(A, 'x');
    expect(asked).toEqual([]);
  });

  it('undoes the last move by what was moved before it', async () => {
    answers.set(PUT, judgement({ planVersion: 4 }));
    const pinned = [{ limb: 'B', kind: 'remove', year: 2028, season: 'dormant', quality: 'best' }];
    await plan(judgement({ pins: pinned }));
    await key(A, 'ArrowDown');
    await press('Undo the last move');
    expect(asked.at(-1)!.body).toMatchObject({ pins: pinned });
    expect(box.textContent).not.toContain('Undo the last move');
  });

  it('moves by choosing from every time, and gives a cut back to the rules', async () => {
    answers.set(PUT, judgement({ planVersion: 4 }));
    const moved = judgement({
      pins: [{ limb: 'A', kind: 'remove', year: 2027, season: 'dormant', quality: 'best' }],
      evaluation: {
        ...judgement().evaluation,
        plan: [lane(2027, [cut('A', { byHand: true, breaks: [{ code: 'x', text: 'It breaks a rule.' }] })])],
      },
    });
    await plan(moved, 'A');
    expect(box.textContent).toContain('A: It breaks a rule.');
    await type('move-Aremove', '2029|dormant|best');
    expect(asked.at(-1)!.body).toMatchObject({ pins: [{ limb: 'A', year: 2029 }] });
    await press('Leave it to the rules');
    expect(asked.at(-1)!.body).toMatchObject({ pins: [] });
  });

  it('says when somebody else was quicker and offers the move again', async () => {
    answers.set(PUT, 409);
    await plan(judgement());
    await key(A, 'ArrowDown');
    expect(box.textContent).toContain('refused with 409');
    answers.set(PUT, judgement({ planVersion: 9 }));
    await press('Move A to 2028 in it all the same');
    expect(asked).toHaveLength(2);
    expect(box.textContent).not.toContain('refused with 409');
  });
});
