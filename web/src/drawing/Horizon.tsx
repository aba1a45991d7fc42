import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react';
import { compass } from '../parts/format';
import type { View } from './projection';
import { hasCompass, mayUseCompass, useHeading } from './useHeading';

/** How much of the circle the strip shows, degrees. */
const SHOWN_DEG = 200;
const STEP_DEG = 15;
const NAMED = [0, 45, 90, 135, 180, 225, 270, 315];

const off = (from: number, to: number) => ((to - from + 540) % 360) - 180;

/** The horizon round the tree, as a strip that is pulled along: what stands in its middle is the side one looks from. */
export function Horizon({ view, onTurn }: { view: View; onTurn: (view: View) => void }) {
  const strip = useRef<HTMLDivElement>(null);
  const start = useRef<{ x: number; view: number }>(undefined);
  const side = view === 'above' ? 180 : view;
  const turn = (to: number) => onTurn((Math.round(to) + 360) % 360);
  const [following, setFollowing] = useState(false);
  // Whoever looks south at a tree sees it from the north.
  useHeading(following, (heading) => turn(heading + 180));
  const keys = (e: KeyboardEvent) => {
    const by = { ArrowLeft: STEP_DEG, ArrowRight: -STEP_DEG, PageUp: 90, PageDown: -90 }[e.key];
    if (by === undefined) return;
    e.preventDefault();
    e.stopPropagation();
    turn(side + by);
  };
  const moved = (e: PointerEvent<HTMLDivElement>) => {
    if (!start.current || !strip.current) return;
    turn(start.current.view + ((e.clientX - start.current.x) / strip.current.clientWidth) * SHOWN_DEG);
  };
  return (
    <div className="horizon no-print">
      <div
        ref={strip}
        className={'strip' + (view === 'above' ? ' off' : '')}
        role="slider"
        tabIndex={0}
        aria-label="Side it is seen from"
        aria-valuemin={0}
        aria-valuemax={359}
        aria-valuenow={side}
        aria-valuetext={view === 'above' ? 'from above' : 'from the ' + compass(side)}
        onKeyDown={keys}
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          start.current = { x: e.clientX, view: side };
        }}
        onPointerMove={moved}
        onPointerUp={() => (start.current = undefined)}
        onPointerCancel={() => (start.current = undefined)}
      >
        {NAMED.map((one) => {
          const at = off(side, one);
          if (Math.abs(at) > SHOWN_DEG / 2 - 12) return null;
          return (
            <span
              key={one}
              style={{ left: 50 - (at / SHOWN_DEG) * 100 + '%' }}
              className={at === 0 ? 'here' : ''}
            >
              {compass(one)}
            </span>
          );
        })}
        <i className="needle" aria-hidden="true" />
      </div>
      <button
        type="button"
        className="btn btn-sm btn-outline-secondary"
        aria-pressed={view === 'above'}
        onClick={() => onTurn(view === 'above' ? 180 : 'above')}
      >
        from above
      </button>
      {hasCompass() && (
        <button
          type="button"
          className="btn btn-sm btn-outline-secondary"
          aria-pressed={following}
          onClick={() => void mayUseCompass().then((may) => setFollowing(may && !following))}
        >
          as I stand
        </button>
      )}
    </div>
  );
}
