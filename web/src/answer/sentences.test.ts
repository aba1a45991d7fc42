import { describe, expect, it } from 'vitest';
import type { Answer } from '../api/client';
import {
  asShare,
  biennialSays,
  cropsSay,
  cuttingSays,
  fruitSays,
  learnedSays,
  lightSays,
  slopeSays,
} from './sentences';

type Response = Answer['answers']['response'];

describe('what the trees answer, in words', () => {
  it('says a difference of logarithms as people do', () => {
    expect(asShare(0.18)).toBe('20 % more');
    expect(asShare(-0.105)).toBe('10 % less');
    expect(asShare(0.001)).toBe('as much');
  });

  it('holds the light of the wood that stays against its light then', () => {
    expect(lightSays({ inLight: 0.62 })).toBe('62 % of the fruiting wood has light enough for fruit buds.');
    expect(lightSays({ inLight: 0.62, inLightStaying: 0.5, inLightAfter: 0.6 })).toContain(
      'Of the wood that the plans leave it is 50 % today, 60 % when they are done.',
    );
  });

  it('says how well crops were reckoned, once some were', () => {
    expect(cropsSay({ crops: 0 })).toBe('');
    expect(cropsSay({ crops: 1, pickedByReckoned: 0.8, least: 0.8, most: 0.8 })).toBe(
      ' Of 1 crop counted before picking 20 % less was picked than reckoned.',
    );
    expect(cropsSay({ crops: 3, pickedByReckoned: 1, least: 0.8, most: 1.2 })).toBe(
      ' Of 3 crops counted before picking as much was picked as reckoned (from 20 % less to 20 % more).',
    );
  });

  it('never says a bare mean of cutting, and says what is wanted where it cannot tell', () => {
    const told = cuttingSays({
      all: { n: 3, effect: 0.18, low: -0.05, high: 0.41 },
      trees: [],
    } as unknown as Response);
    expect(told).toContain('20 % more');
    expect(told).toContain('between 5 % less and 51 % more');
    expect(told).toContain('No difference is sure');
    const little = cuttingSays({
      all: { n: 0 },
      trees: [{ wanted: '2 more years of fruit after it' }],
    } as unknown as Response);
    expect(little).toContain('Too little to tell');
    expect(little).toContain('2 more years of fruit after it');
  });

  it('compares years by the tree, and says that this proves little', () => {
    const year = (number: number, kilos: number, treesPicked: number) =>
      ({ year: number, kilos, treesPicked }) as Answer['years'][number];
    expect(fruitSays([year(2025, 100, 10), year(2026, 240, 20)])).toContain('20 % more a tree than in 2025');
    expect(fruitSays([])).toContain('No fruit was recorded');
  });

  it('sets what was learned beside what was shipped, with its cases', () => {
    const learned = [
      {
        what: 'regrowth',
        kind: 'apple',
        season: 'dormant',
        cut: 'heading',
        shipped: 6,
        value: 8.1,
        cases: 14,
      },
    ] as Answer['answers']['learned'];
    expect(learnedSays(learned, 'regrowth')).toBe(
      'apple, dormant, heading: 8.1 instead of 6, from 14 cases.',
    );
    expect(learnedSays(learned, 'closing')).toContain('Nothing was recorded');
  });

  it('never says a slope without how sure it is', () => {
    expect(slopeSays({ perTenth: -0.03, low: -0.08, high: 0.02 })).toBe(
      'Each tenth of the crown more: 3 % less fruit (four times of five between 8 % less and 2 % more). No difference is sure.',
    );
    expect(slopeSays({})).toContain('Too few cuts');
    expect(slopeSays({ perTenth: -0.03, low: -2.7, high: 2.6 })).toContain('Too few cuts');
  });

  it('does not sell alternate bearing as an answer', () => {
    expect(biennialSays([{ label: 'a', index: 0.5, years: 6 }])).toContain(
      'never taken for an answer to cutting',
    );
    expect(biennialSays([{ label: 'a', years: 2 }])).toContain('Four years in a row');
  });
});
