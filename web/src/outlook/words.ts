import type { TenYears } from '../api/client';

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

export type DrawnYear = TenYears['plan']['years'][number];
