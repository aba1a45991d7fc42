/** On which wood a kind carries its fruit. */
export type BearsOn = 'spurs' | 'last-years' | 'this-years' | 'all';

const NAMES: Record<BearsOn, string> = {
  spurs: 'fruit on short spurs of older wood',
  'last-years': 'fruit along the shoot of last year',
  'this-years': 'fruit on the shoot of this year, which grows from last year’s wood',
  all: 'fruit on shoots of all ages',
};

const FRUIT: Record<BearsOn, [number, number][]> = {
  spurs: [
    [52, 40],
    [88, 84],
    [120, 32],
  ],
  'last-years': [
    [172, 44],
    [196, 66],
    [220, 38],
  ],
  'this-years': [
    [262, 36],
    [286, 54],
    [306, 30],
  ],
  all: [
    [88, 84],
    [196, 66],
    [286, 54],
  ],
};

/** A branch from old wood to this year's shoot, with its rings of scars, and where its kind fruits. */
export function WoodDrawing({ bears }: { bears: BearsOn }) {
  return (
    <svg
      viewBox="0 0 330 110"
      role="img"
      aria-label={'Old wood, last year’s and this year’s; ' + NAMES[bears]}
      className="wood-drawing"
    >
      <path d="M4 70 C60 66 110 60 150 56" className="old" />
      <path d="M150 56 C180 54 210 50 240 48" className="last" />
      <path d="M240 48 C270 46 300 40 324 34" className="this" />
      {[150, 240].map((x, i) => (
        <path key={x} d={i === 0 ? 'M147 49 v14 M151 49 v14' : 'M238 43 v10 M242 43 v10'} className="scars" />
      ))}
      {bears === 'spurs' &&
        ['M52 66 l0 -18', 'M88 63 l0 14', 'M120 60 l0 -20'].map((spur) => (
          <path key={spur} d={spur} className="spur" />
        ))}
      {FRUIT[bears].map(([x, y]) => (
        <circle key={x} cx={x} cy={y} r={8} className="fruit" />
      ))}
      <text x={60} y={104}>
        older
      </text>
      <text x={160} y={104}>
        last year’s
      </text>
      <text x={248} y={104}>
        this year’s
      </text>
    </svg>
  );
}
