import { describe, expect, it } from 'vitest';
import type { Drawing, LimbDrawing } from '../api/client';
import { turned, acrossOf, downOf } from './camera';
import { placeLabels, placeShares, widthOf } from './labels';
import { asItStands } from './projection';
import { chance } from './seed';
import { on, type Point, skeletonOf } from './skeleton';

const rad = (deg: number) => (deg * Math.PI) / 180;

/** Limbs measured as on a walk: a bearing, an angle above level, a length and a width; sixty of them, some on others. */
function measured(count: number): Drawing {
  const dice = chance('measured');
  const limbs: LimbDrawing[] = [];
  for (let i = 0; i < count; i++) {
    const parent = i >= 8 ? limbs[Math.floor(dice() * limbs.length)] : undefined;
    const lengthM = parent ? 0.4 + dice() * 1.6 : 1.5 + dice() * 3;
    const azimuthDeg = dice() * 360;
    const angleDeg = -10 + dice() * 95;
    const along = 0.2 + dice() * 0.7;
    const base = parent
      ? {
          eastM: parent.base.eastM + (parent.tip.eastM - parent.base.eastM) * along,
          northM: parent.base.northM + (parent.tip.northM - parent.base.northM) * along,
          upM: parent.base.upM + (parent.tip.upM - parent.base.upM) * along,
        }
      : { eastM: 0, northM: 0, upM: 0.9 + dice() * 0.8 };
    const level = lengthM * Math.cos(rad(angleDeg));
    limbs.push({
      id: 'L' + i,
      parent: parent?.id,
      base,
      tip: {
        eastM: base.eastM + level * Math.sin(rad(azimuthDeg)),
        northM: base.northM + level * Math.cos(rad(azimuthDeg)),
        upM: base.upM + lengthM * Math.sin(rad(angleDeg)),
      },
      diameterCm: 3 + dice() * 12,
      tipDiameterCm: 1 + dice(),
      lengthM,
      azimuthDeg,
      angleDeg,
      living: dice() > 0.1,
      leafAlongM: 0.5,
      leafAcrossM: 0.3,
    });
  }
  return {
    species: 'apple',
    inLeaf: false,
    heightM: 6,
    spreadM: 6,
    trunkDiameterCm: 30,
    trunkTopM: 1.7,
    limbs,
  };
}

describe('the tree as it is drawn', () => {
  const drawing = measured(60);
  const skeleton = skeletonOf(drawing, asItStands(drawing));
  const bodies = new Map(skeleton.limbs.map((body) => [body.id, body]));

  it.each(drawing.limbs.map((limb) => [limb.id, limb] as const))('keeps the measures of %s', (id, limb) => {
    const body = bodies.get(id)!;
    const first = body.axis[0]!;
    const last = body.axis[body.axis.length - 1]!;
    const way = last.map((value, i) => value - first[i]!) as unknown as Point;
    const length = Math.hypot(...way);
    // To the centimetre, and to half a degree.
    expect(
      Math.hypot(first[0] - limb.base.eastM, first[1] - limb.base.northM, first[2] - limb.base.upM),
    ).toBeLessThan(0.01);
    expect(length).toBeCloseTo(limb.lengthM, 2);
    expect((Math.asin(way[2] / length) * 180) / Math.PI).toBeCloseTo(limb.angleDeg, 0);
    const bearing = ((Math.atan2(way[0], way[1]) * 180) / Math.PI + 360) % 360;
    const off = Math.abs(((bearing - limb.azimuthDeg + 540) % 360) - 180);
    expect(off * Math.cos(rad(limb.angleDeg))).toBeLessThan(0.5);
    // Beyond its collar it is as wide as was measured there: the taper is the survey's.
    const beyond = Math.min(0.8, (2.6 * limb.diameterCm) / 100 / limb.lengthM);
    const i = body.shares.findIndex((share) => share >= beyond);
    const wanted = limb.diameterCm + (limb.tipDiameterCm - limb.diameterCm) * body.shares[i]!;
    expect(Math.abs(body.widths[i]! * 100 - wanted)).toBeLessThan(1);
  });

  it('has each side limb leave the wood it grows from', () => {
    for (const limb of drawing.limbs) {
      const parent = limb.parent && drawing.limbs.find((one) => one.id === limb.parent);
      if (!parent) continue;
      const share =
        Math.hypot(
          limb.base.eastM - parent.base.eastM,
          limb.base.northM - parent.base.northM,
          limb.base.upM - parent.base.upM,
        ) / parent.lengthM;
      const { at } = on(bodies.get(parent.id)!, share);
      const gap = Math.hypot(at[0] - limb.base.eastM, at[1] - limb.base.northM, at[2] - limb.base.upM);
      expect(gap).toBeLessThan(0.05);
    }
  });

  it('draws the same twig a year on, and more of them on a longer limb', () => {
    const limb = { ...drawing.limbs[0]!, id: 'same', parent: undefined };
    const grown = { ...limb, lengthM: limb.lengthM * 1.2 };
    const twigs = (of: LimbDrawing) =>
      skeletonOf({ ...drawing, limbs: [of] }, [{ limb: of, left: 1 }]).twigs.length;
    expect(twigs(grown)).toBeGreaterThanOrEqual(twigs(limb));
    expect(skeletonOf(drawing, asItStands(drawing))).toEqual(skeleton);
  });

  it.each([0, 45, 90, 135, 180, 225, 270, 315])('lays no tag on another seen from %i degrees', (side) => {
    const t = turned({ azimuth: side, elevation: 0 });
    const sheet = { left: -4.6, right: 4.6, top: -7, bottom: 0.4 };
    const text = 7.4 / 44;
    const placed = placeLabels(
      skeleton.limbs.map((body) => {
        const [e, n, u] = body.axis[body.axis.length - 1]!;
        return { id: body.id, x: acrossOf(t, e, n, u), y: downOf(t, e, n, u), awayX: 0, awayY: -1 };
      }),
      text,
      sheet,
    );
    expect(placed).toHaveLength(60);
    for (const [i, one] of placed.entries()) {
      const half = widthOf(one.id, text) / 2;
      expect(one.x - half).toBeGreaterThanOrEqual(sheet.left);
      expect(one.x + half).toBeLessThanOrEqual(sheet.right);
      for (const other of placed.slice(i + 1)) {
        const apart =
          Math.abs(one.x - other.x) >= half + widthOf(other.id, text) / 2 - 1e-9 ||
          Math.abs(one.y - other.y) >= text - 1e-9;
        expect(apart, one.id + ' on ' + other.id).toBe(true);
      }
    }
    // In the middle of each limb, where most tags are in the way.
    const shares = placeShares(
      skeleton.limbs.map((body) => {
        const [e, n, u] = body.axis[Math.floor(body.axis.length / 2)]!;
        return { id: body.id, x: acrossOf(t, e, n, u), y: downOf(t, e, n, u), share: 0.5 };
      }),
      text,
      placed,
    );
    expect(shares.length).toBeGreaterThan(5);
    for (const share of shares)
      for (const tag of placed) {
        const apart =
          Math.abs(share.x - tag.x) >= widthOf('50 %', text) / 2 - text * 0.2 + widthOf(tag.id, text) / 2 ||
          Math.abs(share.y - tag.y) >= text - 1e-9;
        expect(apart, 'a share on ' + tag.id).toBe(true);
      }
  });
});
