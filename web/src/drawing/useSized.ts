import { useEffect, useState } from 'react';

/** Keeps as many pixels as the screen has where the drawing lies. */
export function useSized(
  canvas: React.RefObject<HTMLCanvasElement | null>,
  redraw: React.RefObject<() => void>,
) {
  const [size, setSize] = useState<{ wide: number; high: number }>();
  useEffect(() => {
    const is = canvas.current;
    if (!is || typeof ResizeObserver === 'undefined') return;
    const fit = () => {
      const fine = Math.min(2, window.devicePixelRatio || 1);
      is.width = Math.round(is.clientWidth * fine);
      is.height = Math.round(is.clientHeight * fine);
      redraw.current();
      setSize((was) =>
        was?.wide === is.clientWidth && was.high === is.clientHeight
          ? was
          : { wide: is.clientWidth, high: is.clientHeight },
      );
    };
    const watch = new ResizeObserver(fit);
    watch.observe(is);
    return () => watch.disconnect();
  }, [canvas, redraw]);
  return size;
}
