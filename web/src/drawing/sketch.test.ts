import { describe, expect, it } from 'vitest';
import { nearestShare, part, sketch } from './sketch';

describe('the drawing that grows as one enters', () => {
  it('puts a side limb on its limb whichever comes first', () => {
    const drawn = sketch([
      { id: 'A1', parent: 'A', originAlongM: 1, azimuthDeg: 90, angleDeg: 0, lengthM: 2 },
      { id: 'A', originHeightM: 1.3, azimuthDeg: 90, angleDeg: 0, lengthM: 4 },
    ]);
    expect(drawn.map((limb) => limb.id)).toEqual(['A', 'A1']);
    expect(drawn[1]!.base.eastM).toBeCloseTo(1);
    expect(drawn[1]!.tip.eastM).toBeCloseTo(3);
    expect(drawn[1]!.tip.upM).toBeCloseTo(1.3);
  });

  it('leaves out what is not known yet', () => {
    expect(sketch([{ id: 'A' }, { id: 'B', originHeightM: 1 }, { id: 'C', parent: 'A' }])).toEqual([]);
  });

  it('finds the place along a limb nearest to a touch', () => {
    expect(nearestShare({ x: 0, y: 0 }, { x: 4, y: 0 }, 1, 5)).toBe(0.25);
    expect(nearestShare({ x: 0, y: 0 }, { x: 4, y: 0 }, 9, 0)).toBe(1);
    const [limb] = sketch([{ id: 'A', originHeightM: 1, azimuthDeg: 0, angleDeg: 90, lengthM: 2 }]);
    expect(part(limb!, 0.5).upM).toBeCloseTo(2);
  });
});
