/** How a kind's small wood grows and what it bears, for drawing only; common practice, no source. */
export interface Habit {
  /** Twigs to a metre of limb. */
  twigs: number;
  /** Their length, m. */
  twigM: number;
  /** How far they stand off the limb, 0 along it, 1 square. */
  off: number;
  /** How much they turn up, 0 not. */
  rise: number;
  /** Further twigs on each. */
  forks: number;
  /** Short spurs to a metre of limb. */
  spurs: number;
  leafM: number;
  /** Breadth of a leaf, of its length. */
  broad: number;
  /** Leaves on each twig. */
  leaves: number;
  fruitM: number;
  fruit: string;
}

const APPLE: Habit = {
  twigs: 9,
  twigM: 0.5,
  off: 0.8,
  rise: 0.1,
  forks: 2,
  spurs: 5,
  leafM: 0.085,
  broad: 0.55,
  leaves: 9,
  fruitM: 0.075,
  fruit: '#b0472e',
};

const PLUM: Habit = {
  ...APPLE,
  twigs: 11,
  twigM: 0.55,
  off: 0.95,
  rise: 0.04,
  forks: 2,
  spurs: 3,
  leafM: 0.07,
  leaves: 8,
  fruitM: 0.045,
  fruit: '#4b3a6b',
};

const PEACH: Habit = {
  ...PLUM,
  twigs: 12,
  twigM: 0.48,
  forks: 0,
  spurs: 0,
  leafM: 0.12,
  broad: 0.24,
  fruitM: 0.065,
  fruit: '#cf7a4a',
};

const BUSH: Habit = {
  ...APPLE,
  twigs: 16,
  twigM: 0.22,
  off: 0.7,
  rise: 0.16,
  forks: 1,
  spurs: 7,
  leafM: 0.05,
  broad: 0.85,
  leaves: 7,
  fruitM: 0.022,
  fruit: '#8b9a3a',
};

const HABITS: Record<string, Habit> = {
  pear: { ...APPLE, rise: 0.22, off: 0.6, twigM: 0.36, spurs: 7, fruit: '#a99b3c' },
  quince: { ...APPLE, twigs: 11, rise: -0.02, fruitM: 0.085, fruit: '#d0ab32' },
  medlar: { ...APPLE, rise: -0.06, off: 1, leafM: 0.11, broad: 0.4, fruitM: 0.04, fruit: '#7d5a36' },
  plum: PLUM,
  'sweet-cherry': {
    ...PLUM,
    twigs: 6,
    twigM: 0.5,
    off: 0.6,
    rise: 0.16,
    forks: 1,
    spurs: 9,
    leafM: 0.11,
    broad: 0.42,
    fruitM: 0.03,
    fruit: '#8e1f2d',
  },
  'sour-cherry': {
    ...PLUM,
    twigs: 13,
    twigM: 0.45,
    rise: -0.16,
    leafM: 0.07,
    fruitM: 0.028,
    fruit: '#b3222c',
  },
  apricot: { ...PLUM, twigM: 0.4, leafM: 0.075, broad: 0.9, fruitM: 0.05, fruit: '#d98b2c' },
  peach: PEACH,
  nectarine: { ...PEACH, fruitM: 0.06, fruit: '#b8442f' },
  fig: {
    ...APPLE,
    twigs: 4,
    twigM: 0.34,
    off: 0.7,
    rise: 0.14,
    forks: 0,
    spurs: 0,
    leafM: 0.2,
    broad: 0.85,
    leaves: 5,
    fruitM: 0.05,
    fruit: '#5a4a5e',
  },
  persimmon: { ...APPLE, twigM: 0.36, leafM: 0.13, broad: 0.6, leaves: 6, fruitM: 0.07, fruit: '#d0642a' },
  citrus: {
    ...APPLE,
    twigs: 14,
    twigM: 0.3,
    spurs: 0,
    leafM: 0.09,
    broad: 0.5,
    leaves: 9,
    fruitM: 0.07,
    fruit: '#dd8f24',
  },
  pomegranate: { ...PLUM, twigs: 14, twigM: 0.3, leafM: 0.05, broad: 0.35, fruitM: 0.08, fruit: '#b3402f' },
  gooseberry: BUSH,
  'red-currant': { ...BUSH, fruitM: 0.018, fruit: '#b01f28' },
  'black-currant': { ...BUSH, spurs: 2, rise: 0.1, leafM: 0.065, fruitM: 0.02, fruit: '#2b2430' },
  mulberry: {
    ...APPLE,
    twigM: 0.45,
    forks: 1,
    leafM: 0.12,
    broad: 0.8,
    leaves: 7,
    fruitM: 0.03,
    fruit: '#4a1f33',
  },
  walnut: {
    ...APPLE,
    twigs: 5,
    twigM: 0.45,
    forks: 1,
    spurs: 0,
    leafM: 0.16,
    broad: 0.42,
    leaves: 8,
    fruitM: 0.05,
    fruit: '#6f7a38',
  },
};

export const habitOf = (species: string): Habit => HABITS[species] ?? APPLE;
