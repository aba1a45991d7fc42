import type { Drawing, Judgement, LimbDrawing } from '../api/client';
import type { Mark } from '../drawing/marks';
import type { Standing } from '../drawing/projection';
import { keyOf } from './moves';

/** A tree as it stands, and what is about to be done to it. */
export interface Scene {
  standing: Standing[];
  marks: Map<string, Mark>;
}

const apart = (one: LimbDrawing, other: LimbDrawing) =>
  Math.hypot(
    one.base.eastM - other.base.eastM,
    one.base.northM - other.base.northM,
    one.base.upM - other.base.upM,
  );

/** The tree as it stands when a lane of its plan begins, with what that lane takes marked; undefined for no such lane. */
export function laneDrawn(drawing: Drawing, judgement: Judgement, lane: string): Scene | undefined {
  const { plan, limbs } = judgement.evaluation;
  const at = plan.findIndex((one) => keyOf(one) === lane);
  if (at < 0) return undefined;
  const byId = new Map(drawing.limbs.map((limb) => [limb.id, limb]));
  const cuts = plan.slice(0, at).flatMap((one) => one.cuts);
  const removed = new Set(cuts.filter((cut) => cut.kind === 'remove').map((cut) => cut.limb));
  const endsAtM = new Map(
    cuts.filter((cut) => cut.kind === 'shorten').map((cut) => [cut.limb, cut.cut.alongM]),
  );
  const stands = (limb: LimbDrawing): boolean => {
    if (removed.has(limb.id)) return false;
    const parent = limb.parent ? byId.get(limb.parent) : undefined;
    if (!parent) return true;
    // What grew beyond a cut went with it; the branch that was cut back to stands.
    return stands(parent) && apart(limb, parent) <= (endsAtM.get(parent.id) ?? Infinity) + 0.02;
  };
  const urgent = new Set(limbs.filter((limb) => limb.urgent).map((limb) => limb.id));
  return {
    standing: drawing.limbs
      .filter(stands)
      .map((limb) => ({ limb, left: Math.min(1, (endsAtM.get(limb.id) ?? Infinity) / limb.lengthM) })),
    marks: new Map(
      plan[at]!.cuts.map((cut) => [
        cut.limb,
        { kind: cut.kind, alongM: cut.cut.alongM, urgent: urgent.has(cut.limb) },
      ]),
    ),
  };
}
