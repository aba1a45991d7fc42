import type { BearsOn } from '../drawing/WoodDrawing';

/** What a kind bears on and what is done to it each year, in a coordinator's words. */
export interface KindWork {
  bears: BearsOn;
  on: string;
  work: string[];
  /** Whether its shoots are told by their buds. */
  buds?: boolean;
}

const POME: KindWork = {
  bears: 'spurs',
  on: 'On spurs of wood two years old and more. A spur grows under a centimetre a year; its fruit is best while it is young. Some kinds bear at shoot ends: those are thinned, never tipped.',
  work: ['Trained trees: laterals to three buds in summer, what grows on them to one.'],
};
const CHERRY: KindWork = {
  bears: 'spurs',
  on: 'On spurs that last for years; level or slightly hanging wood fruits best.',
  work: ['Cut after picking, on dry days: upright shoots are leaf only.'],
};
const CURRANT: KindWork = {
  bears: 'spurs',
  on: 'On spurs of wood two and three years old, and at the base of last year’s shoots.',
  work: [
    'First what is ticked (crossing, inward, low), then rubbing pairs, then the oldest out, a third a year, until eight to ten branches stay.',
    'Each that stays loses half of last year’s growth, its side shoots all but a few centimetres.',
    'After a hard cut choose among the new shoots; do not tear them off.',
  ],
};
const PEACH: KindWork = {
  bears: 'last-years',
  on: 'On last year’s shoots only, where a leaf bud sits beside flower buds.',
  work: [
    'What fruited goes out to the nearest new shoot close to the frame; until one is there it is grown first.',
    'Shoots of last year stay one for each hand’s breadth of arm; over half a metre they lose a third.',
    'The others go to three or four buds: they make the wood of next year.',
  ],
  buds: true,
};

export const KIND_WORK: Record<string, KindWork> = {
  apple: POME,
  pear: POME,
  quince: POME,
  medlar: { ...POME, on: 'At the ends of short shoots on older wood.', work: [] },
  plum: {
    bears: 'last-years',
    on: 'On last year’s and two-year wood, and on spurs.',
    work: [
      'In July long shoots go to two buds, which keeps it small, and laterals to three: the top bud extends, the lower ones fruit.',
    ],
  },
  'sweet-cherry': CHERRY,
  'sour-cherry': {
    bears: 'last-years',
    on: 'On last year’s shoots.',
    work: ['After picking a quarter of the old wood is renewed.'],
  },
  apricot: {
    bears: 'spurs',
    on: 'On spurs and last year’s wood near the main branches.',
    work: [
      'Fruiting wood that reaches half a metre from its arm goes back to a young shoot near it, prepared ones first.',
      'Shoots of a year over half a metre are tipped.',
    ],
  },
  peach: PEACH,
  nectarine: PEACH,
  fig: {
    bears: 'this-years',
    on: 'The main crop on this year’s shoots, which grow from last year’s wood; the first crop on last year’s wood itself.',
    work: [
      'Whole: every third year every stem to about 1.2 m, then three to five outward shoots a stem are chosen in early summer.',
      'Limb by limb: a quarter of the stems a year, those over 1.5 m.',
      'Else last year’s shoots to one or two buds, and crowded wood thinned.',
      'Strong shoots are pinched by the day from which a fig cannot ripen; a weak or young fig loses its figs.',
    ],
  },
  persimmon: {
    bears: 'this-years',
    on: 'On this year’s shoots, which grow from last year’s wood.',
    work: [
      'In early summer strong shoots over 60 cm are topped: each becomes several, which flower next year. None is taken as an upright in winter.',
    ],
  },
  citrus: {
    bears: 'all',
    on: 'On shoots of all ages; it is never opened.',
    work: ['A small or fruiting one is left alone; else it is trimmed to size after the last frost.'],
  },
  pomegranate: {
    bears: 'spurs',
    on: 'On spurs of wood two and three years old.',
    work: ['On a wall its ties are mended before the first cut. Gloves: it has thorns.'],
  },
  gooseberry: CURRANT,
  'red-currant': CURRANT,
  'black-currant': {
    bears: 'last-years',
    on: 'On last year’s shoots.',
    work: ['A third of the oldest stems go to the ground each year.'],
  },
  mulberry: {
    bears: 'this-years',
    on: 'On this year’s shoots.',
    work: ['Cut in the dead of winter only: it bleeds once sap rises.'],
  },
  walnut: {
    bears: 'this-years',
    on: 'At the ends of shoots.',
    work: ['Cut in August only, and little: it bleeds in winter and spring.'],
  },
};
