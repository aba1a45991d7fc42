import { describe, expect, it } from 'vitest';
import { acrossOf, cameraOf, downOf, nearOf, onTheWay, turned } from './camera';

const at = (view: number | 'above', east: number, north: number, up: number) => {
  const t = turned(cameraOf(view));
  return { x: acrossOf(t, east, north, up), y: downOf(t, east, north, up), near: nearOf(t, east, north, up) };
};

describe('the tree on the sheet', () => {
  it('has east on the right seen from the south and on the left seen from the north', () => {
    expect(at(180, 1, 0, 2).x).toBeCloseTo(1);
    expect(at(0, 1, 0, 2).x).toBeCloseTo(-1);
    expect(at(90, 0, 1, 2).x).toBeCloseTo(1);
    expect(at(180, 0, 1, 2).near).toBeCloseTo(-1);
    expect(at(180, 0, 1, 2).y).toBeCloseTo(-2);
    expect(at('above', 0, 1, 2).y).toBeCloseTo(-1);
    expect(at('above', 0, 1, 2).near).toBeCloseTo(2);
  });

  it('turns the shorter way round', () => {
    expect(onTheWay(cameraOf(350), cameraOf(10), 0.5).azimuth).toBeCloseTo(0);
    expect(onTheWay(cameraOf(90), cameraOf(30), 0.5).azimuth).toBeCloseTo(60);
  });
});
