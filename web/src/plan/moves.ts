import type { Judgement, Lane, Pin, PlannedCut, Time } from '../api/client';

/** A cut as it is moved: a limb that is shortened one year and removed another has two. */
export interface Moving {
  limb: string;
  kind: string;
}

export const keyOf = (time: { year: number; season: string; quality?: string | null }) =>
  time.year + '|' + time.season + '|' + (time.quality ?? '');

/** What was moved by hand once a cut is moved to a time. */
export function moved(pins: Pin[], cut: Moving, to: Time): Pin[] {
  return [
    ...givenBack(pins, cut),
    { limb: cut.limb, kind: cut.kind, year: to.year, season: to.season, quality: to.quality ?? undefined },
  ];
}

/** What was moved by hand once a cut is given back to the rules. */
export const givenBack = (pins: Pin[], cut: Moving): Pin[] =>
  pins.filter((pin) => pin.limb !== cut.limb || pin.kind !== cut.kind);

/** A row of the plan: a lane with cuts, or an empty time to which a cut could be moved. */
export interface Row {
  key: string;
  time?: Time;
  lane?: Lane;
}

/**
 * The lanes of the plan in time order. While a cut is moved all other times it could go to follow below them, so that no
 * lane moves away under the hand that holds the cut.
 */
export function rows(judgement: Judgement, moving: boolean): Row[] {
  const lanes = judgement.evaluation.plan;
  const times = new Map(judgement.times.map((time) => [keyOf(time), time]));
  const found: Row[] = lanes.map((lane) => ({ key: keyOf(lane), lane, time: times.get(keyOf(lane)) }));
  if (!moving) return found;
  const there = new Set(found.map((row) => row.key));
  const lastYear = Math.max(judgement.times[0]?.year ?? 0, ...lanes.map((lane) => lane.year)) + 1;
  const others = judgement.times.filter((time) => !there.has(keyOf(time)) && time.year <= lastYear);
  return [...found, ...others.map((time) => ({ key: keyOf(time), time }))];
}

/** The time one step earlier or later than where a cut stands, among the main windows. */
export function stepped(judgement: Judgement, lane: Lane, by: -1 | 1): Time | undefined {
  const steps = judgement.times.filter((time) => time.quality === 'best' || keyOf(time) === keyOf(lane));
  const at = steps.findIndex((time) => keyOf(time) === keyOf(lane));
  return at < 0 ? undefined : steps[at + by];
}

/** Where a cut stands in the plan. */
export function placeOf(judgement: Judgement, cut: Moving): { lane: Lane; cut: PlannedCut } | undefined {
  for (const lane of judgement.evaluation.plan) {
    const found = lane.cuts.find((one) => one.limb === cut.limb && one.kind === cut.kind);
    if (found) return { lane, cut: found };
  }
  return undefined;
}
