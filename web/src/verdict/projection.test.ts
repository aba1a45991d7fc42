import { describe, expect, it } from 'vitest';
import type { Drawing, Lane } from '../api/client';
import { seen, standingAfter } from './projection';

const at = (eastM: number, northM: number, upM: number) => ({ eastM, northM, upM });

const limb = (id: string, parent: string | null, base: ReturnType<typeof at>, lengthM: number) => ({
  id,
  parent,
  base,
  tip: at(base.eastM + lengthM, base.northM, base.upM),
  lengthM,
});

const drawing = {
  limbs: [limb('A', null, at(0, 0, 1), 4), limb('A1', 'A', at(1, 0, 1), 1), limb('A2', 'A', at(3, 0, 1), 1)],
} as unknown as Drawing;

const lane = (limbId: string, kind: string, alongM: number) =>
  ({ cuts: [{ limb: limbId, kind, cut: { alongM } }] }) as unknown as Lane;

describe('the tree on the sheet', () => {
  it('has east on the right seen from the south and on the left seen from the north', () => {
    expect(seen(at(1, 0, 2), 180).x).toBeCloseTo(1);
    expect(seen(at(1, 0, 2), 0).x).toBeCloseTo(-1);
    expect(seen(at(0, 1, 2), 90).x).toBeCloseTo(1);
    expect(seen(at(0, 1, 2), 180).near).toBeCloseTo(-1);
    expect(seen(at(0, 1, 2), 'above').y).toBeCloseTo(-1);
  });

  it('loses a removed limb with all that grows from it', () => {
    expect(standingAfter(drawing, [lane('A', 'remove', 0)])).toHaveLength(0);
  });

  it('loses the end of a shortened limb and what grows beyond the cut', () => {
    const left = standingAfter(drawing, [lane('A', 'shorten', 2)]);
    expect(left.map((one) => one.limb.id)).toEqual(['A', 'A1']);
    expect(left[0]?.left).toBeCloseTo(0.5);
  });
});
