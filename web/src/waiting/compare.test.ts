import { describe, expect, it } from 'vitest';
import type { Log, LogData, SurveyFile } from '../api/client';
import { compare, compareLogs } from './compare';
import { shrunk } from '../field/picture';

const mine = {
  surveyedOn: '2027-02-20',
  tree: { heightM: 5, trunkGirthCm: 90 },
  limbs: [
    { id: 'A', diameterCm: 9, lengthM: 3, faults: [{ kind: 'dead' }] },
    { id: 'B', diameterCm: 5, lengthM: 2 },
  ],
  surroundings: [],
};

describe('two surveys side by side', () => {
  it('names what differs and nothing else', () => {
    const theirs = {
      tree: { heightM: 5.4, trunkGirthCm: 90 },
      limbs: [
        { id: 'A', diameterCm: 9, lengthM: 3, faults: [] },
        { id: 'C', diameterCm: 4, lengthM: 1 },
      ],
    } as unknown as SurveyFile;
    expect(compare(mine, theirs)).toEqual([
      { what: 'Height', yours: '5', theirs: '5.4' },
      { what: 'Limb A', yours: '9 cm, 3 m, dead', theirs: '9 cm, 3 m' },
      { what: 'Limb B', yours: '5 cm, 2 m', theirs: 'not there' },
      { what: 'Limb C', yours: 'not there', theirs: '4 cm, 1 m' },
    ]);
  });

  it('finds nothing where they say the same', () => {
    expect(compare(mine, { tree: mine.tree, limbs: mine.limbs } as unknown as SurveyFile)).toEqual([]);
  });
});

describe('a picture made smaller', () => {
  it('keeps its shape and is never made larger', () => {
    expect(shrunk(4000, 3000)).toEqual([1600, 1200]);
    expect(shrunk(900, 1800)).toEqual([800, 1600]);
    expect(shrunk(640, 480)).toEqual([640, 480]);
  });
});

describe('two logs of one visit', () => {
  it('are told apart cut by cut, and by who and how long', () => {
    const mine = {
      key: 'k',
      on: '2027-02-20',
      minutes: 12,
      people: [1],
      prunings: 'stacked',
      shoots: 0,
      cuts: [
        { limb: 'C', outcome: 'done', wood: 'hollow', hollowCm: 3 },
        { limb: 'D', outcome: 'done', wood: 'sound' },
      ],
    } as LogData;
    const theirs = {
      on: '2027-02-20',
      minutes: 30,
      people: 'Ada',
      prunings: 'stacked',
      shoots: 0,
      cuts: [
        { limb: 'C', outcome: 'not-done', note: 'wasps' },
        { limb: 'D', outcome: 'done', wood: 'sound' },
        { limb: 'E', outcome: 'other', kind: 'shorten', alongM: 1.2 },
      ],
    } as unknown as Log;
    expect(compareLogs(mine, theirs, () => 'Ada')).toEqual([
      { what: 'Limb C', yours: 'Done, hollow, 3 cm hollow', theirs: 'Not done, wasps' },
      { what: 'Limb E', yours: 'nothing', theirs: 'Other, shortened, 1.2 m along' },
      { what: 'Person-minutes', yours: '12', theirs: '30' },
    ]);
  });
});
