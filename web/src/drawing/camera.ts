import type { View } from './projection';

/** Where the tree is looked at from, degrees: by the compass, and how high above level, 90 from above. */
export interface Camera {
  azimuth: number;
  elevation: number;
}

export const cameraOf = (view: View): Camera =>
  view === 'above' ? { azimuth: 180, elevation: 90 } : { azimuth: view, elevation: 0 };

/** The nine numbers that lay a place on the sheet: to the right, down, and towards the viewer. */
export type Turned = readonly [number, number, number, number, number, number, number, number, number];

export function turned({ azimuth, elevation }: Camera): Turned {
  const s = Math.sin((azimuth * Math.PI) / 180);
  const c = Math.cos((azimuth * Math.PI) / 180);
  const up = Math.cos((elevation * Math.PI) / 180);
  const over = Math.sin((elevation * Math.PI) / 180);
  return [-c, s, 0, s * over, c * over, -up, s * up, c * up, over];
}

export const acrossOf = (t: Turned, e: number, n: number, u: number) => t[0] * e + t[1] * n + t[2] * u;
export const downOf = (t: Turned, e: number, n: number, u: number) => t[3] * e + t[4] * n + t[5] * u;
export const nearOf = (t: Turned, e: number, n: number, u: number) => t[6] * e + t[7] * n + t[8] * u;

/** The camera part of the way from one to another, the shorter way round. */
export function onTheWay(from: Camera, to: Camera, share: number): Camera {
  const round = ((((to.azimuth - from.azimuth) % 360) + 540) % 360) - 180;
  return {
    azimuth: (from.azimuth + round * share + 360) % 360,
    elevation: from.elevation + (to.elevation - from.elevation) * share,
  };
}
