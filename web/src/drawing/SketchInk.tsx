import { useLayoutEffect, useMemo, useRef } from 'react';
import type { Drawing } from '../api/client';
import { cameraOf } from './camera';
import { inked, layPaper, paint } from './ink';
import { asItStands, type View } from './projection';
import { skeletonOf } from './skeleton';
import type { Sketched } from './sketch';
import { usePalette } from './usePalette';
import { useSized } from './useSized';

/** What is known of a tree while it is walked to: bare wood, as an ink drawing wants it. */
function drawingOf(limbs: Sketched[], dead: Set<string>, sheet: Sheet): Drawing {
  const onTrunk = limbs.filter((limb) => !limb.parent);
  return {
    species: 'apple',
    inLeaf: false,
    heightM: sheet.topM,
    spreadM: 2 * sheet.reachM,
    trunkDiameterCm: Math.max(12, ...onTrunk.map((limb) => limb.diameterCm * 1.6)),
    trunkTopM: Math.max(1, ...onTrunk.map((limb) => limb.base.upM)),
    limbs: limbs.map((limb) => ({
      id: limb.id,
      parent: limb.parent,
      base: limb.base,
      tip: limb.tip,
      diameterCm: limb.diameterCm,
      tipDiameterCm: Math.max(0.6, limb.diameterCm / 4),
      lengthM: Math.max(limb.lengthM, 0.01),
      azimuthDeg: 0,
      angleDeg: 0,
      living: !dead.has(limb.id),
      leafAlongM: 0,
      leafAcrossM: 0,
    })),
  };
}

export interface Sheet {
  reachM: number;
  topM: number;
}

/** The paper of a sketch, m: left, top, width and height. */
export const paperOf = ({ reachM, topM }: Sheet, above: boolean): [number, number, number, number] =>
  above ? [-reachM, -reachM, 2 * reachM, 2 * reachM] : [-reachM, -topM, 2 * reachM, topM + 0.3];

/** The limbs entered so far in ink, under what is touched. */
export function SketchInk({
  limbs,
  dead,
  at,
  view,
  sheet,
}: {
  limbs: Sketched[];
  dead: Set<string>;
  at?: string;
  view: View;
  sheet: Sheet;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const palette = usePalette();
  const tree = useMemo(() => {
    const drawing = drawingOf(limbs, dead, sheet);
    return inked(skeletonOf(drawing, asItStands(drawing)), { goes: () => false, picked: at, inLeaf: false });
  }, [limbs, dead, at, sheet]);
  const redraw = useRef(() => {});
  useLayoutEffect(() => {
    redraw.current = () => {
      const ctx = canvas.current?.getContext?.('2d');
      if (!ctx) return;
      const scale = layPaper(ctx, paperOf(sheet, view === 'above'));
      paint(ctx, tree, cameraOf(view), palette, scale);
    };
    redraw.current();
  });
  useSized(canvas, redraw);
  return <canvas ref={canvas} aria-hidden="true" />;
}
