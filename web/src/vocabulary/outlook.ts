import type { TenYears, WhatIf, Wish } from '../api/client';
import { SCHOOLS } from './orchard';
import { counted, metres } from '../parts/format';

export type Way = 'leftAlone' | 'plan' | 'allAtOnce';

export const WAYS: Record<Way, string> = {
  leftAlone: 'left alone',
  plan: 'the plan',
  allAtOnce: 'all at once',
};

export const WAY_MEANS: Record<Way, string> = {
  leftAlone: 'Nobody cuts anything.',
  plan: 'The plan is carried out and kept up: each year, within the allowance, what grew is taken, what died, what stands above the height wanted, and shoots that answer cuts while they are soft.',
  allAtOnce: 'All that is wanted is cut in the first year, and then the tree is left.',
};

export const WAY_COLOUR: Record<Way, string> = {
  leftAlone: '#446378',
  plan: '#5b2a52',
  allAtOnce: '#a03a17',
};

/** Told apart without colour too. */
export const WAY_DASH: Record<Way, string> = { leftAlone: '5 3', plan: '', allAtOnce: '1.5 2.5' };

export const ORDER: Way[] = ['leftAlone', 'plan', 'allAtOnce'];

/** One line of the plots and one drawing: a way, or a plan with other wishes. */
export interface Line {
  key: string;
  name: string;
  means: string;
  colour: string;
  dash: string;
  years: DrawnYear[];
}

const WISH_COLOUR = ['#6b6a12', '#1f6b60', '#8a4b8f'];
const WISH_DASH = ['9 2 2 2', '12 3', '5 2 1.5 2'];

/** The three ways, and beside them what was saved with other wishes. */
export function linesOf(ten: TenYears, whatIfs: WhatIf[]): Line[] {
  return [
    ...ORDER.map((way) => ({
      key: way,
      name: WAYS[way],
      means: WAY_MEANS[way],
      colour: WAY_COLOUR[way],
      dash: WAY_DASH[way],
      years: ten[way].years,
    })),
    ...whatIfs.map((one, i) => ({
      key: 'if-' + one.id,
      name: one.name,
      means: 'The plan with other wishes: ' + wished(one.wish) + '.',
      colour: WISH_COLOUR[i % WISH_COLOUR.length]!,
      dash: WISH_DASH[i % WISH_DASH.length]!,
      years: one.way.years,
    })),
  ];
}

/** What is wished otherwise, in words. */
export function wished(wish: Wish): string {
  return [
    wish.targetHeightM != null && metres(wish.targetHeightM) + ' high',
    wish.years != null && 'over ' + counted(wish.years, 'year'),
    ...(['allowance', 'pome', 'apricot', 'peach', 'fig'] as const).map((school) => {
      const code = wish[school];
      return code && SCHOOLS[school]!.options[code]!.split(' – ')[0]!.toLowerCase();
    }),
  ]
    .filter(Boolean)
    .join(', ');
}

export type DrawnYear = TenYears['plan']['years'][number];
