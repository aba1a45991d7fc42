import { describe, expect, it } from 'vitest';
import { seen } from './projection';

const at = (eastM: number, northM: number, upM: number) => ({ eastM, northM, upM });

describe('the tree on the sheet', () => {
  it('has east on the right seen from the south and on the left seen from the north', () => {
    expect(seen(at(1, 0, 2), 180).x).toBeCloseTo(1);
    expect(seen(at(1, 0, 2), 0).x).toBeCloseTo(-1);
    expect(seen(at(0, 1, 2), 90).x).toBeCloseTo(1);
    expect(seen(at(0, 1, 2), 180).near).toBeCloseTo(-1);
    expect(seen(at(0, 1, 2), 'above').y).toBeCloseTo(-1);
  });
});
