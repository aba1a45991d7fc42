/** On what grounds a tree may be taken out. */
export const GROUNDS: Record<string, string> = {
  'beyond-saving': 'beyond saving',
  'spreading-disease': 'incurable and spreading',
  'wrong-place': 'in the wrong place',
  'shades-better': 'shading better trees',
  'too-close': 'far too close to others',
  fell: 'it fell',
};
