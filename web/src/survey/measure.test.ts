import { describe, expect, it } from 'vitest';
import {
  byAngleAndEye,
  byAngles,
  byPerson,
  byShadow,
  byStick,
  diameterOf,
  girthBySpans,
  girthOf,
} from './helpers';
import {
  lengthAsGiven,
  lengthInWords,
  readLength,
  showIn,
  weightInWords,
  writeLength,
} from '../parts/measure';

describe('lengths as people write them', () => {
  it.each([
    ['35', 'cm', 35],
    ['14 in', 'cm', 35.56],
    ['14"', 'cm', 35.56],
    ['1 1/2 in', 'cm', 3.81],
    ['1.2 m', 'cm', 120],
    ['1 m 20', 'cm', 120],
    ['85 mm', 'cm', 8.5],
    ['4,2', 'm', 4.2],
    ['5\' 6"', 'm', 1.676],
    ["5' 6", 'm', 1.676],
    ['5 ft 6 in', 'm', 1.676],
    ['21 feet', 'm', 6.401],
    ['420 cm', 'm', 4.2],
  ] as const)('understands %s in a field of %s', (text, into, value) => {
    expect(readLength(text, into, 'metric')).toBeCloseTo(value, 3);
  });

  it('takes a bare number in the unit of whoever measures', () => {
    expect(readLength('14', 'cm', 'imperial')).toBeCloseTo(35.56);
    expect(readLength('14', 'm', 'imperial')).toBeCloseTo(4.267, 3);
    expect(readLength('', 'm', 'imperial')).toBeNull();
  });

  it.each(['tall', '12 apples', '6 in 5 ft', '3 in 4', '1/', '--4'])('refuses %s', (text) => {
    expect(readLength(text, 'cm', 'metric')).toBeNaN();
  });

  it('writes what it reads', () => {
    expect(writeLength(4.2, 'm', 'metric')).toBe('4.2');
    expect(writeLength(4.2, 'm', 'imperial')).toBe('13\' 9"');
    expect(writeLength(35.56, 'cm', 'imperial')).toBe('14');
    // West of the origin.
    expect(readLength('-3,5', 'm', 'metric')).toBe(-3.5);
    expect(readLength('-', 'm', 'metric')).toBeNaN();
    expect(readLength(writeLength(-4.2, 'm', 'imperial'), 'm', 'imperial')).toBeCloseTo(-4.2, 1);
    expect(readLength(writeLength(6.4, 'm', 'imperial'), 'm', 'imperial')).toBeCloseTo(6.4, 1);
  });
});

/** Worked by hand from the proportions of like triangles. */
describe('measures by other measures', () => {
  it('finds a height of 6 m in each way', () => {
    expect(byStick(10, 36, 60)).toBeCloseTo(6);
    expect(byShadow(9, 1, 1.5)).toBeCloseTo(6);
    expect(byAngles(10, 24.2277, 8.5308)).toBeCloseTo(6, 3);
    expect(byAngleAndEye(10, 23.7495, 1.6)).toBeCloseTo(6, 3);
    expect(byPerson(1.7, 4.25, 15)).toBeCloseTo(6);
  });

  it('goes from girth to diameter and back', () => {
    expect(diameterOf(96)).toBeCloseTo(30.558, 3);
    expect(girthOf(30.558)).toBeCloseTo(96, 2);
    expect(girthBySpans(4.5, 20)).toBe(90);
  });
});

describe('what is shown', () => {
  it('is in the units of whoever looks', () => {
    expect([lengthInWords(4.2, 'm'), lengthInWords(12, 'cm'), weightInWords(31.54)]).toEqual([
      '4.2 m',
      '12 cm',
      '31.5 kg',
    ]);
    showIn('imperial');
    expect(document.cookie).toContain('bough-units=imperial');
    expect([lengthInWords(4.2, 'm'), lengthInWords(0.3048, 'm'), lengthInWords(12, 'cm')]).toEqual([
      '13 ft 9 in',
      '1 ft',
      '4.7 in',
    ]);
    expect([lengthAsGiven(3, 'cm'), weightInWords(40)]).toEqual(['1.2 in', '88 lb']);
    showIn('metric');
  });
});
