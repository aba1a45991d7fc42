import { describe, expect, it } from 'vitest';
import { fieldName } from './words';
import { nextTag, removeLimb, replaceLimb, thickestFirst, toggleFault } from './draft';

const limbs = [
  { id: 'A', diameterCm: 9 },
  { id: 'A1', parent: 'A', diameterCm: 3 },
  { id: 'A11', parent: 'A1', diameterCm: 1 },
  { id: 'B', diameterCm: 12, faults: [{ kind: 'rubbing', with: 'A1' }, { kind: 'low' }] },
];

describe('a survey being made', () => {
  it('lists limbs thickest first, unknown widths last', () => {
    expect(thickestFirst([{ id: 'X' }, ...limbs]).map((limb) => limb.id)).toEqual([
      'B',
      'A',
      'A1',
      'A11',
      'X',
    ]);
  });

  it('finds free tags on the trunk and on limbs', () => {
    expect(nextTag(limbs)).toBe('C');
    expect(nextTag(limbs, 'A')).toBe('A2');
    expect(nextTag([])).toBe('A');
  });

  it('takes side limbs along and forgets what named them', () => {
    const left = removeLimb(limbs, 'A');
    expect(left.map((limb) => limb.id)).toEqual(['B']);
    expect(left[0]?.faults).toEqual([{ kind: 'low' }]);
  });

  it('follows a changed tag wherever it is named', () => {
    const changed = replaceLimb(limbs, 'A1', { ...limbs[1], id: 'Q' });
    expect(changed[2]?.parent).toBe('Q');
    expect(changed[3]?.faults?.[0]?.with).toBe('Q');
  });

  it('ticks and unticks a fault', () => {
    const ticked = toggleFault({ id: 'C' }, 'dead');
    expect(ticked).toEqual([{ kind: 'dead' }]);
    expect(toggleFault({ id: 'C', faults: ticked }, 'dead')).toEqual([]);
  });

  it('names refused fields as people know them', () => {
    expect(fieldName('/limbs/1/diameterCm', ['A', 'A1'])).toBe('Limb A1, width');
    expect(fieldName('/tree/heightM', [])).toBe('Height');
    expect(fieldName('/limbs/3/faults/0/with', ['A', 'A1', 'A11', 'B'])).toBe('Limb B, with');
  });
});
