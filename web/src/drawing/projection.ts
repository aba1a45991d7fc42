import type { Drawing, LimbDrawing } from '../api/client';

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

/** A limb as it is drawn: whole, or ending early. */
export interface Standing {
  limb: LimbDrawing;
  /** Share of its length that is left, 0 to 1. */
  left: number;
}

/** The limbs as they stand, all whole. */
export const asItStands = (drawing: Drawing): Standing[] => drawing.limbs.map((limb) => ({ limb, left: 1 }));

/** A place part of the way from one to another. */
export function between(from: Place, to: Place, share: number): Place {
  return {
    eastM: from.eastM + (to.eastM - from.eastM) * share,
    northM: from.northM + (to.northM - from.northM) * share,
    upM: from.upM + (to.upM - from.upM) * share,
  };
}
