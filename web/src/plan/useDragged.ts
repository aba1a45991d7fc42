import { type PointerEvent, useEffect, useLayoutEffect, useRef, useState } from 'react';
import type { Moving } from './moves';

/** Farther than a finger trembles. */
const TAKEN_PX = 6;
/** So near the edge of the window the page moves along. */
const EDGE_PX = 60;

/** A cut held by mouse, finger or pen, and the row it is held over. */
export function useDragged(drop: (cut: Moving, row: string) => void) {
  const [held, setHeld] = useState<{ cut: Moving; x: number; y: number }>();
  const [over, setOver] = useState<string>();
  const start = useRef<{ cut: Moving; x: number; y: number; pointer: number; disc: HTMLElement }>(undefined);
  const dropped = useRef(false);
  const dropIt = useRef(drop);
  useLayoutEffect(() => {
    dropIt.current = drop;
  });
  useEffect(() => {
    if (!held) return;
    const forget = (e: KeyboardEvent) => {
      if (e.key !== 'Escape') return;
      start.current = undefined;
      setHeld(undefined);
      setOver(undefined);
    };
    window.addEventListener('keydown', forget);
    return () => window.removeEventListener('keydown', forget);
  }, [held]);
  const rowAt = (x: number, y: number) =>
    document.elementsFromPoint?.(x, y).find((one) => one instanceof HTMLElement && one.dataset.lane) as
      HTMLElement | undefined;
  const ends = () => {
    start.current = undefined;
    setHeld(undefined);
    setOver(undefined);
  };
  const grip = (cut: Moving) => ({
    onPointerDown: (e: PointerEvent<HTMLElement>) => {
      dropped.current = false;
      if (e.button !== 0) return;
      start.current = { cut, x: e.clientX, y: e.clientY, pointer: e.pointerId, disc: e.currentTarget };
    },
    onPointerMove: (e: PointerEvent<HTMLElement>) => {
      const from = start.current;
      if (!from) return;
      if (!held && Math.hypot(e.clientX - from.x, e.clientY - from.y) < TAKEN_PX) return;
      if (!held) from.disc.setPointerCapture(from.pointer);
      setHeld({ cut: from.cut, x: e.clientX, y: e.clientY });
      setOver(rowAt(e.clientX, e.clientY)?.dataset.lane);
      if (e.clientY > window.innerHeight - EDGE_PX) window.scrollBy(0, 12);
      else if (e.clientY < EDGE_PX) window.scrollBy(0, -12);
    },
    onPointerUp: (e: PointerEvent<HTMLElement>) => {
      const row = held && rowAt(e.clientX, e.clientY)?.dataset.lane;
      dropped.current = !!held;
      const cut = held?.cut;
      ends();
      if (cut && row) dropIt.current(cut, row);
    },
    onPointerCancel: ends,
    /** A press that was a drag is no click. */
    wasDrag: () => dropped.current,
  });
  return { held, over, grip };
}
