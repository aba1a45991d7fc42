import type { TreeSheet } from '../api/client';
import type { Entry } from '../field/kept';

/** A part of a tree with the cuts of it that nothing was said of yet. */
export interface Side {
  name: string;
  limbs: string[];
}

const SIDES: [name: string, azimuthDeg: number][] = [
  ['north side', 0],
  ['east side', 90],
  ['south side', 180],
  ['west side', 270],
];

/** By side and by tier: parts of a tree of which the rest can be left for another day. */
export function sidesOf(sheet: TreeSheet, entry: Entry): Side[] {
  const unsaid = sheet.cuts.filter((cut) =>
    entry.cuts.some((one) => one.limb === cut.limb && one.outcome === ''),
  );
  if (unsaid.length < 2) return [];
  const azimuth = new Map(sheet.drawing.limbs.map((limb) => [limb.id, limb.azimuthDeg]));
  const heights = unsaid.map((cut) => cut.heightM).sort((a, b) => a - b);
  const middle = heights[Math.floor(heights.length / 2)]!;
  const apart = (one: number, other: number) => Math.abs(((one - other + 540) % 360) - 180);
  return [
    { name: 'all the rest', limbs: unsaid.map((cut) => cut.limb) },
    ...SIDES.map(([name, at]) => ({
      name,
      limbs: unsaid
        .filter((cut) => azimuth.get(cut.limb) != null && apart(azimuth.get(cut.limb)!, at) <= 45)
        .map((cut) => cut.limb),
    })),
    { name: 'upper tier', limbs: unsaid.filter((cut) => cut.heightM >= middle).map((cut) => cut.limb) },
    { name: 'lower tier', limbs: unsaid.filter((cut) => cut.heightM < middle).map((cut) => cut.limb) },
  ].filter((side) => side.limbs.length > 0);
}
