import { type KeyboardEvent, type TouchEvent, useRef } from 'react';
import { type Pane, PANES } from './panes';

const ALL = Object.keys(PANES) as Pane[];
/** A swipe is longer than this, and more across than along. */
const SWIPE_PX = 60;

/** The names of the panes, to be chosen by press or by arrow keys. */
export function PaneTabs({ pane, choose }: { pane: Pane; choose: (pane: Pane) => void }) {
  const keys = (e: KeyboardEvent<HTMLDivElement>) => {
    const by = { ArrowLeft: -1, ArrowRight: 1 }[e.key];
    const to = by && ALL[ALL.indexOf(pane) + by];
    if (!to) return;
    e.preventDefault();
    choose(to);
    document.getElementById('pane-' + to)?.focus();
  };
  return (
    <div className="pane-tabs no-print" role="tablist" aria-label="Of this tree" onKeyDown={keys}>
      {ALL.map((one) => (
        <button
          key={one}
          id={'pane-' + one}
          type="button"
          role="tab"
          aria-selected={pane === one}
          aria-controls="pane"
          tabIndex={pane === one ? 0 : -1}
          onClick={() => choose(one)}
        >
          {PANES[one]}
        </button>
      ))}
    </div>
  );
}

/** On a phone the next pane is a swipe away. */
export function useSwipe(pane: Pane, choose: (pane: Pane) => void) {
  const start = useRef<{ x: number; y: number }>(undefined);
  return {
    onTouchStart: (e: TouchEvent) => {
      const touch = e.touches[0]!;
      const inside = (e.target as HTMLElement).closest(
        '.table-responsive, .limb-list-wrap, .disc, input, svg',
      );
      start.current = inside ? undefined : { x: touch.clientX, y: touch.clientY };
    },
    onTouchEnd: (e: TouchEvent) => {
      const from = start.current;
      const touch = e.changedTouches[0]!;
      start.current = undefined;
      if (!from) return;
      const dx = touch.clientX - from.x;
      if (Math.abs(dx) < SWIPE_PX || Math.abs(dx) < 2 * Math.abs(touch.clientY - from.y)) return;
      const to = ALL[ALL.indexOf(pane) + (dx < 0 ? 1 : -1)];
      if (to) choose(to);
    },
  };
}
