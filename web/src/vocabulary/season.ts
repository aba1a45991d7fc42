/** The stages of growth people tell apart: what they are called, what is seen, and where they stand on the BBCH scale. */
export const STAGES: Record<string, { name: string; look: string; bbch: number }> = {
  'buds-at-rest': { name: 'buds at rest', look: 'tight and dry', bbch: 0 },
  'buds-swell': { name: 'buds swell', look: 'scales part, paler wood shows between', bbch: 1 },
  'buds-burst': { name: 'buds burst', look: 'green tips', bbch: 7 },
  'first-leaves': { name: 'first leaves', look: 'leaves the size of a mouse’s ear', bbch: 10 },
  'first-flowers': { name: 'first flowers', look: 'about one in ten is open', bbch: 60 },
  'full-bloom': { name: 'full bloom', look: 'half or more are open', bbch: 65 },
  'bloom-over': { name: 'bloom over', look: 'petals have fallen', bbch: 69 },
  'fruit-sets': { name: 'fruit sets', look: 'fruit the size of a pea', bbch: 71 },
  'fruit-drop': { name: 'fruit drop', look: 'small fruit lie on the ground', bbch: 73 },
  'fruit-ripens': { name: 'fruit ripens', look: 'it begins to colour', bbch: 81 },
  'fruit-ripe': { name: 'fruit ripe', look: 'it comes off with a lift', bbch: 89 },
  'shoots-stopped': { name: 'shoots stopped', look: 'a firm bud at every end', bbch: 91 },
  'leaves-fall': { name: 'leaves begin to fall', look: 'the first turn and drop', bbch: 93 },
  'half-the-leaves-down': {
    name: 'half the leaves down',
    look: 'as many on the ground as on the tree',
    bbch: 95,
  },
  bare: { name: 'bare', look: 'all leaves down', bbch: 97 },
};

export const stageName = (code: string) => STAGES[code]?.name ?? code;

/** The stages a surveyor may note, those of one part of the year together. */
export const SEEN_BY_MONTH = (month: number, southern: boolean) => {
  const north = southern ? (month + 6) % 12 : month;
  const groups = [
    ['buds-at-rest', 'buds-swell', 'buds-burst', 'first-leaves', 'first-flowers', 'full-bloom'],
    ['buds-burst', 'first-leaves', 'first-flowers', 'full-bloom', 'bloom-over', 'fruit-sets', 'fruit-drop'],
    ['fruit-drop', 'fruit-ripens', 'fruit-ripe', 'shoots-stopped', 'leaves-fall'],
    ['fruit-ripe', 'shoots-stopped', 'leaves-fall', 'half-the-leaves-down', 'bare', 'buds-at-rest'],
  ];
  return groups[north < 3 ? 0 : north < 6 ? 1 : north < 9 ? 2 : 3]!;
};

export const QUALITY: Record<string, string> = {
  best: 'best',
  'with-care': 'with care',
  'keep-off': 'keep off',
};

export const WORK: Record<string, string> = {
  structure: '',
  size: 'for size only',
  tidy: 'a light tidy',
  renewal: 'hard renewal',
  topping: 'tips of strong shoots',
};

export const SORTS: Record<string, string> = {
  live: 'live wood',
  structure: 'limbs and frame',
  size: 'ends, for its size',
  renewal: 'hard renewal',
  topping: 'tips of strong shoots',
  dead: 'dead wood',
};
