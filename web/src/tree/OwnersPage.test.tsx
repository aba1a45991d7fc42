import { expect, it } from 'vitest';
import type { Lane } from '../api/client';
import { what } from './OwnersPage';

const lane = (parts: object) => ({ cuts: [], share: 0, ...parts }) as unknown as Lane;

it('tells the work of a season in words of everyday', () => {
  expect(
    what(
      lane({
        share: 0.12,
        cuts: [
          { kind: 'remove', limb: 'C', cut: { diameterCm: 7 } },
          { kind: 'shorten', limb: 'A', cut: { diameterCm: 12, sideBranch: 'A2' } },
          { kind: 'bend', limb: 'B', cut: { diameterCm: 2 } },
        ],
        detail: { shoots: 9 },
      }),
    ),
  ).toBe(
    'Limb C (7.0 cm wide) comes off whole; limb A (12 cm wide) is shortened back to its side branch A2; ' +
      'branch B is bent down; about 9 upright shoots are taken. 12 % of its crown, as it is then, comes off.',
  );
});

it('tells a task that is no cut', () => {
  expect(what(lane({ tasks: [{ what: { text: 'Lower the hedge.' }, minutes: 5 }] }))).toBe(
    'Lower the hedge.',
  );
});
