import { describe, expect, it } from 'vitest';
import { kindAsks } from './kinds';

describe('what a walk asks of a kind', () => {
  it('asks a peach for its shoots, their buds and the age of its wood', () => {
    const asks = kindAsks('peach', 'open-centre');
    expect(asks.youngShoots?.label).toBe('Shoots of last year');
    expect(asks).toMatchObject({ buds: true, age: true, uprights: true, frame: false });
  });

  it('asks a bush and a fig for the age of stems, and not for upright shoots', () => {
    for (const species of ['gooseberry', 'red-currant', 'black-currant', 'fig'])
      expect(kindAsks(species, 'bush')).toMatchObject({ uprights: false, age: true, buds: false });
    expect(kindAsks('fig', 'fan').frame).toBe(false);
  });

  it('asks a trained tree for its laterals and what is tied in', () => {
    expect(kindAsks('pear', 'espalier')).toMatchObject({ frame: true, age: false });
    expect(kindAsks('pear', 'espalier').youngShoots?.label).toBe('Laterals');
  });

  it('asks an apple for nothing more than any tree', () => {
    expect(kindAsks('apple', undefined)).toEqual({
      uprights: true,
      density: true,
      youngShoots: undefined,
      buds: false,
      age: false,
      frame: false,
    });
    expect(kindAsks('persimmon', null).youngShoots?.label).toBe('Strong shoots');
    expect(kindAsks('plum', null).youngShoots?.label).toBe('Long shoots');
  });
});
