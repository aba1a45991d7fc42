import { type PointerEvent, useEffect, useLayoutEffect, useRef, useState } from 'react';

/** Farther than a finger trembles. */
const TAKEN_PX = 6;
/** So near the edge of the window the page moves along. */
const EDGE_PX = 60;

/** What is held by mouse, finger or pen, and what it is held over: the element that carries its name as data-lane. */
export function useDragged<Thing>(drop: (thing: Thing, row: string, at: { x: number; y: number }) => void) {
  const [held, setHeld] = useState<{ thing: Thing; x: number; y: number }>();
  const [over, setOver] = useState<string>();
  const start = useRef<{ thing: Thing; x: number; y: number; pointer: number; element: HTMLElement }>(
    undefined,
  );
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
  const grip = (thing: Thing) => ({
    onPointerDown: (e: PointerEvent<HTMLElement>) => {
      dropped.current = false;
      if (e.button !== 0) return;
      start.current = { thing, x: e.clientX, y: e.clientY, pointer: e.pointerId, element: e.currentTarget };
    },
    onPointerMove: (e: PointerEvent<HTMLElement>) => {
      const from = start.current;
      if (!from) return;
      if (!held && Math.hypot(e.clientX - from.x, e.clientY - from.y) < TAKEN_PX) return;
      if (!held) from.element.setPointerCapture(from.pointer);
      setHeld({ thing: from.thing, x: e.clientX, y: e.clientY });
      setOver(rowAt(e.clientX, e.clientY)?.dataset.lane);
      if (e.clientY > window.innerHeight - EDGE_PX) window.scrollBy(0, 12);
      else if (e.clientY < EDGE_PX) window.scrollBy(0, -12);
    },
    onPointerUp: (e: PointerEvent<HTMLElement>) => {
      const row = held && rowAt(e.clientX, e.clientY)?.dataset.lane;
      dropped.current = !!held;
      const thing = held?.thing;
      ends();
      if (thing !== undefined && row) dropIt.current(thing, row, { x: e.clientX, y: e.clientY });
    },
    onPointerCancel: ends,
  });
  /** A press that was a drag is no click. */
  const wasDrag = () => dropped.current;
  return { held, over, grip, wasDrag };
}

/** What makes an element one that can be taken hold of. */
export type Grip = ReturnType<ReturnType<typeof useDragged>['grip']>;
