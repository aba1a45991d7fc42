import type { Answer } from '../api/client';
import { counted, kilos, percent, words } from '../parts/format';

/** A difference of logarithms as people say it: 0.18 is about a fifth more. */
export function asShare(effect: number): string {
  const share = Math.round((Math.exp(effect) - 1) * 100);
  return share === 0 ? 'as much' : Math.abs(share) + ' % ' + (share > 0 ? 'more' : 'less');
}

export function fruitSays(years: Answer['years']): string {
  const picked = years.filter((year) => year.kilos != null && year.treesPicked > 0);
  const last = picked.at(-1);
  if (!last) return 'No fruit was recorded yet: a harvest day is enough to begin.';
  const before = picked.at(-2);
  const per = (year: (typeof picked)[number]) => year.kilos! / year.treesPicked;
  return (
    `${kilos(last.kilos!)} from ${counted(last.treesPicked, 'tree')} in ${last.year}` +
    (before ? `, ${asShare(Math.log(per(last) / per(before)))} a tree than in ${before.year}` : '') +
    '. One year against another says little: trees rest.'
  );
}

/** How much of the fruiting wood is in light, and what becomes of the wood that stays. */
export function lightSays({ inLight, inLightStaying, inLightAfter }: Answer['light']): string {
  if (inLight == null) return '';
  const today = `${percent(inLight)} of the fruiting wood has light enough for fruit buds`;
  if (inLightStaying == null || inLightAfter == null) return today + '.';
  return `${today}. Of the wood that the plans leave it is ${percent(inLightStaying)} today, ${percent(inLightAfter)} when they are done.`;
}

/** How well crops were reckoned before they were picked. */
export function cropsSay({ crops, pickedByReckoned, least, most }: Answer['crops']): string {
  if (crops === 0 || pickedByReckoned == null) return '';
  const range =
    crops > 1 && least != null && most != null
      ? ` (from ${asShare(Math.log(least))} to ${asShare(Math.log(most))})`
      : '';
  return ` Of ${counted(crops, 'crop')} counted before picking ${asShare(Math.log(pickedByReckoned))} was picked than reckoned${range}.`.replace(
    'as much was picked than',
    'as much was picked as',
  );
}

export function cuttingSays(response: Answer['answers']['response']): string {
  const { all } = response;
  if (all.n === 0 || all.effect == null) {
    const wanted = response.trees.find((one) => one.wanted)?.wanted;
    return 'Too little to tell what cutting did for the fruit.' + (wanted ? ' Wanted: ' + wanted + '.' : '');
  }
  const range =
    all.low != null && all.high != null
      ? ` (four times of five between ${asShare(all.low)} and ${asShare(all.high)})`
      : '';
  const sure =
    all.low! > 0 ? 'They bear more.' : all.high! < 0 ? 'They bear less.' : 'No difference is sure.';
  return `Trees that lost a tenth and more of their crown bore ${asShare(all.effect)} for their trunk than like trees left alone${range}. ${sure}`;
}

/** An interval of logarithms wider than this tells nothing (own assumption). */
const WIDEST = 2;

export function slopeSays(slope: Answer['answers']['response']['slope']): string {
  // What may as well be three times as much as a third is not told.
  if (slope.perTenth == null || slope.low == null || slope.high == null || slope.high - slope.low > WIDEST)
    return 'Too few cuts of different shares to say whether more is better.';
  const sure = slope.low > 0 ? '' : slope.high < 0 ? '' : ' No difference is sure.';
  return `Each tenth of the crown more: ${asShare(slope.perTenth)} fruit (four times of five between ${asShare(
    slope.low,
  )} and ${asShare(slope.high)}).${sure}`;
}

export function learnedSays(learned: Answer['answers']['learned'], what: string): string {
  const of = learned.filter((one) => one.what === what);
  if (of.length === 0) return 'Nothing was recorded to learn from yet.';
  return of
    .map(
      (one) =>
        [one.kind, one.season, one.cut, one.work]
          .filter(Boolean)
          .map((part) => words(part!))
          .join(', ') +
        `: ${round(one.value)} instead of ${round(one.shipped)}, from ${counted(one.cases, 'case')}`,
    )
    .join('; ')
    .concat('.');
}

export const round = (value: number) =>
  Math.abs(value) >= 10 ? Math.round(value) : Math.round(value * 10) / 10;

export function biennialSays(biennial: Answer['answers']['biennial']): string {
  const known = biennial.filter((one) => one.index != null);
  if (known.length === 0) return 'Four years in a row are wanted before a tree can be said to bear unevenly.';
  const uneven = known.filter((one) => one.index! >= 0.4);
  return (
    `${uneven.length} of ${counted(known.length, 'tree')} bear every other year (index 0.4 and more). ` +
    'That comes by itself and is never taken for an answer to cutting.'
  );
}
