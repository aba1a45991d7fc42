import { useRef, useState, type PointerEvent } from 'react';

/** The part of a plan that is in view, in the plan's own units. */
export interface InView {
  x: number;
  y: number;
  width: number;
  height: number;
}

const CLOSEST = 16;
const DRAG_PX = 4;

const within = (value: number, least: number, most: number) => Math.max(least, Math.min(most, value));

/** What is in view of a plan so wide and high: closer by a factor, around a point given as shares of the whole. */
export function inView(whole: { width: number; height: number }, closer: number, around: Point): InView {
  const width = whole.width / closer;
  const height = whole.height / closer;
  return {
    x: within(around.x * whole.width - width / 2, 0, whole.width - width),
    y: within(around.y * whole.height - height / 2, 0, whole.height - height),
    width,
    height,
  };
}

interface Point {
  x: number;
  y: number;
}

/** Coming closer to a plan and moving over it, by buttons, keys, one finger or two. */
export function usePlanView(whole: { width: number; height: number }) {
  const [closer, setCloser] = useState(1);
  const [around, setAround] = useState<Point>({ x: 0.5, y: 0.5 });
  const fingers = useRef(new Map<number, Point>());
  const dragged = useRef(false);
  const view = inView(whole, closer, around);

  const come = (factor: number) => setCloser((now) => within(now * factor, 1, CLOSEST));
  /** By shares of what is in view. */
  const move = (right: number, down: number) =>
    setAround({
      x: within((view.x + view.width * (0.5 + right)) / whole.width, 0, 1),
      y: within((view.y + view.height * (0.5 + down)) / whole.height, 0, 1),
    });

  const down = (e: PointerEvent<SVGSVGElement>) => {
    fingers.current.set(e.pointerId, { x: e.clientX, y: e.clientY });
    dragged.current = false;
  };
  const moved = (e: PointerEvent<SVGSVGElement>) => {
    // Let go of where the plan could not hear of it: what moves now only passes over.
    if (e.buttons === 0) fingers.current.delete(e.pointerId);
    const before = fingers.current.get(e.pointerId);
    if (!before) return;
    const now = { x: e.clientX, y: e.clientY };
    const other = [...fingers.current].find(([id]) => id !== e.pointerId)?.[1];
    const far = Math.hypot(now.x - before.x, now.y - before.y);
    if (other) {
      dragged.current = true;
      const wasApart = Math.hypot(before.x - other.x, before.y - other.y);
      if (wasApart > 0) come(Math.hypot(now.x - other.x, now.y - other.y) / wasApart);
    } else if (closer > 1 && (dragged.current || far > DRAG_PX)) {
      dragged.current = true;
      e.currentTarget.setPointerCapture(e.pointerId);
      const box = e.currentTarget.getBoundingClientRect();
      move(-(now.x - before.x) / box.width, -(now.y - before.y) / box.height);
    } else {
      return;
    }
    fingers.current.set(e.pointerId, now);
  };
  const up = (e: PointerEvent<SVGSVGElement>) => fingers.current.delete(e.pointerId);

  return {
    view,
    closer,
    come,
    move,
    whole: () => setCloser(1),
    /** Whether the last press moved the plan, so that it picked nothing. */
    dragged,
    pointer: { onPointerDown: down, onPointerMove: moved, onPointerUp: up, onPointerCancel: up },
  };
}
