import type { Judgement, Lane, Time } from '../api/client';
import { keyOf, type Moving, placeOf } from './moves';

/**
 * The plan as it will look when a cut is moved to a time, until the server says what follows from it: the cut stands there,
 * and what it takes is taken there. Nothing else is guessed.
 */
export function guessed(judgement: Judgement, cut: Moving, to: Time): Judgement {
  const place = placeOf(judgement, cut);
  if (!place) return judgement;
  const moved = { ...place.cut, byHand: true, breaks: [] };
  const { minutes, big } = moved.cut;
  const without = (lane: Lane): Lane => ({
    ...lane,
    cuts: lane.cuts.filter((one) => one !== place.cut),
    share: lane.share - moved.share,
    minutes: lane.minutes - minutes,
    bigCuts: lane.bigCuts - (big ? 1 : 0),
  });
  const withIt = (lane: Lane): Lane => ({
    ...lane,
    cuts: [...lane.cuts, moved],
    share: lane.share + moved.share,
    minutes: lane.minutes + minutes,
    bigCuts: lane.bigCuts + (big ? 1 : 0),
  });
  const left = judgement.evaluation.plan
    .map((lane) => (keyOf(lane) === keyOf(place.lane) ? without(lane) : lane))
    .filter((lane) => lane.cuts.length > 0 || lane.detail || lane.upkeepMinutes > 0 || lane.tasks.length > 0);
  const there = left.some((lane) => keyOf(lane) === keyOf(to));
  const fresh: Lane = {
    ...place.lane,
    ...to,
    window: { ...place.lane.window, opens: to.opens, closes: to.closes },
    cuts: [],
    tasks: [],
    cultivars: [],
    detail: undefined,
    overrun: undefined,
    upkeepMinutes: 0,
    share: 0,
    crop: 0,
    minutes: 0,
    bigCuts: 0,
  };
  const plan = (there ? left : [...left, fresh])
    .map((lane) => (keyOf(lane) === keyOf(to) ? withIt(lane) : lane))
    .sort((one, other) => one.window.opens.localeCompare(other.window.opens));
  return { ...judgement, evaluation: { ...judgement.evaluation, plan } };
}
