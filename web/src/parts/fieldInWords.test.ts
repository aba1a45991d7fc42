import { describe, expect, it } from 'vitest';
import { fieldInWords } from './fieldInWords';

describe('a field’s pointer in words', () => {
  it.each([
    ['/data/birthYear', 'Birth year'],
    ['/cuts/1/alongM', 'How far from its base'],
    ['/monthlyRainMm/2', 'Rain, March'],
    ['/policy/summerAllowance', 'Allowance in summer'],
    ['/people/0', 'Who did it'],
    ['/openWoundCm', 'Open wound'],
    ['', ''],
  ])('%s is %s', (pointer, name) => expect(fieldInWords(pointer)).toBe(name));
});
