import type { Drawing, LimbDrawing } from '../api/client';

/** From where the tree is seen: a compass direction the viewer stands in, or from above. */
export type View = number | 'above';

interface Place {
  eastM: number;
  northM: number;
  upM: number;
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
