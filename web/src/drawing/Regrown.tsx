import { seen, type View } from './projection';
import type { DrawnYear } from '../vocabulary/outlook';

/** Upright shoots that answered cuts: one stroke for every few. */
export function Regrown({ shoots, view }: { shoots: DrawnYear['regrown']; view: View }) {
  return (
    <g stroke="var(--leaf-mid)" strokeWidth={0.02} strokeLinecap="round" pointerEvents="none">
      {shoots.map((one, i) => {
        const strokes = Math.min(9, Math.ceil(one.shoots / 3));
        return (
          <g key={one.limb + i} aria-label={one.shoots + ' shoots where ' + one.limb + ' was cut'}>
            {Array.from({ length: strokes }, (_, n) => {
              const turn = (n * 137.5 * Math.PI) / 180;
              const out = one.spreadM * 0.5 * Math.sqrt((n + 0.5) / strokes);
              const tall = one.lengthM * (1 - (0.3 * ((n * 7) % 10)) / 10);
              const from = seen(one.from, view);
              const to = seen(
                {
                  eastM: one.from.eastM + out * Math.sin(turn),
                  northM: one.from.northM + out * Math.cos(turn),
                  upM: one.from.upM + tall,
                },
                view,
              );
              return <line key={n} x1={from.x} y1={from.y} x2={to.x} y2={to.y} />;
            })}
          </g>
        );
      })}
    </g>
  );
}
