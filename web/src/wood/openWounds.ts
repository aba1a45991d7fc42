import type { Wood } from '../api/client';
import type { DrawnWound } from '../drawing/limbs';

/** The open wounds of a tree of which is known where they are. */
export const openWounds = (wood: Wood | undefined): DrawnWound[] =>
  (wood?.wounds ?? [])
    .filter((wound) => wound.state !== 'closed' && wound.alongM != null)
    .map((wound) => {
      const last = wound.looks.at(-1);
      return {
        name: wound.name,
        onLimb: wound.onLimb,
        alongM: wound.alongM!,
        openMm: last ? (last.longMm + last.shortMm) / 2 : wound.diameterCm * 10,
        closing: wound.state === 'closing',
      };
    });
