import type { Drawing } from '../api/client';
import type { Mark } from './marks';
import type { Standing } from './projection';
import type { DrawnYear, Line } from '../vocabulary/outlook';

/** How high and how wide the tree gets in any year of these lines, so that all are drawn to one scale. */
export function frame(drawing: Drawing, lines: Line[]): { heightM: number; spreadM: number } {
  const years = lines.flatMap((line) => line.years);
  const reach = years.flatMap((year) =>
    year.limbs.map((limb) => Math.hypot(limb.tip.eastM, limb.tip.northM) + limb.leafAcrossM * 0.6),
  );
  const tops = years.flatMap((year) => [
    ...year.limbs.map((limb) => limb.tip.upM),
    ...year.regrown.map((shoots) => shoots.from.upM + shoots.lengthM),
  ]);
  return {
    heightM: Math.max(drawing.heightM, ...tops),
    spreadM: 2 * Math.max(drawing.spreadM / 2, ...reach),
  };
}

/** The tree as it stands in a year, in the form drawings take. */
export function drawn(
  drawing: Drawing,
  year: DrawnYear,
): { standing: Standing[]; marks: Map<string, Mark>; light: Map<string, number> } {
  const parents = new Map(drawing.limbs.map((limb) => [limb.id, limb]));
  const standing = year.limbs.map((limb) => {
    const lengthM = Math.hypot(
      limb.tip.eastM - limb.base.eastM,
      limb.tip.northM - limb.base.northM,
      limb.tip.upM - limb.base.upM,
    );
    const before = parents.get(limb.id);
    return {
      limb: {
        id: limb.id,
        parent: before?.parent,
        base: limb.base,
        tip: limb.tip,
        diameterCm: limb.diameterCm,
        tipDiameterCm: limb.tipDiameterCm,
        lengthM: Math.max(lengthM, 0.01),
        azimuthDeg: before?.azimuthDeg ?? 0,
        angleDeg: before?.angleDeg ?? 0,
        living: limb.living,
        leafCentre: limb.leafAlongM > 0 ? limb.leafCentre : undefined,
        leafAlongM: limb.leafAlongM,
        leafAcrossM: limb.leafAcrossM,
      },
      left: 1,
    };
  });
  const marks = new Map<string, Mark>(
    year.limbs.flatMap((limb) =>
      limb.cut ? [[limb.id, { kind: limb.cut, alongM: limb.cutAtM, urgent: false }] as const] : [],
    ),
  );
  const light = new Map(
    year.limbs.flatMap((limb) => (limb.leafAlongM > 0 ? [[limb.id, limb.light] as const] : [])),
  );
  return { standing, marks, light };
}
