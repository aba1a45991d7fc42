/** What the survey's fields and values are called, for people walking round a tree. */

export const FAULTS: Record<string, string> = {
  dead: 'dead',
  'tip-dieback': 'dying back at the tip',
  diseased: 'diseased',
  broken: 'broken',
  cracked: 'cracked',
  stub: 'stub',
  'narrow-union': 'narrow fork',
  'included-bark': 'bark pressed in',
  rubbing: 'rubbing',
  'crossing-centre': 'crosses the centre',
  inward: 'grows inward',
  'upright-shoot': 'upright shoot, 1–2 years',
  'upright-unfruitful': 'upright, older, no fruit',
  weeping: 'weeping',
  low: 'too low',
  shaded: 'shaded underneath',
  crowded: 'crowded',
  encroaching: 'in the way of something',
  spent: 'spent, has borne out',
  overlong: 'overlong',
  'below-graft': 'from below the graft',
};

/** The three Ds first. */
export const FAULT_GROUPS: { name: string; kinds: string[] }[] = [
  {
    name: 'Dead, diseased, damaged',
    kinds: ['dead', 'diseased', 'broken', 'cracked', 'tip-dieback', 'stub'],
  },
  {
    name: 'With another limb',
    kinds: ['rubbing', 'crowded', 'narrow-union', 'included-bark'],
  },
  {
    name: 'Where it grows',
    kinds: [
      'crossing-centre',
      'inward',
      'upright-shoot',
      'upright-unfruitful',
      'weeping',
      'low',
      'shaded',
      'encroaching',
      'overlong',
      'spent',
      'below-graft',
    ],
  },
];

export const PAIRED = ['rubbing', 'crowded', 'narrow-union', 'included-bark'];

export const DISEASES: Record<string, string> = {
  unknown: 'not known',
  canker: 'canker',
  'silver-leaf': 'silver leaf',
  'bacterial-canker': 'bacterial canker',
  gumming: 'gumming',
  'fire-blight': 'fire blight',
  'branch-dieback': 'branch dieback',
  'leaf-curl': 'leaf curl',
  insect: 'insect',
};

export const ROLES: Record<string, string> = {
  leader: 'leader',
  scaffold: 'scaffold',
  tier: 'tier',
  renewal: 'renewal',
  'fruiting-arm': 'fruiting arm',
};

export const FRUITING: Record<string, string> = { 0: 'none', 1: 'sparse', 2: 'good', 3: 'crowded' };

export const LEAFINESS: Record<string, string> = { 1: 'as thick as it is', 0.5: 'half', 0.2: 'nearly bare' };

export const OVER: Record<string, string> = {
  path: 'path',
  bench: 'bench',
  building: 'building',
  road: 'road',
  'power-line': 'power line',
};

export const LEANS: Record<string, string> = {
  none: 'upright',
  old: 'an old lean',
  'lifting-soil': 'leans, soil lifts',
};

export const UNIONS: Record<string, string> = {
  wide: 'wide, a U',
  narrow: 'narrow, a V',
  'bark-pressed': 'bark pressed in',
};

export const LOPSIDED: Record<string, string> = {
  shade: 'shade',
  wind: 'wind',
  'roots-eaten': 'roots eaten',
  'old-break': 'an old break',
  unknown: 'nobody knows',
};

export const LAST_CUT: Record<string, string> = { light: 'lightly', moderate: 'moderately', hard: 'hard' };

export const DENSITY: Record<string, string> = {
  open: 'open, over two fifths',
  medium: 'a fifth to two fifths',
  dense: 'dense, under a fifth',
};

export const BENEATH: Record<string, string> = {
  path: 'path',
  bench: 'bench',
  bed: 'bed',
  fence: 'fence',
  building: 'building',
  road: 'road',
  'power-line': 'power line',
};

export const AROUND: Record<string, string> = { tree: 'tree', wall: 'wall', hedge: 'hedge' };

/** Kinds with stems and no trunk. */
export const isBush = (species: string) => ['gooseberry', 'red-currant', 'black-currant'].includes(species);

const FIELDS: Record<string, string> = {
  heightM: 'height',
  spreadM: 'width of the crown',
  trunkGirthCm: 'girth of the trunk',
  shootExtensionCm: 'end shoots',
  leafDensity: 'sky through the crown',
  waterSprouts: 'upright shoots',
  youngShoots: 'shoots counted',
  rootSuckers: 'root suckers',
  yearsSinceCut: 'years since cut',
  removedLast12Months: 'taken in the last year',
  crackCm: 'crack',
  soundWallCm: 'sound wall',
  diameterCm: 'width',
  originHeightM: 'where it leaves the trunk',
  originAlongM: 'where it leaves its limb',
  azimuthDeg: 'direction',
  angleDeg: 'angle',
  lengthM: 'length',
  woodYears: 'age of its wood',
  parent: 'what it grows from',
  id: 'tag',
  surveyedOn: 'day of the walk',
  distanceM: 'distance',
  bearingDeg: 'direction',
  radiusM: 'radius',
};

/** A field's pointer in words: /limbs/2/diameterCm becomes Limb B, width. */
export function fieldName(pointer: string, limbIds: string[]): string {
  const parts = pointer.split('/').slice(1);
  const last = parts.findLast((part) => !/^\d+$/.test(part)) ?? '';
  const name = FIELDS[last] ?? last;
  if (parts[0] === 'limbs' && parts[1] !== undefined)
    return 'Limb ' + (limbIds[Number(parts[1])] ?? parts[1]) + ', ' + name;
  return name.charAt(0).toUpperCase() + name.slice(1);
}
