import { describe, expect, it } from 'vitest';
import type { ProgrammeTree } from '../api/client';
import { ghostOf, inOrder, marksOf } from './layout';

const tree = (tag: string, more: Partial<ProgrammeTree> = {}): ProgrammeTree => ({
  id: 1,
  tag,
  species: 'apple',
  begun: false,
  minutes: 60,
  worth: 1,
  upkeepMinutes: 0,
  setVersion: 0,
  work: [],
  ...more,
});

describe('the picture of the programme', () => {
  it('puts first what gains most for its minutes, tags in the order people count', () => {
    const trees = [
      tree('K-10'),
      tree('K-2'),
      tree('K-3', { worth: 5 }),
      tree('K-1', { species: 'fig', minutes: 0 }),
    ];
    expect(inOrder(trees, 'worth').map((one) => one.tag)).toEqual(['K-3', 'K-2', 'K-10', 'K-1']);
    expect(inOrder(trees, 'place').map((one) => one.tag)).toEqual(['K-1', 'K-2', 'K-3', 'K-10']);
    expect(inOrder(trees, 'kind').map((one) => one.tag)).toEqual(['K-2', 'K-3', 'K-10', 'K-1']);
  });

  it('adds up the seasons of a year, danger apart', () => {
    const work = [
      { year: 2027, season: 'dormant', minutes: 30, danger: false },
      { year: 2027, season: 'summer', minutes: 10, danger: false },
      { year: 2027, season: 'any', minutes: 5, danger: true },
      { season: 'dormant', minutes: 50, danger: false },
    ];
    expect(marksOf(tree('K-1', { work }))).toEqual([
      { year: 2027, minutes: 40, danger: false },
      { year: 2027, minutes: 5, danger: true },
    ]);
  });

  it('shows where a tree that is put off would begin', () => {
    expect(ghostOf(tree('K-1', { first: 2027, begins: 2029 }))).toBe(2027);
    expect(ghostOf(tree('K-1', { first: 2027 }))).toBe(2027);
    expect(ghostOf(tree('K-1', { first: 2027, begins: 2027 }))).toBeUndefined();
  });
});
