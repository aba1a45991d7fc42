import { afterEach, beforeEach, expect, it } from 'vitest';
import type { CameOff } from '../api/client';
import { answers, box, show, takeDown, type } from '../testing/harness';
import { RemovalsView } from './RemovalsView';

const off = (more: Partial<CameOff>): CameOff => ({
  on: '2027-02-15',
  treeId: 1,
  tag: 'K-01',
  species: 'apple',
  limb: 'A',
  kind: 'remove',
  reason: 'dead',
  why: 'It is dead.',
  people: 'Ada Quill',
  diameterCm: 5,
  kilos: 4,
  ...more,
});

beforeEach(async () => {
  answers.set('GET /api/sites/{siteId}/removals', []);
  answers.set('GET /api/sites/{siteId}/came-off', [
    off({}),
    off({ limb: 'B', kilos: 6, reason: 'crowded', permission: 'owner’s consent of 2 November 2026' }),
    off({ on: '2026-02-01', limb: 'C', kilos: 0.01 }),
    off({
      on: '2026-08-01',
      treeId: 2,
      tag: 'K-02',
      limb: undefined,
      kilos: undefined,
      kind: 'taken-out',
      reason: 'fell',
      why: undefined,
    }),
  ]);
  answers.set('GET /api/sites/{siteId}/piles', [
    {
      on: '2027-02-15',
      treeId: 1,
      tag: 'K-01',
      species: 'apple',
      weighedKg: 20,
      reckonedKg: 10,
      asPlanned: true,
      tooMuch: true,
    },
    {
      on: '2026-02-01',
      treeId: 1,
      tag: 'K-01',
      species: 'apple',
      weighedKg: 5,
      reckonedKg: 9,
      asPlanned: false,
      tooMuch: false,
    },
  ]);
  await show(<RemovalsView />, '/sites/:siteId/removals', '/sites/1/removals');
});
afterEach(takeDown);

const part = (name: string) => box.querySelector(`[aria-label="${name}"]`)!.textContent;

it('sums limbs and whole trees by year, and finds them by reason', async () => {
  expect(part('By year')).toContain('20272 limbs, 10 kg');
  expect(part('By year')).toContain('1 limb, under 0.1 kg; 1 whole tree');
  await type('Reason', 'fell');
  expect(box.querySelectorAll('tbody tr')).toHaveLength(1);
  expect(box.querySelector('tbody')!.textContent).toContain('whole treetaken outit fell');
  await type('Reason', 'crowded');
  expect(box.querySelector('tbody')!.textContent).toContain('owner’s consent of 2 November 2026');
});

it('holds piles against what was reckoned, those alone that were done as planned', () => {
  expect(part('Piles weighed')).toContain(
    '1 pile of work done as planned weighed 20 kg where 10 kg were reckoned',
  );
  expect(part('Piles weighed')).toContain('too much came off');
  expect(part('Piles weighed')).toContain('not done as planned');
});
