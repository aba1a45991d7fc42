import { acrossOf, type Camera, downOf, nearOf, turned } from './camera';
import { chance } from './seed';
import type { Body, Point, Skeleton } from './skeleton';

/** The colours of the sheet, as "#rrggbb". */
export interface Palette {
  sheet: string;
  ink: string;
  wood: string;
  going: string;
  goingWood: string;
  picked: string;
  answer: string;
  /** Leaf from dark to open, and without light told. */
  leaf: string[];
  goingLeaf: string;
}

/** How the tree is shown now. */
export interface Look {
  goes: (limb: string) => boolean;
  picked?: string;
  light?: Map<string, number>;
  inLeaf: boolean;
}

const SLICES = 7;
const WOOD = { plain: 0, going: 1, answer: 2, picked: 3 } as const;
const WOODS = 4;
/** Four tints of light, and leaf that goes. */
const TINTS = 5;
const GOING_LEAF = 4;

/** A line along the bark: how far in from the shaded edge, and from where to where along. */
interface BarkLine {
  in: number;
  from: number;
  to: number;
}

interface Ribbon {
  body: Body;
  wood: number;
  bark: BarkLine[];
  /** The first place at which it has come out of the wood it grows from. */
  out: number;
}

/** A skeleton made ready to be painted many times: flat numbers, and what each stroke is. */
export interface Inked {
  ribbons: Ribbon[];
  trunk: Ribbon;
  twigs: Float32Array;
  twigEnds: Uint32Array;
  twigWoods: Uint8Array;
  leaves: Float32Array;
  leafTints: Uint8Array;
  fruits: Float32Array;
  skeleton: Skeleton;
  /** Farthest place from the trunk's axis, m. */
  reachM: number;
  /** Kept between frames so that none is made for each. */
  twigLists: number[][];
  leafLists: number[][];
}

const distance = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

function ribbon(body: Body, wood: number, hiddenM: number): Ribbon {
  const dice = chance(body.id, 'bark');
  const lines = Math.min(16, 2 + Math.floor(body.widths[Math.floor(body.widths.length / 3)]! * 46));
  const bark = Array.from({ length: lines }, (_, k) => {
    const from = dice() * 0.55;
    return { in: 0.1 + 0.55 * (k / lines) ** 1.3, from, to: Math.min(0.96, from + 0.2 + dice() * 0.45) };
  });
  const out = body.axis.findIndex((at) => distance(at, body.axis[0]!) >= hiddenM);
  return { body, wood, bark, out: out < 0 ? body.axis.length - 1 : out };
}

export function inked(skeleton: Skeleton, look: Look): Inked {
  const woodOf = (limb: string) =>
    limb === look.picked ? WOOD.picked : look.goes(limb) ? WOOD.going : WOOD.plain;
  const bodies = new Map(skeleton.limbs.map((body) => [body.id, body]));
  const trunkHalf = skeleton.trunk.widths[7]! / 2;
  const ribbons = skeleton.limbs.map((body) => {
    const parent = body.parent ? bodies.get(body.parent) : undefined;
    return ribbon(body, woodOf(body.id), parent ? parent.widths[parent.widths.length >> 1]! / 2 : trunkHalf);
  });
  const points = skeleton.twigs.reduce((sum, twig) => sum + twig.line.length, 0);
  const twigs = new Float32Array(points * 3);
  const twigEnds = new Uint32Array(skeleton.twigs.length);
  let at = 0;
  skeleton.twigs.forEach((twig, i) => {
    for (const point of twig.line) {
      twigs.set(point, at * 3);
      at++;
    }
    twigEnds[i] = at;
  });
  const tint = (limb: string) =>
    woodOf(limb) === WOOD.going ? GOING_LEAF : Math.min(3, Math.floor((look.light?.get(limb) ?? 0.4) / 0.2));
  const leaves = new Float32Array(look.inLeaf ? skeleton.leaves.length * 6 : 0);
  const leafTints = new Uint8Array(look.inLeaf ? skeleton.leaves.length : 0);
  if (look.inLeaf) {
    const tints = new Map<string, number>();
    skeleton.leaves.forEach((leaf, i) => {
      leaves.set(leaf.at, i * 6);
      leaves.set(leaf.to, i * 6 + 3);
      let its = tints.get(leaf.limb);
      if (its === undefined) tints.set(leaf.limb, (its = tint(leaf.limb)));
      leafTints[i] = its;
    });
  }
  const shown = look.inLeaf ? skeleton.fruits.filter((one) => !look.goes(one.limb)) : [];
  const fruits = new Float32Array(shown.length * 3);
  shown.forEach((one, i) => fruits.set(one.at, i * 3));
  return {
    ribbons,
    trunk: ribbon(skeleton.trunk, WOOD.plain, 0),
    twigs,
    twigEnds,
    twigWoods: Uint8Array.from(skeleton.twigs, (twig) => (twig.answer ? WOOD.answer : woodOf(twig.limb))),
    leaves,
    leafTints,
    fruits,
    skeleton,
    reachM: Math.max(0.5, ...skeleton.limbs.flatMap((body) => body.axis.map((p) => Math.hypot(p[0], p[1])))),
    twigLists: Array.from({ length: SLICES * WOODS }, () => []),
    leafLists: Array.from({ length: SLICES * TINTS }, () => []),
  };
}

const rgb = (colour: string) => [1, 3, 5].map((i) => parseInt(colour.slice(i, i + 2), 16));

/** A colour on its way to the sheet's. */
function paler(colour: string, sheet: string, by: number): string {
  const [from, to] = [rgb(colour), rgb(sheet)];
  return 'rgb(' + from.map((value, i) => Math.round(value + (to[i]! - value) * by)).join(' ') + ')';
}

/** How pale each slice is, the farthest first. */
const paleness = (slice: number) => Math.max(0, 0.5 - (0.62 * slice) / (SLICES - 1));

/** What each slice is drawn in. */
interface Inks {
  edge: string[];
  wood: string[];
  twig: string[];
  leaf: string[];
  fruit: string;
}
const known = new WeakMap<Palette, Map<string, Inks[]>>();

function inksOf(palette: Palette, fruit: string): Inks[] {
  let ofPalette = known.get(palette);
  if (!ofPalette) known.set(palette, (ofPalette = new Map<string, Inks[]>()));
  let inks = ofPalette.get(fruit);
  if (!inks) {
    inks = Array.from({ length: SLICES }, (_, slice) => {
      const by = paleness(slice);
      const to = (colour: string, more = 0) => paler(colour, palette.sheet, Math.min(0.85, by + more));
      return {
        edge: [to(palette.ink), to(palette.going), to(palette.answer), to(palette.picked)],
        wood: [to(palette.wood), to(palette.goingWood), to(palette.wood), to(palette.goingWood)],
        twig: [to(palette.ink, 0.12), to(palette.going, 0.3), to(palette.answer), to(palette.picked)],
        leaf: [...palette.leaf, palette.goingLeaf].map((colour) => to(colour)),
        fruit: to(fruit),
      };
    });
    ofPalette.set(fruit, inks);
  }
  return inks;
}

/** Lays an empty canvas over a piece of paper in metres, as large as it goes and in the middle; how many pixels a metre is. */
export function layPaper(
  ctx: CanvasRenderingContext2D,
  [left, top, wide, high]: readonly [number, number, number, number],
): number {
  const { width, height } = ctx.canvas;
  const scale = Math.min(width / wide, height / high);
  ctx.setTransform(1, 0, 0, 1, 0, 0);
  ctx.clearRect(0, 0, width, height);
  const across = (width - wide * scale) / 2 - left * scale;
  ctx.setTransform(scale, 0, 0, scale, across, (height - high * scale) / 2 - top * scale);
  return scale;
}

/**
 * Paints the tree as ink on paper: what is far first and paler. The canvas is laid so that a metre is `scale` pixels and the
 * foot of the trunk lies at its origin; nothing is drawn thinner than can be seen.
 */
export function paint(
  ctx: CanvasRenderingContext2D,
  tree: Inked,
  camera: Camera,
  palette: Palette,
  scale: number,
) {
  const t = turned(camera);
  const inks = inksOf(palette, tree.skeleton.habit.fruit);
  const thin = (metres: number, least = 0.7) => Math.max(metres, least / scale);
  const spread = tree.reachM;
  const sliceOf = (near: number) =>
    Math.max(0, Math.min(SLICES - 1, Math.floor(((near / spread + 1) / 2) * SLICES)));
  ctx.lineCap = 'round';
  ctx.lineJoin = 'round';

  for (const list of tree.twigLists) list.length = 0;
  for (const list of tree.leafLists) list.length = 0;
  const { twigs, twigEnds, twigWoods, leaves, leafTints } = tree;
  for (let i = 0, start = 0; i < twigEnds.length; i++) {
    const middle = ((start + twigEnds[i]!) >> 1) * 3;
    const slice = sliceOf(nearOf(t, twigs[middle]!, twigs[middle + 1]!, twigs[middle + 2]!));
    tree.twigLists[slice * WOODS + twigWoods[i]!]!.push(i);
    start = twigEnds[i]!;
  }
  for (let i = 0; i < leafTints.length; i++) {
    const slice = sliceOf(nearOf(t, leaves[i * 6]!, leaves[i * 6 + 1]!, leaves[i * 6 + 2]!));
    tree.leafLists[slice * TINTS + leafTints[i]!]!.push(i);
  }
  const wood = tree.ribbons
    .map((one) => {
      const at = one.body.axis[one.body.axis.length >> 1]!;
      return { ribbon: one, near: nearOf(t, at[0], at[1], at[2]) };
    })
    .sort((one, other) => one.near - other.near);
  const middle = sliceOf(0);
  let next = 0;
  for (let slice = 0; slice < SLICES; slice++) {
    const ink = inks[slice]!;
    if (slice === middle) paintRibbon(ctx, tree.trunk, t, inks[SLICES - 2]!, thin, true);
    while (next < wood.length && (slice === SLICES - 1 || sliceOf(wood[next]!.near) <= slice)) {
      paintRibbon(ctx, wood[next]!.ribbon, t, ink, thin, false);
      next++;
    }
    for (let which = 0; which < WOODS; which++) {
      const list = tree.twigLists[slice * WOODS + which]!;
      if (list.length === 0) continue;
      ctx.strokeStyle = ink.twig[which]!;
      ctx.beginPath();
      for (const i of list) {
        const start = i === 0 ? 0 : twigEnds[i - 1]!;
        for (let k = start; k < twigEnds[i]!; k++) {
          const e = twigs[k * 3]!;
          const n = twigs[k * 3 + 1]!;
          const u = twigs[k * 3 + 2]!;
          if (k === start) ctx.moveTo(acrossOf(t, e, n, u), downOf(t, e, n, u));
          else ctx.lineTo(acrossOf(t, e, n, u), downOf(t, e, n, u));
        }
      }
      ctx.lineWidth = thin(0.0085, 0.75);
      ctx.stroke();
    }
    const broad = (tree.skeleton.habit.broad * tree.skeleton.habit.leafM) / 2;
    for (let tint = 0; tint < TINTS; tint++) {
      const list = tree.leafLists[slice * TINTS + tint]!;
      if (list.length === 0) continue;
      ctx.fillStyle = ink.leaf[tint]!;
      ctx.beginPath();
      for (const i of list) {
        const k = i * 6;
        const x0 = acrossOf(t, leaves[k]!, leaves[k + 1]!, leaves[k + 2]!);
        const y0 = downOf(t, leaves[k]!, leaves[k + 1]!, leaves[k + 2]!);
        const x1 = acrossOf(t, leaves[k + 3]!, leaves[k + 4]!, leaves[k + 5]!);
        const y1 = downOf(t, leaves[k + 3]!, leaves[k + 4]!, leaves[k + 5]!);
        const long = Math.hypot(x1 - x0, y1 - y0) || 1e-6;
        const px = (-(y1 - y0) / long) * broad;
        const py = ((x1 - x0) / long) * broad;
        const mx = x0 + (x1 - x0) * 0.45;
        const my = y0 + (y1 - y0) * 0.45;
        ctx.moveTo(x0, y0);
        ctx.lineTo(mx + px, my + py);
        ctx.lineTo(x1, y1);
        ctx.lineTo(mx - px, my - py);
      }
      ctx.fill();
    }
    paintFruits(ctx, tree, t, slice, sliceOf, ink, thin);
  }
}

function paintFruits(
  ctx: CanvasRenderingContext2D,
  tree: Inked,
  t: ReturnType<typeof turned>,
  slice: number,
  sliceOf: (near: number) => number,
  ink: Inks,
  thin: (metres: number, least?: number) => number,
) {
  const { fruits } = tree;
  const radius = thin(tree.skeleton.habit.fruitM / 2, 1.6);
  ctx.beginPath();
  let any = false;
  for (let i = 0; i < fruits.length; i += 3) {
    const [e, n, u] = [fruits[i]!, fruits[i + 1]!, fruits[i + 2]!];
    if (sliceOf(nearOf(t, e, n, u)) !== slice) continue;
    const x = acrossOf(t, e, n, u);
    const y = downOf(t, e, n, u);
    ctx.moveTo(x + radius, y);
    ctx.arc(x, y, radius, 0, 2 * Math.PI);
    any = true;
  }
  if (!any) return;
  ctx.fillStyle = ink.fruit;
  ctx.fill();
  ctx.strokeStyle = ink.edge[0]!;
  ctx.lineWidth = thin(0.006, 0.5);
  ctx.stroke();
}

const left: number[] = [];
const right: number[] = [];

function paintRibbon(
  ctx: CanvasRenderingContext2D,
  { body, wood, bark, out }: Ribbon,
  t: ReturnType<typeof turned>,
  ink: Inks,
  thin: (metres: number, least?: number) => number,
  isTrunk: boolean,
) {
  const { axis, widths } = body;
  const count = axis.length;
  left.length = right.length = 0;
  for (let i = 0; i < count; i++) {
    const [e, n, u] = axis[i]!;
    const [e0, n0, u0] = axis[Math.max(0, i - 1)]!;
    const [e1, n1, u1] = axis[Math.min(count - 1, i + 1)]!;
    const dx = acrossOf(t, e1, n1, u1) - acrossOf(t, e0, n0, u0);
    const dy = downOf(t, e1, n1, u1) - downOf(t, e0, n0, u0);
    const long = Math.hypot(dx, dy) || 1e-6;
    const half = thin(widths[i]!, 1.3) / 2;
    const x = acrossOf(t, e, n, u);
    const y = downOf(t, e, n, u);
    left.push(x - (dy / long) * half, y + (dx / long) * half);
    right.push(x + (dy / long) * half, y - (dx / long) * half);
  }
  ctx.beginPath();
  ctx.moveTo(left[0]!, left[1]!);
  for (let i = 1; i < count; i++) ctx.lineTo(left[2 * i]!, left[2 * i + 1]!);
  for (let i = count - 1; i >= 0; i--) ctx.lineTo(right[2 * i]!, right[2 * i + 1]!);
  ctx.closePath();
  ctx.fillStyle = ink.wood[wood]!;
  ctx.fill();
  // Light comes from the upper left: the other side is in shade.
  const mid = count >> 1;
  const leftIsShaded =
    left[2 * mid]! - right[2 * mid]! + (left[2 * mid + 1]! - right[2 * mid + 1]!) * 0.6 > 0;
  const shaded = leftIsShaded ? left : right;
  const lit = leftIsShaded ? right : left;
  const from = isTrunk ? 0 : Math.min(out, count - 2);
  const to = isTrunk ? count - 2 : count - 1;
  ctx.strokeStyle = ink.edge[wood]!;
  const edge = (side: number[], width: number) => {
    ctx.beginPath();
    ctx.moveTo(side[2 * from]!, side[2 * from + 1]!);
    for (let i = from + 1; i <= to; i++) ctx.lineTo(side[2 * i]!, side[2 * i + 1]!);
    ctx.lineWidth = width;
    ctx.stroke();
  };
  edge(lit, thin(0.009, 0.7));
  edge(shaded, thin(0.022, 1.1));
  ctx.beginPath();
  if (!body.living) {
    for (let i = from; i < to; i++) {
      ctx.moveTo(left[2 * i]!, left[2 * i + 1]!);
      ctx.lineTo(right[2 * i + 2]!, right[2 * i + 3]!);
      ctx.moveTo(right[2 * i]!, right[2 * i + 1]!);
      ctx.lineTo(left[2 * i + 2]!, left[2 * i + 3]!);
    }
  } else {
    for (const line of bark) {
      const first = Math.max(from, Math.round(line.from * (count - 1)));
      const last = Math.min(to, Math.round(line.to * (count - 1)));
      for (let i = first; i <= last; i++) {
        const x = shaded[2 * i]! + (lit[2 * i]! - shaded[2 * i]!) * line.in;
        const y = shaded[2 * i + 1]! + (lit[2 * i + 1]! - shaded[2 * i + 1]!) * line.in;
        if (i === first) ctx.moveTo(x, y);
        else ctx.lineTo(x, y);
      }
    }
  }
  ctx.lineWidth = thin(0.005, 0.45);
  ctx.stroke();
}
