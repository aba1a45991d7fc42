/** What judgements, cuts and seasons are called. */

export const VERDICTS: Record<string, string> = {
  keep: 'keep',
  bend: 'bend',
  shorten: 'shorten',
  remove: 'remove',
  wait: 'wait',
  'goes-with-parent': 'goes with it',
};

/** The rules of the verdict table, as a pruner names them. */
export const RULES: Record<string, string> = {
  decided: 'decided by people',
  dead: 'dead',
  diseased: 'diseased',
  damaged: 'damaged',
  'split-union': 'split union',
  rubbing: 'rubbing',
  'into-centre': 'into the centre',
  'thick-side-limb': 'thick side limb',
  'upright-shoot': 'upright shoot',
  'upright-unfruitful': 'upright, older, few spurs',
  'shaded-underneath': 'underneath, shaded, weak',
  crowded: 'crowded',
  renewal: 'renewal',
  'too-high': 'too high',
  weeping: 'weeping',
  low: 'low',
  encroaching: 'reaching too far',
  'below-graft': 'below the graft',
  overlong: 'overlong',
  'too-many-mains': 'too many mains',
  'out-of-shape': 'out of shape',
  'kind-wood': 'work of its kind',
  'strong-graft': 'the stronger graft gives way',
  forming: 'forming a young tree',
  pliable: 'pliable',
  fruitful: 'fruiting wood',
  'nothing-clear': 'nothing clear',
};

export const CUTS: Record<string, string> = {
  collar: 'at the collar',
  'to-side-branch': 'to a side branch',
  heading: 'to a bud',
  renewal: 'to young wood',
  topping: 'tip taken',
  sucker: 'at its origin',
  bend: 'spread or tie',
};

export const CUT_MEANS: Record<string, string> = {
  collar:
    'The collar is the thickening where a branch joins its stem. Cut just outside it: neither flush nor leaving a stub.',
  topping:
    'Take the tip of the growing shoot, down to a good leaf: the buds below it break and make several shoots.',
  'to-side-branch': 'Cut just above the side branch, which takes over.',
  heading: 'About 6 mm above an outward bud, sloping at about 45 degrees, water running off.',
  renewal: 'Cut to the young wood that takes over, or to the ground.',
  sucker: 'Tear it off or cut it as low as can be.',
  bend: 'Spread with a stick or tie down; ties come off before they bite.',
};

export const TECHNIQUES: Record<string, string> = {
  single: 'one cut',
  'three-cut': 'three cuts: undercut, take the weight off, then the last one',
  tie: 'no cut',
};

export const TOOLS: Record<string, string> = {
  secateurs: 'secateurs',
  loppers: 'loppers',
  saw: 'saw',
  'pole-pruner': 'pole pruner',
  'pole-saw': 'pole saw',
  spreader: 'spreader stick or tie',
};

export const REACHES: Record<string, string> = {
  ground: 'from the ground',
  pole: 'with a pole',
  ladder: 'from a ladder',
  climb: 'climbing',
};

export const TICKETS: Record<string, string> = {
  lead: 'crew leader',
  'first-aid': 'first aid',
  ladder: 'ladder ticket',
  'pole-saw': 'pole saw ticket',
  'powered-saw': 'powered saw ticket',
  climbing: 'climbing ticket',
  arborist: 'licensed arborist',
};

export const VIGOURS: Record<string, string> = {
  weak: 'weak growth',
  modest: 'modest growth',
  good: 'good growth',
  strong: 'strong growth',
  rank: 'rank growth',
};

export const MAY_CUT: Record<string, string> = {
  yes: 'may be cut today',
  'with-care': 'may be cut today with care',
  no: 'not to be cut today',
};

export const ON_A_DAY: Record<string, string> = { yes: 'yes', 'with-care': 'with care', no: 'no' };

export const SEASONS: Record<string, string> = {
  dormant: 'while dormant',
  'bud-swell': 'at bud swell',
  'early-summer': 'in early summer',
  summer: 'in summer',
  'after-picking': 'after picking',
  'leaf-fall': 'at leaf fall',
  any: 'in any season',
};

export const ENTITIES: Record<string, string> = {
  site: 'site',
  tree: 'tree',
  survey: 'survey',
  plan: 'plan',
  log: 'log',
  report: 'report',
  fruit: 'fruit',
  removal: 'removal',
  day: 'work day',
  person: 'person',
  figure: 'number of the rules',
  learning: 'going by what is learned',
  crop: 'fruits counted',
  hours: 'hours of the seasons',
  programme: 'year a tree begins in',
  task: 'task',
  wound: 'wound',
  look: 'look at a wound',
  disease: 'disease seen',
  picking: 'picking',
  incident: 'incident',
  attendance: 'who was there',
  'first-list': 'list before the first cut',
  photo: 'photo',
  sighting: 'stage seen',
  care: 'care',
  'what-if': 'what if',
  'day-note': 'note of the day',
  member: 'rights of somebody',
  owner: 'whose a tree is',
  consent: 'consent of an owner',
  wishes: 'wishes of an owner',
  contentment: 'contentment of an owner',
  invitation: 'way in',
  forgotten: 'somebody forgotten',
};
