import { metres, percent, personMinutes } from '../parts/format';
import type { DrawnYear, Line } from '../vocabulary/outlook';

/** One thing told of each year. */
export interface Measure {
  name: string;
  /** What it means, in a few words. */
  means: string;
  of: (year: DrawnYear) => number;
  band?: (year: DrawnYear) => { least: number; most: number };
  says: (value: number) => string;
  /** The top of its scale, where it has one. */
  most?: number;
}

export const MEASURES: Measure[] = [
  {
    name: 'Good fruit within reach',
    means: 'Fruit with light enough to size and colour, below the height wanted, of what the tree could bear',
    of: (y) => y.is.goodFruitInReach ?? y.is.goodFruit,
    band: (y) => y.band.firstFruit,
    says: percent,
  },
  {
    name: 'Good fruit',
    means: 'Fruit with light enough to size and colour, of what the tree could bear',
    of: (y) => y.is.goodFruit,
    band: (y) => y.band.goodFruit,
    says: percent,
  },
  {
    name: 'All fruit',
    means: 'Fruit of any size, of what the tree could bear in full light',
    of: (y) => y.is.fruitIndex,
    band: (y) => y.band.fruitIndex,
    says: percent,
  },
  {
    name: 'Fruiting wood in light',
    means: 'Part of the fruiting wood with light enough for fruit buds',
    of: (y) => y.is.inLight ?? 0,
    band: (y) => y.band.inLight,
    says: percent,
    most: 1,
  },
  {
    name: 'Height',
    means: 'Top of the tree after the year’s work',
    of: (y) => y.is.heightM,
    band: (y) => y.band.heightM,
    says: metres,
  },
  {
    name: 'Light in the crown',
    means: 'Mean light on its leaf, of the open sky’s',
    of: (y) => y.is.light,
    says: percent,
    most: 1,
  },
  {
    name: 'Upright shoots',
    means: 'Those counted and those that answer cuts',
    of: (y) => y.is.uprights,
    band: (y) => y.band.uprights,
    says: (n) => 'about ' + Math.round(n),
  },
  {
    name: 'Dead wood',
    means: 'Part of its wood that stands dead',
    of: (y) => y.is.deadShare,
    band: (y) => y.band.deadShare,
    says: percent,
  },
  {
    name: 'Risk of splitting',
    means: 'Chance in a year that a weak union or a cracked trunk gives way',
    of: (y) => y.is.splitRisk,
    says: (n) => percent(n) + ' a year',
  },
  {
    name: 'Work of the year',
    means: 'Person-minutes, keeping up counted',
    of: (y) => y.is.minutesDone,
    says: (n) => personMinutes(Math.round(n)),
  },
  {
    name: 'Work waiting',
    means: 'Person-minutes it would take to do what is wanted now',
    of: (y) => y.is.minutesWaiting,
    says: (n) => personMinutes(Math.round(n)),
  },
];

/** The measures of which this tree has something to tell; where no height is wanted, all good fruit stands for that in reach. */
export function measuresOf(lines: Line[]): Measure[] {
  const wanted = lines[0]?.years[0]?.is.goodFruitInReach != null;
  return MEASURES.filter(
    (measure, i) =>
      (wanted || i > 0) && lines.some((line) => line.years.some((year) => measure.of(year) > 0)),
  );
}

/** The top of a measure's scale: all lines, and the chosen one's band. */
export function topOf(measure: Measure, lines: Line[], chosen: Line): number {
  const all = lines.flatMap((line) => line.years.map(measure.of));
  return measure.most ?? Math.max(...all, ...chosen.years.map((y) => measure.band?.(y).most ?? 0), 0);
}

/** Round steps up to a top: four or five of them. */
export function ticks(top: number): number[] {
  if (!(top > 0)) return [0];
  const rough = top / 4;
  const ten = 10 ** Math.floor(Math.log10(rough));
  const step = [1, 2, 2.5, 5, 10].map((n) => n * ten).find((n) => n >= rough)!;
  return Array.from({ length: Math.floor(top / step + 1e-9) + 1 }, (_, i) => i * step);
}
