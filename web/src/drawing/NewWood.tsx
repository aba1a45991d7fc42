import { seen, type View } from './projection';
import type { DrawnYear } from '../vocabulary/outlook';

/** New wood, chosen and kept, that refills the room of a limb: the closer the fuller. */
export function NewWood({ rooms, view }: { rooms: DrawnYear['refilled']; view: View }) {
  return (
    <g pointerEvents="none">
      {rooms.map((room) => {
        const from = seen(room.from, view);
        const to = seen(room.to, view);
        const along = Math.hypot(to.x - from.x, to.y - from.y) / 2;
        const across = room.acrossM * 0.62;
        const turn = (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI;
        return (
          <ellipse
            key={room.main}
            aria-label={'New wood where ' + room.main + ' has room'}
            transform={`translate(${(from.x + to.x) / 2} ${(from.y + to.y) / 2}) rotate(${turn})`}
            rx={Math.max(along, across)}
            ry={across}
            className="new-wood"
            fillOpacity={0.12 + 0.4 * room.leaf}
            strokeWidth={0.012}
            strokeDasharray="0.05 0.05"
          />
        );
      })}
    </g>
  );
}
