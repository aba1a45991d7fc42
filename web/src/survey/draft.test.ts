import { describe, expect, it } from 'vitest';
import { fieldName } from '../vocabulary/survey';
import {
  changeOpen,
  closeOpen,
  lacking,
  leaveOpen,
  nextTag,
  openLimb,
  unfinished,
  removeLimb,
  replaceLimb,
  thickestFirst,
  toggleFault,
} from './draft';
import type { Draft } from '../field/kept';

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

describe('a limb being entered', () => {
  const whole = { id: 'A', diameterCm: 9, lengthM: 3, azimuthDeg: 0, angleDeg: 40, originHeightM: 1.2 };
  const draft: Draft = { surveyedOn: '2027-02-20', tree: {}, limbs: [whole], surroundings: [] };

  it('waits beside the others until it is whole, whatever else is opened meanwhile', () => {
    const [first, one] = openLimb(draft, undefined, [{ kind: 'dead' }]);
    const begun = changeOpen(first, one, (now) => ({ limb: { ...now.limb, diameterCm: 4 } }));
    const [typed, other] = openLimb(begun);
    expect(typed['x-open']![one]!.limb.id).toBe('B');
    expect(typed['x-open']![other]!.limb.id).toBe('C');
    expect(unfinished(typed).map(([id]) => id)).toEqual([one]);
    expect(lacking(typed['x-open']![one]!.limb, typed.limbs)).toEqual([
      'length',
      'direction',
      'angle',
      'where it leaves',
    ]);
    expect(typed['x-open']![one]!.limb.faults).toEqual([{ kind: 'dead' }]);
    expect(typed.limbs).toEqual([whole]);
  });

  it('stands among the others once it is done, under the tag it got meanwhile', () => {
    const [open, id] = openLimb(draft);
    const done = closeOpen(
      changeOpen(open, id, () => ({ limb: { ...whole, id: ' A1 ', parent: 'A' } })),
      id,
    );
    expect(done.limbs.map((limb) => limb.id)).toEqual(['A', 'A1']);
    expect(done['x-open']).toBeUndefined();
    // The next one cannot be taken for it, though its first tag is free again.
    const [again, next] = openLimb(done);
    expect(next).not.toBe(id);
    expect(again['x-open']![next]!.limb.id).toBe('B');
  });

  it('is another limb than the one that was begun, renamed and left', () => {
    const [open, id] = openLimb(draft);
    const left = changeOpen(open, id, () => ({ limb: { id: 'A1', parent: 'A' } }));
    const [both, next] = openLimb(left);
    expect(next).not.toBe(id);
    expect(unfinished(both)).toEqual([[id, both['x-open']![id]]]);
    expect(both['x-open']![next]!.limb).toEqual({ id: 'B' });
  });

  it('takes the place of the one it changes, or leaves it as it was', () => {
    const [open, id] = openLimb(draft, whole);
    const typed = changeOpen(open, id, () => ({ limb: { ...whole, lengthM: 4 } }));
    expect(closeOpen(typed, id).limbs).toEqual([{ ...whole, lengthM: 4 }]);
    expect(leaveOpen(typed, id)).toEqual({ ...draft, 'x-open': undefined });
  });

  it('is not begun by being looked at', () => {
    const [looked] = openLimb(draft, whole);
    expect(unfinished(looked)).toEqual([]);
    const [added, id] = openLimb(looked, undefined, [{ kind: 'dead' }]);
    expect(unfinished(added)).toEqual([]);
    // Nothing was entered of it: the next one takes its place, without what had only been ticked.
    const [again, next] = openLimb(added);
    expect(again['x-open']).toEqual({ [next]: expect.objectContaining({ limb: { id: 'B' } }) });
    expect(next).not.toBe(id);
  });

  it('wants a tag of its own', () => {
    expect(lacking(whole, [whole])).toEqual(['a tag no other limb has']);
  });
});
