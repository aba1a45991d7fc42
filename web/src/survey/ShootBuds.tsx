import type { LimbFile } from '../api/client';
import { BUD_NAMES, BudDrawing } from '../drawing/BudDrawing';

/** Which buds a shoot of last year bears. */
export function ShootBuds({
  limb,
  set,
}: {
  limb: Partial<LimbFile>;
  set: (part: Partial<LimbFile>) => void;
}) {
  return (
    <fieldset className="walk-field">
      <legend>Buds of this shoot</legend>
      <div className="chips">
        {Object.entries(BUD_NAMES).map(([code, name]) => (
          <button
            key={code}
            type="button"
            aria-pressed={limb.buds === code}
            onClick={() => set({ buds: limb.buds === code ? undefined : code })}
          >
            <BudDrawing buds={code} /> {name}
          </button>
        ))}
      </div>
      <div className="faint small">
        For a shoot of last year, the best it has; a triple has a leaf between two flowers
      </div>
    </fieldset>
  );
}
