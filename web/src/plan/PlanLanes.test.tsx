import { act } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import type { Judgement } from '../api/client';
import { answers, asked, box, button, press, settle, show, takeDown, type } from '../testing/harness';
import { LimbInPlan } from './LimbInPlan';
import { PlanLanes } from './PlanLanes';
import { usePlanEdits } from './usePlanEdits';

/** What was asked for beyond looking. */
const changes = () => asked.filter((one) => one.method !== 'GET');

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
  tasks: [],
  minutes: 5,
});
const times = [2027, 2028, 2029].map((year) => ({
  year,
  yearLabel: String(year),
  season: 'dormant',
  quality: 'best',
  ...window,
}));
const NONE = { pins: [], decided: [], insisted: [], split: [] };
const judgement = (more = {}) =>
  ({
    planVersion: 3,
    edits: NONE,
    proposal: [],
    times,
    evaluation: {
      years: 3,
      tree: { allowance: { year: 0.25 } },
      plan: [lane(2027, [cut('A')]), lane(2028, [cut('B')])],
      notPlaced: [],
      care: [],
      limbs: [
        { id: 'A', crownShare: 0.1, urgent: false, verdict: 'remove', cut: {} },
        { id: 'B', crownShare: 0.1, urgent: false, verdict: 'remove', cut: {} },
      ],
    },
    ...more,
  }) as unknown as Judgement;

const PUT = 'PUT /api/trees/{treeId}/plan';

function Plan({ given, picked }: { given: Judgement; picked?: string }) {
  const edits = usePlanEdits(given, 7);
  const none = () => undefined;
  return (
    <>
      <PlanLanes judgement={given} treeId={7} edits={edits} picked={picked} onPick={none} onLook={none} />
      {picked && <LimbInPlan judgement={given} limb={picked} edits={edits} />}
    </>
  );
}
const plan = (given: Judgement, picked?: string) => show(<Plan given={given} picked={picked} />);
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
    expect(changes()).toMatchObject([
      {
        method: 'PUT',
        path: '/api/trees/{treeId}/plan',
        params: { treeId: 7 },
        body: {
          version: 3,
          edits: {
            ...NONE,
            pins: [{ limb: 'A', kind: 'remove', year: 2028, season: 'dormant', quality: 'best' }],
          },
        },
      },
    ]);
  });

  it('stays where it is before the first window, and leaves other keys alone', async () => {
    await plan(judgement());
    await key(A, 'ArrowUp');
    await key(A, 'x');
    expect(changes()).toEqual([]);
  });

  it('undoes the last move by what was moved before it', async () => {
    answers.set(PUT, judgement({ planVersion: 4 }));
    const pinned = [{ limb: 'B', kind: 'remove', year: 2028, season: 'dormant', quality: 'best' }];
    await plan(judgement({ edits: { ...NONE, pins: pinned } }));
    await key(A, 'ArrowDown');
    await press('Undo the last change');
    expect(changes().at(-1)!.body).toMatchObject({ edits: { pins: pinned } });
    expect(box.textContent).not.toContain('Undo the last change');
  });

  it('moves by choosing from every time, and gives a cut back to the rules', async () => {
    answers.set(PUT, judgement({ planVersion: 4 }));
    const moved = judgement({
      edits: {
        ...NONE,
        pins: [{ limb: 'A', kind: 'remove', year: 2027, season: 'dormant', quality: 'best' }],
      },
      evaluation: {
        ...judgement().evaluation,
        plan: [lane(2027, [cut('A', { byHand: true, breaks: [{ code: 'x', text: 'It breaks a rule.' }] })])],
      },
    });
    await plan(moved, 'A');
    expect(box.textContent).toContain('A: It breaks a rule.');
    await type('move-Aremove', '2029|dormant|best');
    expect(changes().at(-1)!.body).toMatchObject({ edits: { pins: [{ limb: 'A', year: 2029 }] } });
    await press('Leave it to the rules');
    expect(changes().at(-1)!.body).toMatchObject({ edits: { pins: [] } });
  });

  it('says when somebody else was quicker and offers the move again', async () => {
    answers.set(PUT, 409);
    await plan(judgement());
    await key(A, 'ArrowDown');
    expect(box.textContent).toContain('refused with 409');
    answers.set(PUT, judgement({ planVersion: 9 }));
    await press('Move A to 2028 in it all the same');
    expect(changes()).toHaveLength(2);
    expect(box.textContent).not.toContain('refused with 409');
  });

  it('forbids, insists on and splits the picked limb, and takes each back', async () => {
    answers.set(PUT, judgement({ planVersion: 4 }));
    await plan(judgement({ edits: { ...NONE, insisted: ['B'] } }), 'A');
    await press('Do not cut A');
    expect(changes().at(-1)!.body).toMatchObject({ edits: { decided: [{ limb: 'A', verdict: 'keep' }] } });
    await press('A first of all');
    expect(changes().at(-1)!.body).toMatchObject({ edits: { insisted: ['B', 'A'] } });
    await press('A in two steps');
    expect(changes().at(-1)!.body).toMatchObject({ edits: { split: ['A'] } });
    await press('Undo: B first of all');
    expect(changes().at(-1)!.body).toMatchObject({ edits: { insisted: [] } });
  });

  it('offers no move for a limb that is left too high, since there is no cut to move', async () => {
    const given = judgement();
    given.evaluation.limbs.push({
      id: 'D',
      crownShare: 0.1,
      urgent: false,
      verdict: 'wait',
      cut: null,
    } as never);
    given.evaluation.notPlaced = [
      { limb: 'D', reasons: [{ code: 'find-a-branch', text: 'Find a branch.', source: '' }] },
    ];
    await plan(given, 'D');
    await settle();
    expect(box.textContent).toContain('Find a branch.');
    expect(box.querySelector('.move-to')).toBeNull();
  });

  it('offers to add a cut where the judgement wants none', async () => {
    answers.set(PUT, judgement({ planVersion: 4 }));
    await plan(
      judgement({
        evaluation: {
          ...judgement().evaluation,
          limbs: [{ id: 'C', crownShare: 0.1, urgent: false, verdict: 'keep' }],
        },
      }),
      'C',
    );
    await press('Add: shorten C');
    expect(changes().at(-1)!.body).toMatchObject({ edits: { decided: [{ limb: 'C', verdict: 'shorten' }] } });
  });

  it('plans over as many years as are asked for', async () => {
    answers.set(PUT, judgement({ planVersion: 4 }));
    await plan(judgement());
    await type('plan-years', '5');
    expect(changes().at(-1)!.body).toMatchObject({ edits: { years: 5 } });
  });

  it('shows what is proposed beside a plan that is kept, and takes it over', async () => {
    answers.set('POST /api/trees/{treeId}/plan/kept', judgement());
    await plan(
      judgement({
        kept: { number: 2, on: '2027-02-20', by: 'Wren Ashdown', cause: 'by-hand' },
        proposal: [
          { limb: 'A', kind: 'remove', from: '2027 dormant', to: '2028 dormant', why: [] },
          { limb: 'C', kind: 'shorten', to: '2027 any', why: [{ code: 'x', text: 'It is cracked.' }] },
          { limb: 'D', kind: 'remove', from: '2029 dormant', why: [] },
        ],
      }),
    );
    expect(box.textContent).toContain('Plan 2, changed by hand by Wren Ashdown on 20 Feb 2027');
    expect(box.textContent).toContain('remove A: 2028 while dormant instead of 2027 while dormant');
    expect(box.textContent).toContain('It is cracked.');
    expect(box.textContent).toContain('no longer, it was planned for 2029 while dormant');
    await press('Take all of it over');
    expect(changes().at(-1)!.body).toEqual({ version: 3 });
  });

  it('says what changed a plan that nobody keeps, and what was planned before', async () => {
    answers.set('GET /api/trees/{treeId}/plans', [
      { number: 2, on: '2027-02-20', cause: 'followed', cuts: [] },
      {
        number: 1,
        on: '2026-11-03',
        cause: 'followed',
        cuts: [
          {
            cut: { limb: 'A', kind: 'remove', diameterCm: 8, yearLabel: '2027', season: 'dormant' },
            became: 'other',
            becameOn: '2027-02-20',
            instead: 'shorten',
            insteadAtM: 1.5,
          },
        ],
      },
    ]);
    await plan(
      judgement({
        followed: {
          on: '2027-02-20',
          since: '2026-11-03',
          changes: [{ limb: 'A', kind: 'remove', from: '2027 dormant', why: [] }],
        },
      }),
    );
    expect(box.textContent).toContain('It last changed on 20 Feb 2027');
    await press('What changed');
    await settle();
    expect(box.textContent).toContain('remove A: no longer, it was planned for 2027 while dormant');
    expect(box.textContent).toContain('done otherwise: shorten at 1.5 m, 20 Feb 2027');
  });

  it('says where the programme puts the tree off', async () => {
    answers.set('GET /api/trees/{treeId}/programme', { first: 2027, begins: 2028, beginsLabel: '2028/29' });
    await plan(judgement());
    await settle();
    expect(box.textContent).toContain(
      'In the programme of the site it begins 1 year later than here, in 2028/29, for want of hours.',
    );
  });
});
