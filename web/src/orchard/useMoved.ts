import { type PointerEvent, type RefObject, useState } from 'react';

/** Less than this is a tap that shook. */
const SHAKE_PX = 5;

export interface Moved {
  id: number;
  eastM: number;
  northM: number;
}

/** A tree that is dragged over the plan to where it stands; told when it is let go. */
export function useMoved(
  sheet: RefObject<SVGSVGElement | null>,
  { west, north }: { west: number; north: number },
  onMove?: (moved: Moved) => void,
) {
  const [moving, setMoving] = useState<Moved & { fromX: number; fromY: number; far: boolean }>();
  const at = (e: PointerEvent) => {
    const matrix = sheet.current?.getScreenCTM?.();
    if (!matrix) return undefined;
    const place = new DOMPoint(e.clientX, e.clientY).matrixTransform(matrix.inverse());
    const tenths = (value: number) => Math.round(value * 10) / 10;
    return { eastM: tenths(place.x + west), northM: tenths(north - place.y) };
  };
  const grip = (id: number, stands: { eastM: number; northM: number }) =>
    onMove && {
      onPointerDown: (e: PointerEvent<SVGElement>) => {
        if (e.button !== 0) return;
        // The plan beneath is not dragged along.
        e.stopPropagation();
        e.currentTarget.setPointerCapture?.(e.pointerId);
        setMoving({ id, ...stands, fromX: e.clientX, fromY: e.clientY, far: false });
      },
      onPointerMove: (e: PointerEvent<SVGElement>) => {
        if (moving?.id !== id) return;
        e.stopPropagation();
        const far = moving.far || Math.hypot(e.clientX - moving.fromX, e.clientY - moving.fromY) > SHAKE_PX;
        const place = at(e);
        if (far && place) setMoving({ ...moving, ...place, far });
      },
      onPointerUp: (e: PointerEvent<SVGElement>) => {
        if (moving?.id !== id) return;
        e.stopPropagation();
        if (moving.far) onMove({ id, eastM: moving.eastM, northM: moving.northM });
        setMoving(undefined);
      },
      onPointerCancel: () => setMoving(undefined),
    };
  return { moving: moving?.far ? moving : undefined, grip };
}
