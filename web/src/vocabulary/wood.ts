/** On what grounds a tree may be taken out. */
export const GROUNDS: Record<string, string> = {
  'beyond-saving': 'beyond saving',
  'spreading-disease': 'incurable and spreading',
  'wrong-place': 'in the wrong place',
  'shades-better': 'shading better trees',
  'too-close': 'far too close to others',
  fell: 'it fell',
};

/** How sound a tree's wood is. */
export const GRADES: Record<string, string> = {
  A: 'sound',
  B: 'good',
  C: 'fair',
  D: 'poor',
  E: 'failing',
};

export const GRADE_PARTS: Record<string, string> = {
  'dead-wood': 'Dead wood',
  disease: 'Disease',
  decay: 'Decay',
  'cracks-and-unions': 'Cracks and forks',
  'wounds-not-closing': 'Wounds not closing',
  vigour: 'Vigour',
};

/** What a wound looks like. */
export const WOUND_STATES: Record<string, string> = {
  closing: 'closing',
  closed: 'closed',
  dry: 'dry',
  weeping: 'weeping',
  soft: 'soft',
  fungus: 'fungus',
};

/** What becomes of it. */
export const WOUND_COURSES: Record<string, string> = {
  closing: 'closing',
  closed: 'closed',
  'not-closing': 'not closing',
};

/** How a disease stands on a tree. */
export const SEEN_STATES: Record<string, string> = {
  suspected: 'suspected',
  active: 'active',
  treated: 'treated',
  gone: 'gone',
};
