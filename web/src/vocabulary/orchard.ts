/** What the orchard's values are called. */

export const SPECIES = [
  'apple',
  'pear',
  'quince',
  'medlar',
  'plum',
  'sweet-cherry',
  'sour-cherry',
  'apricot',
  'peach',
  'nectarine',
  'fig',
  'persimmon',
  'citrus',
  'pomegranate',
  'gooseberry',
  'red-currant',
  'black-currant',
  'mulberry',
  'walnut',
] as const;

export const FORMS: Record<string, string> = {
  'open-centre': 'open centre',
  'central-leader': 'central leader, in tiers',
  fan: 'fan',
  espalier: 'espalier',
  cordon: 'cordon',
  hedge: 'hedge row',
  bush: 'bush',
  natural: 'natural',
};

export const BEARINGS: Record<string, string> = {
  unknown: 'nobody knows',
  spur: 'on spurs',
  'part-tip': 'partly at the tips',
  tip: 'at the tips',
};

export const PURPOSES: Record<string, string> = {
  picking: 'people picking',
  wildlife: 'wildlife',
  beauty: 'beauty',
  shade: 'shade',
  underplanting: 'growing things beneath',
};

export const TRIAGE: Record<string, string> = {
  refer: 'ask an arborist',
  'take-out': 'take out',
  rest: 'rest',
  renovate: 'renovate',
  maintain: 'maintain',
  unsurveyed: 'not surveyed',
};

export const TRIAGE_MEANS: Record<string, string> = {
  refer: 'have a licensed arborist look at it',
  'take-out': 'beyond saving',
  rest: 'only dead, diseased and dangerous wood this year',
  renovate: 'needs work over several years',
  maintain: 'ordinary yearly cutting will do',
  unsurveyed: 'walk it first',
};

/** Which school decides when a kind is cut. */
export const SCHOOL_OF: Record<string, string> = {
  apple: 'pome',
  pear: 'pome',
  quince: 'pome',
  medlar: 'pome',
  apricot: 'apricot',
  peach: 'peach',
  nectarine: 'peach',
};

/** The sides practitioners take, with why. */
export const SCHOOLS: Record<string, { label: string; options: Record<string, string> }> = {
  allowance: {
    label: 'Crown a tree may lose in a year',
    options: {
      quarter: 'A quarter – the careful rule: over it a tree answers with leaf',
      third: 'A third – usual for trees in good vigour',
    },
  },
  pome: {
    label: 'Apples, pears and their like',
    options: {
      'late-winter': 'Late winter – structure shows, wounds close soon',
      'late-summer': 'Late summer, with a light tidy in late winter – checks growth',
    },
  },
  apricot: {
    label: 'Apricots',
    options: {
      'dry-summer': 'Dry summer – no spores for the wounds',
      'bud-swell': 'Bud swell – sap moves and wounds close',
      'winter-sealed': 'Winter, cuts sealed – an older way',
    },
  },
  peach: {
    label: 'Peaches and nectarines',
    options: {
      'bud-swell': 'Bud swell to bloom – flower buds can be told',
      'after-picking': 'After picking, with a light tidy in late winter',
      'leaf-fall': 'Leaf fall',
    },
  },
  fig: {
    label: 'Renewing figs',
    options: {
      whole:
        'The whole tree every third year – simple; the first crop is lost, the main crop comes on the new shoots',
      'by-limb': 'A quarter of the stems a year – keeps both crops',
    },
  },
  inGrowth: {
    label: 'Cutting in growth, to keep small',
    options: {
      none: 'No – what is cut early in growth branches again, and leaf that feeds the fruit is lost',
      'keep-small': 'From fruit set until shoots stop, at most a tenth – it checks growth',
    },
  },
  bend: {
    label: 'Spreading steep young branches',
    options: {
      slanting: 'To about 45 degrees – growth and fruit in balance',
      level: 'Level – earliest fruit',
    },
  },
  sealing: {
    label: 'Wounds',
    options: {
      none: 'Left open – sealing traps damp',
      'stone-fruit': 'Stone fruit sealed at once, against gumming',
    },
  },
};

export const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

export const HABITS: Record<string, string> = {
  upright: 'upright',
  spreading: 'spreading',
  hanging: 'hanging',
};

export const HEIGHT_SET_BY: Record<string, string> = {
  reach: 'picking from the ground',
  stepladder: 'a small stepladder',
  'net-frame': 'a net frame',
  building: 'a building',
  'neighbour-light': 'a neighbour’s light',
};

export const CONSENTS: Record<string, string> = {
  'not-needed': 'not needed',
  'to-ask': 'still to ask',
  given: 'given',
  refused: 'refused',
};
