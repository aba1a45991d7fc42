import { useCallback, useEffect, useLayoutEffect, useRef, useState } from 'react';
import { type Camera, cameraOf, onTheWay } from './camera';
import type { View } from './projection';

const TURN_MS = 380;
export const still = () => window.matchMedia?.('(prefers-reduced-motion: reduce)').matches ?? true;

/** Calls back for each frame of a movement with how far it has come, 0 to 1; what is returned ends it early. */
export function frames(ms: number, each: (share: number) => void): () => void {
  const began = performance.now();
  let handle = requestAnimationFrame(function step(now) {
    const share = ms === 0 ? 1 : Math.min(1, Math.max(0, (now - began) / ms));
    // Slow at both ends.
    each(share * share * (3 - 2 * share));
    if (share < 1) handle = requestAnimationFrame(step);
  });
  return () => cancelAnimationFrame(handle);
}

/**
 * Where the tree is seen from, on its way to where it is wanted from. `repaint` is called for each step of the way; `resting`
 * says where the camera last came to rest.
 */
export function useCamera(view: View, repaint: (camera: Camera) => void) {
  const live = useRef(cameraOf(view));
  const [resting, setResting] = useState<Camera>(() => cameraOf(view));
  const [moving, setMoving] = useState(false);
  const paint = useRef(repaint);
  useLayoutEffect(() => {
    paint.current = repaint;
  });
  useEffect(() => {
    const from = live.current;
    const to = cameraOf(view);
    const there = from.azimuth === to.azimuth && from.elevation === to.elevation;
    return frames(there || still() ? 0 : TURN_MS, (share) => {
      live.current = share === 1 ? to : onTheWay(from, to, share);
      if (!there) paint.current(live.current);
      setMoving(share < 1);
      if (share === 1) setResting(to);
    });
  }, [view]);
  /** Turned by hand: shown at once, laid down when the hand rests. */
  const turnTo = useCallback((azimuth: number) => {
    live.current = { azimuth: ((azimuth % 360) + 360) % 360, elevation: 0 };
    setMoving(true);
    paint.current(live.current);
  }, []);
  return { live, resting, moving, turnTo };
}
