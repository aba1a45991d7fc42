import { useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import type { Drawing } from '../api/client';
import type { DrawnYear } from '../vocabulary/outlook';
import { between } from './projection';
import type { Standing } from './projection';
import { type Inked, inked, type Look } from './ink';
import { skeletonOf } from './skeleton';
import { frames, still } from './useCamera';

const GROW_MS = 450;

export type Answers = Pick<DrawnYear, 'regrown' | 'refilled'>;

/** A tree on its way from one year to another: what stands in both grows, what is new comes out of its base. */
function onTheWay(from: Standing[], to: Standing[], share: number): Standing[] {
  const before = new Map(from.map((one) => [one.limb.id, one]));
  return to.map((one) => {
    const was = before.get(one.limb.id);
    const { limb } = one;
    if (!was) return { ...one, left: Math.max(0.02, share) * one.left };
    const mix = (a: number, b: number) => a + (b - a) * share;
    return {
      limb: {
        ...limb,
        base: between(was.limb.base, limb.base, share),
        tip: between(was.limb.tip, limb.tip, share),
        diameterCm: mix(was.limb.diameterCm, limb.diameterCm),
        tipDiameterCm: mix(was.limb.tipDiameterCm, limb.tipDiameterCm),
        lengthM: mix(was.limb.lengthM, limb.lengthM),
      },
      left: mix(was.left, one.left),
    };
  });
}

/** The tree ready to be painted; from one year to the next it grows in front of one's eyes. */
export function useInk(
  drawing: Drawing,
  standing: Standing[],
  look: Look,
  answers: Answers | undefined,
  repaint: (tree: Inked) => void,
) {
  const { goes, picked, light, inLeaf } = look;
  const skeleton = useMemo(
    () => skeletonOf(drawing, standing, light, answers),
    [drawing, standing, light, answers],
  );
  const tree = useMemo(
    () => inked(skeleton, { goes, picked, light, inLeaf }),
    [skeleton, goes, picked, light, inLeaf],
  );
  const was = useRef(standing);
  const painted = useRef(repaint);
  const [growing, setGrowing] = useState(false);
  useLayoutEffect(() => {
    painted.current = repaint;
  });
  useEffect(() => {
    const from = was.current;
    was.current = standing;
    return frames(from === standing || still() ? 0 : GROW_MS, (share) => {
      setGrowing(share < 1);
      const now =
        share === 1
          ? tree
          : inked(skeletonOf(drawing, onTheWay(from, standing, share), light, answers), {
              goes,
              picked,
              light,
              inLeaf,
            });
      painted.current(now);
    });
    // The rest of what is looked at is in the tree.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [tree]);
  return { tree, skeleton, growing };
}
