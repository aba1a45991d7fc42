import type { Judgement } from '../api/client';
import { MoveTo } from './MoveTo';
import { LimbEdits } from './PlanEditing';
import type { PlanEdits } from './usePlanEdits';

/** All that can be done to a limb's part in the plan, where its verdict is read. */
export function LimbInPlan({
  judgement,
  limb,
  edits,
}: {
  judgement: Judgement;
  limb: string;
  edits: PlanEdits;
}) {
  return (
    <>
      <LimbEdits judgement={judgement} limb={limb} send={edits.send} busy={edits.busy} />
      <MoveTo
        judgement={judgement}
        limb={limb}
        busy={edits.busy}
        onMove={edits.move}
        onGiveBack={edits.giveBack}
      />
    </>
  );
}
