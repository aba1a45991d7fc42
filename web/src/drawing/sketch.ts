import type { LimbFile } from '../api/client';

/** A place in the crown, metres from the foot of the trunk. */
export interface Place {
  eastM: number;
  northM: number;
  upM: number;
}

/** A limb far enough known to be drawn. */
export interface Sketched {
  id: string;
  parent?: string;
  base: Place;
  tip: Place;
  lengthM: number;
  diameterCm: number;
}

const LENGTH_UNKNOWN_M = 1.5;

/** The limbs whose direction, angle and place are known, for a drawing that grows as one enters. */
export function sketch(limbs: Partial<LimbFile>[]): Sketched[] {
  const found = new Map<string, Sketched>();
  const waiting = [...limbs];
  for (let grew = true; grew;) {
    grew = false;
    for (const limb of waiting) {
      if (!limb.id || found.has(limb.id)) continue;
      const base = baseOf(limb, found);
      if (!base || limb.azimuthDeg == null || limb.angleDeg == null) continue;
      const lengthM = limb.lengthM ?? LENGTH_UNKNOWN_M;
      found.set(limb.id, {
        id: limb.id,
        parent: limb.parent ?? undefined,
        base,
        tip: along(base, limb.azimuthDeg, limb.angleDeg, lengthM),
        lengthM,
        diameterCm: limb.diameterCm ?? 2,
      });
      grew = true;
    }
  }
  return [...found.values()];
}

function baseOf(limb: Partial<LimbFile>, found: Map<string, Sketched>): Place | undefined {
  if (!limb.parent)
    return limb.originHeightM == null ? undefined : { eastM: 0, northM: 0, upM: limb.originHeightM };
  const parent = found.get(limb.parent);
  return parent && limb.originAlongM != null ? part(parent, limb.originAlongM / parent.lengthM) : undefined;
}

function along(from: Place, azimuthDeg: number, angleDeg: number, distanceM: number): Place {
  const azimuth = (azimuthDeg * Math.PI) / 180;
  const angle = (angleDeg * Math.PI) / 180;
  return {
    eastM: from.eastM + distanceM * Math.cos(angle) * Math.sin(azimuth),
    northM: from.northM + distanceM * Math.cos(angle) * Math.cos(azimuth),
    upM: from.upM + distanceM * Math.sin(angle),
  };
}

/** A place part of the way along a limb. */
export function part(limb: Sketched, share: number): Place {
  return {
    eastM: limb.base.eastM + (limb.tip.eastM - limb.base.eastM) * share,
    northM: limb.base.northM + (limb.tip.northM - limb.base.northM) * share,
    upM: limb.base.upM + (limb.tip.upM - limb.base.upM) * share,
  };
}

/** How far along a line on the sheet the place nearest to a point lies, 0 to 1. */
export function nearestShare(
  from: { x: number; y: number },
  to: { x: number; y: number },
  x: number,
  y: number,
) {
  const dx = to.x - from.x;
  const dy = to.y - from.y;
  const length = dx * dx + dy * dy;
  return length === 0 ? 0 : Math.min(1, Math.max(0, ((x - from.x) * dx + (y - from.y) * dy) / length));
}
