/** What is said of visits and reports. */

export const OUTCOMES: Record<string, string> = { done: 'Done', other: 'Other', 'not-done': 'Not done' };

export const DONE: Record<string, string> = { remove: 'removed', shorten: 'shortened', bend: 'bent' };

/** What came off besides limbs. */
export const WHOLE_TREE = 'taken-out';

export const WOOD: Record<string, string> = {
  sound: 'sound',
  stained: 'stained',
  soft: 'soft',
  hollow: 'hollow',
};

export const PRUNINGS: Record<string, string> = {
  chipped: 'chipped',
  stacked: 'stacked',
  'carried-off': 'carried off',
  left: 'left lying',
};

export const REPORTS: Record<string, string> = {
  'broken-limb': 'broken limb',
  'hanging-limb': 'limb hanging loose',
  leaning: 'leaning tree',
  split: 'split trunk or fork',
  fallen: 'fallen tree',
  disease: 'disease',
  other: 'something else',
};
