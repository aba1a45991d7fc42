import type { Drawing, LimbDrawing } from '../api/client';
import type { DrawnYear } from '../vocabulary/outlook';
import { type Habit, habitOf } from './habits';
import type { Standing } from './projection';
import { type Chance, chance, wobble } from './seed';

/** Places in metres from the foot of the trunk: east, north, up. */
export type Point = readonly [number, number, number];

/** A limb's wood as it is drawn: its axis with its width at each place, m. */
export interface Body {
  id: string;
  parent?: string;
  axis: Point[];
  widths: number[];
  /** Which share of its length each place of the axis lies at. */
  shares: number[];
  living: boolean;
}

/** Small wood: a bent line. */
export interface Twig {
  limb: string;
  line: Point[];
  /** Grown in answer to a cut, or chosen and kept where a limb has room. */
  answer: boolean;
}

/** A leaf or a fruit: where it is, and how a leaf points. */
export interface Spot {
  limb: string;
  at: Point;
  to: Point;
}

export interface Skeleton {
  habit: Habit;
  trunk: Body;
  limbs: Body[];
  twigs: Twig[];
  leaves: Spot[];
  fruits: Spot[];
}

const plus = (a: Point, b: Point, by = 1): Point => [a[0] + b[0] * by, a[1] + b[1] * by, a[2] + b[2] * by];
const minus = (a: Point, b: Point): Point => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const dot = (a: Point, b: Point) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const size = (a: Point) => Math.hypot(a[0], a[1], a[2]);
const times = (a: Point, by: number): Point => [a[0] * by, a[1] * by, a[2] * by];
const unit = (a: Point): Point => times(a, 1 / (size(a) || 1e-9));
const cross = (a: Point, b: Point): Point => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
const UP: Point = [0, 0, 1];
const place = (of: { eastM: number; northM: number; upM: number }): Point => [of.eastM, of.northM, of.upM];

/** What of a direction stands square to another; of one along it, any that does. */
function squareTo(along: Point, direction: Point): Point {
  const square = plus(direction, along, -dot(direction, along));
  if (size(square) > 0.05) return unit(square);
  return unit(cross(along, Math.abs(along[2]) < 0.9 ? UP : [1, 0, 0]));
}

const STEPS = 6;

/** Where else a limb is looked at near its base, in its widths. */
const COLLAR_STEPS = [0.3, 0.6, 0.9, 1.3, 1.9, 2.6];

/** How far a limb bends out of the straight line it was measured as, of each stretch between its forks. */
const FIRST_BEND = 0.055;
const LATER_BEND = 0.028;

/** Length of a limb's collar, in its widths, and how much wider it is there. */
const COLLAR = 0.9;
const COLLAR_WIDER = 0.55;

/**
 * A limb as a bent and tapered body. It begins and ends where it was measured to, and passes through each place where a side
 * limb leaves it: between those it bows out, to one side and the other, first towards the wood it grows from, as limbs do.
 */
function bodyOf(limb: LimbDrawing, left: number, forks: number[], grownFrom: Point): Body {
  const dice = chance(limb.id, 'wood');
  const base = place(limb.base);
  const whole = minus(place(limb.tip), base);
  const lengthM = size(whole);
  const along = unit(whole);
  const bow = squareTo(along, grownFrom);
  const aside = cross(along, bow);
  const nodes = [0, ...forks.filter((at) => at > 0.08 && at < 0.94), 1].filter((at) => at <= left);
  if (nodes[nodes.length - 1]! < left) nodes.push(left);
  const axis: Point[] = [];
  const widths: number[] = [];
  const shares: number[] = [];
  const from = limb.diameterCm / 100;
  const to = limb.tipDiameterCm / 100;
  for (let i = 0; i < nodes.length - 1; i++) {
    const a = nodes[i]!;
    const b = nodes[i + 1]!;
    const bend = (i === 0 ? FIRST_BEND : LATER_BEND) * (b - a) * lengthM * (i % 2 === 0 ? 1 : -1);
    const sway = wobble(dice) * 0.012 * (b - a) * lengthM;
    const evenly = Array.from(
      { length: STEPS + (i === 0 ? 1 : 0) },
      (_, k) => (k + (i === 0 ? 0 : 1)) / STEPS,
    );
    // The collar wants a closer look.
    const close = i === 0 ? COLLAR_STEPS.map((widths) => (widths * from) / ((b - a) * lengthM)) : [];
    for (const part of [...evenly, ...close.filter((one) => one < 0.8)].sort((one, other) => one - other)) {
      const at = a + (b - a) * part;
      const out = Math.sin(Math.PI * part);
      axis.push(plus(plus(plus(base, along, at * lengthM), bow, bend * out), aside, sway * out));
      // Measured just beyond the collar, which swells where it leaves.
      const straight = from + (to - from) * at;
      const flare = 1 + COLLAR_WIDER * Math.exp(-(((at * lengthM) / (COLLAR * from)) ** 2));
      const fine = at > 0.85 && left === 1 ? 1 - (at - 0.85) * 2.6 : 1;
      widths.push(straight * flare * fine);
      shares.push(at / left);
    }
  }
  return { id: limb.id, parent: limb.parent ?? undefined, axis, widths, shares, living: limb.living };
}

/** Where along a body a share of its length lies, and in which direction it goes on there. */
export function on(body: Body, share: number): { at: Point; along: Point } {
  const after = body.shares.findIndex((one) => one > share);
  const i = Math.max(0, (after < 0 ? body.shares.length - 1 : after) - 1);
  const a = body.axis[i]!;
  const b = body.axis[i + 1]!;
  const part = (share - body.shares[i]!) / (body.shares[i + 1]! - body.shares[i]!);
  return { at: plus(a, minus(b, a), Math.max(0, Math.min(1, part))), along: unit(minus(b, a)) };
}

const TURN = 2.39996;

/** A line that wanders and turns up or down as it goes. */
function wander(
  from: Point,
  direction: Point,
  lengthM: number,
  steps: number,
  rise: number,
  dice: Chance,
): Point[] {
  const line: Point[] = [from];
  let at = from;
  let goes = direction;
  for (let i = 0; i < steps; i++) {
    goes = unit(
      plus(
        [goes[0] + wobble(dice) * 0.09, goes[1] + wobble(dice) * 0.09, goes[2] + wobble(dice) * 0.07],
        UP,
        rise,
      ),
    );
    at = plus(at, goes, lengthM / steps);
    line.push(at);
  }
  return line;
}

/** Leaves along a line, from a third of it on. */
function leavesOn(line: Point[], count: number, limb: string, leafM: number, dice: Chance, into: Spot[]) {
  for (let k = 0; k < count; k++) {
    const share = 0.25 + 0.75 * ((k + dice() * 0.7) / count);
    const where = Math.min(0.999, share) * (line.length - 1);
    const i = Math.floor(where);
    const at = plus(line[i]!, minus(line[i + 1]!, line[i]!), where - i);
    const way = unit([wobble(dice), wobble(dice), wobble(dice) * 0.7 - 0.15]);
    into.push({ limb, at, to: plus(at, way, leafM * (0.75 + dice() * 0.5)) });
  }
}

/** The small wood of a limb with its leaves and fruit; the twig at a place is the same whatever the limb's length. */
function dress(body: Body, limb: LimbDrawing, light: number | undefined, habit: Habit, into: Skeleton) {
  const lengthM = limb.lengthM;
  const fruitful = limb.fruiting ?? 1;
  if (!body.living) {
    for (let k = 0; k < Math.floor(lengthM * 1.6); k++) {
      const dice = chance(limb.id, 'stub', k);
      const { at, along } = on(body, 0.25 + 0.7 * dice());
      const side = squareTo(along, [wobble(dice), wobble(dice), wobble(dice)]);
      const line = wander(at, unit(plus(times(along, 0.6), side)), 0.1 + dice() * 0.2, 3, -0.02, dice);
      into.twigs.push({ limb: limb.id, line, answer: false });
    }
    return;
  }
  const spacing = 1 / habit.twigs;
  // Its foot is bare as far as side limbs and shade have it so.
  const bareM = lengthM > 0.8 ? lengthM * 0.22 : 0.06;
  for (let k = 0; k * spacing < lengthM; k++) {
    const dice = chance(limb.id, 'twig', k);
    const alongM = (k + 0.2 + dice() * 0.6) * spacing;
    if (alongM < bareM || alongM > lengthM) continue;
    const { at, along } = on(body, alongM / lengthM);
    const e1 = squareTo(along, UP);
    const e2 = cross(along, e1);
    const angle = k * TURN + wobble(dice) * 0.4;
    let side = plus(times(e1, Math.cos(angle)), e2, Math.sin(angle));
    if (side[2] < -0.3) side = [side[0], side[1], side[2] * 0.3];
    const direction = unit(plus(times(along, 1 - 0.55 * habit.off), side, habit.off));
    // Young twigs near the end, longer ones behind.
    const grown = Math.min(1, 0.35 + (lengthM - alongM) * 0.9);
    const twigM = habit.twigM * (0.55 + dice() * 0.8) * grown * Math.min(1, 0.35 + lengthM * 0.6);
    const line = wander(at, direction, twigM, 4, habit.rise * 0.5, dice);
    into.twigs.push({ limb: limb.id, line, answer: false });
    leavesOn(line, habit.leaves, limb.id, habit.leafM, dice, into.leaves);
    for (let f = 0; f < Math.floor(dice() * (habit.forks + 0.99)); f++) {
      const i = 1 + Math.floor(dice() * 2.99);
      const goes = unit(minus(line[i]!, line[i - 1]!));
      const off = squareTo(goes, [wobble(dice), wobble(dice), wobble(dice)]);
      const finer = wander(
        line[i]!,
        unit(plus(times(goes, 0.7), off, 0.6)),
        twigM * (0.3 + dice() * 0.3),
        2,
        habit.rise * 0.5,
        dice,
      );
      into.twigs.push({ limb: limb.id, line: finer, answer: false });
      leavesOn(finer, Math.ceil(habit.leaves / 3), limb.id, habit.leafM, dice, into.leaves);
    }
    if (fruitful > 0 && (light ?? 0.5) >= 0.3 && dice() < 0.22 * fruitful) {
      const hangs = line[2]!;
      into.fruits.push({ limb: limb.id, at: plus(hangs, UP, -habit.fruitM * 0.7), to: hangs });
    }
  }
  const spurs = habit.spurs * (0.25 + 0.4 * fruitful);
  for (let k = 0; k < lengthM * spurs; k++) {
    const dice = chance(limb.id, 'spur', k);
    const alongM = (k + dice()) / spurs;
    if (alongM < bareM || alongM > lengthM * 0.95) continue;
    const { at, along } = on(body, alongM / lengthM);
    const side = squareTo(along, [wobble(dice), wobble(dice), wobble(dice) + 0.4]);
    const line = wander(at, unit(plus(times(along, 0.25), side)), 0.05 + dice() * 0.06, 2, 0.15, dice);
    into.twigs.push({ limb: limb.id, line, answer: false });
    leavesOn(line, 2, limb.id, habit.leafM, dice, into.leaves);
  }
}

/** Upright shoots that answered cuts. */
function answers(shoots: DrawnYear['regrown'], habit: Habit, into: Skeleton) {
  for (const one of shoots) {
    const drawn = Math.min(12, Math.ceil(one.shoots / 2));
    for (let n = 0; n < drawn; n++) {
      const dice = chance(one.limb, 'answer', n);
      const out = one.spreadM * 0.5 * Math.sqrt((n + 0.5) / drawn);
      const turn = n * TURN;
      const way = unit([Math.sin(turn) * 0.25, Math.cos(turn) * 0.25, 1]);
      const from: Point = [
        one.from.eastM + out * Math.sin(turn),
        one.from.northM + out * Math.cos(turn),
        one.from.upM,
      ];
      const line = wander(from, way, one.lengthM * (0.7 + dice() * 0.3), 4, 0.1, dice);
      into.twigs.push({ limb: one.limb, line, answer: true });
      leavesOn(line, habit.leaves, one.limb, habit.leafM, dice, into.leaves);
    }
  }
}

/** Wood that was chosen and kept where a limb has room: the fuller the closer it is to what stood there. */
function refills(rooms: DrawnYear['refilled'], habit: Habit, into: Skeleton) {
  for (const room of rooms) {
    const from = place(room.from);
    const to = place(room.to);
    const whole = minus(to, from);
    const along = unit(whole);
    const twigs = Math.round(4 + 26 * room.leaf);
    for (let n = 0; n < twigs; n++) {
      const dice = chance(room.main, 'room', n);
      const at = plus(from, whole, 0.15 + 0.8 * dice());
      const side = squareTo(along, [wobble(dice), wobble(dice), wobble(dice) + 0.2]);
      const start = plus(at, side, room.acrossM * 0.35 * dice());
      const line = wander(
        start,
        unit(plus(times(along, 0.5), side, 0.6)),
        habit.twigM * (0.6 + dice() * 0.6),
        4,
        habit.rise,
        dice,
      );
      into.twigs.push({ limb: room.main, line, answer: true });
      leavesOn(line, habit.leaves, room.main, habit.leafM, dice, into.leaves);
    }
  }
}

/** The trunk from the ground to a little over where its highest limb leaves. */
function trunkOf(drawing: Drawing): Body {
  const wide = drawing.trunkDiameterCm / 100;
  const top = drawing.trunkTopM + Math.min(0.12, wide * 0.3);
  const axis: Point[] = [];
  const widths: number[] = [];
  const shares: number[] = [];
  for (let i = 0; i <= 14; i++) {
    const at = i / 14;
    const lean = Math.sin(at * Math.PI);
    axis.push([0.05 * wide * lean, -0.04 * wide * lean, top * at]);
    const foot = 0.7 * Math.exp(-(((at * top) / (0.55 * wide)) ** 1.4));
    const fork = 0.16 * Math.exp(-((((1 - at) * top) / (0.6 * wide)) ** 2));
    widths.push(wide * (1 + foot + fork) * (i === 14 ? 0.72 : 1));
    shares.push(at);
  }
  return { id: '', axis, widths, shares, living: true };
}

/** Everything that is drawn of a tree, from what was measured of it; `light` by limb says where fruit is. */
export function skeletonOf(
  drawing: Drawing,
  standing: Standing[],
  light?: Map<string, number>,
  year?: Pick<DrawnYear, 'regrown' | 'refilled'>,
): Skeleton {
  const habit = habitOf(drawing.species);
  const into: Skeleton = { habit, trunk: trunkOf(drawing), limbs: [], twigs: [], leaves: [], fruits: [] };
  const limbs = new Map(standing.map((one) => [one.limb.id, one.limb]));
  const forks = new Map<string, number[]>();
  for (const { limb } of standing) {
    const parent = limb.parent ? limbs.get(limb.parent) : undefined;
    if (!parent) continue;
    const share = size(minus(place(limb.base), place(parent.base))) / Math.max(parent.lengthM, 0.01);
    forks.set(
      parent.id,
      [...(forks.get(parent.id) ?? []), share].sort((a, b) => a - b),
    );
  }
  for (const { limb, left } of standing) {
    if (left < 0.02) continue;
    const parent = limb.parent ? limbs.get(limb.parent) : undefined;
    const grownFrom = parent ? unit(minus(place(parent.tip), place(parent.base))) : UP;
    const body = bodyOf(limb, left, forks.get(limb.id) ?? [], grownFrom);
    into.limbs.push(body);
    dress(
      body,
      left < 1 ? { ...limb, lengthM: limb.lengthM * left } : limb,
      light?.get(limb.id),
      habit,
      into,
    );
  }
  if (year) {
    answers(year.regrown, habit, into);
    refills(year.refilled, habit, into);
  }
  return into;
}
