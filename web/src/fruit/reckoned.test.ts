import { describe, expect, it } from 'vitest';
import { reckonedSays } from './reckoned';

const one = { year: 2026, counted: 200, kilos: 20, on: '2026-06-01', by: 'Ada' };

describe('what a crop was reckoned to', () => {
  it('says how far off it was once it is picked', () => {
    expect(reckonedSays(one)).toBe('200 fruits counted, 20 kg reckoned, nothing picked yet.');
    expect(reckonedSays({ ...one, picked: 15 })).toBe(
      '200 fruits counted, 20 kg reckoned, 15 kg picked: 25 % less.',
    );
    expect(reckonedSays({ ...one, picked: 22 })).toContain('10 % more');
    expect(reckonedSays({ ...one, picked: 20 })).toContain('as reckoned');
  });

  it('says what is wanted where no weight of a fruit is known', () => {
    expect(reckonedSays({ ...one, kilos: undefined })).toContain('no weight of a fruit known');
  });
});
