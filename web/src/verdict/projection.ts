import type { Drawing, Lane, LimbDrawing } from '../api/client';

/** From where the tree is seen: a compass direction the viewer stands in, or from above. */
export type View = number | 'above';

interface Place {
  eastM: number;
  northM: number;
  upM: number;
}

export interface Seen {
  /** Metres to the right and downwards on the sheet. */
  x: number;
  y: number;
  /** Metres towards the viewer. */
  near: number;
}

/** A place in the crown as it lies on the sheet. Seen from the south, east is right. */
export function seen(place: Place, view: View): Seen {
  if (view === 'above') return { x: place.eastM, y: -place.northM, near: place.upM };
  const stands = (view * Math.PI) / 180;
  return {
    x: place.northM * Math.sin(stands) - place.eastM * Math.cos(stands),
    y: -place.upM,
    near: place.eastM * Math.sin(stands) + place.northM * Math.cos(stands),
  };
}

/** A limb as it stands at one time of the plan: whole, ending early, or not drawn at all. */
export interface Standing {
  limb: LimbDrawing;
  /** Share of its length that is left, 0 to 1. */
  left: number;
}

/** The limbs that stand once the cuts of these lanes are made. */
export function standingAfter(drawing: Drawing, lanes: Lane[]): Standing[] {
  const endsAt = new Map<string, number>();
  for (const cut of lanes.flatMap((lane) => lane.cuts)) {
    if (cut.kind === 'remove') endsAt.set(cut.limb, 0);
    if (cut.kind === 'shorten')
      endsAt.set(cut.limb, Math.min(cut.cut.alongM, endsAt.get(cut.limb) ?? Infinity));
  }
  const byId = new Map(drawing.limbs.map((limb) => [limb.id, limb]));
  const gone = (limb: LimbDrawing): boolean => {
    if (endsAt.get(limb.id) === 0) return true;
    const parent = limb.parent === undefined ? undefined : byId.get(limb.parent ?? '');
    if (!parent) return false;
    return gone(parent) || along(parent, limb) > (endsAt.get(parent.id) ?? Infinity) + 1e-6;
  };
  return drawing.limbs
    .filter((limb) => !gone(limb))
    .map((limb) => ({ limb, left: Math.min(1, (endsAt.get(limb.id) ?? limb.lengthM) / limb.lengthM) }));
}

function along(parent: LimbDrawing, limb: LimbDrawing): number {
  return Math.hypot(
    limb.base.eastM - parent.base.eastM,
    limb.base.northM - parent.base.northM,
    limb.base.upM - parent.base.upM,
  );
}

/** A place part of the way from one to another. */
export function between(from: Place, to: Place, share: number): Place {
  return {
    eastM: from.eastM + (to.eastM - from.eastM) * share,
    northM: from.northM + (to.northM - from.northM) * share,
    upM: from.upM + (to.upM - from.upM) * share,
  };
}
