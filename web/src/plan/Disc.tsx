import type { KeyboardEvent } from 'react';
import type { LimbAnswer, PlannedCut } from '../api/client';
import { percent } from '../parts/format';
import type { Grip } from '../parts/useDragged';
import { VERDICTS } from '../vocabulary/verdict';
import { Icon } from '../parts/Icon';
import { lengthAsGiven } from '../parts/measure';

export function Disc({
  cut,
  limb,
  picked,
  onPick,
  onKeyDown,
  grip,
  wasDrag,
}: {
  cut: PlannedCut;
  limb?: LimbAnswer;
  picked: boolean;
  onPick: () => void;
  onKeyDown: (e: KeyboardEvent) => void;
  grip: Grip;
  wasDrag: () => boolean;
}) {
  const size = Math.round(26 + 3 * Math.min(20, cut.cut.diameterCm));
  const dead = limb?.crownShare === 0;
  const says =
    `${VERDICTS[cut.kind]} ${cut.limb}, ${lengthAsGiven(cut.cut.diameterCm, 'cm')}, ${percent(cut.share)} of the crown` +
    (cut.cut.sideBranch ? ', back to ' + cut.cut.sideBranch + ' which takes over' : '') +
    (limb?.urgent ? ', urgent' : '') +
    (cut.byHand ? ', moved by hand' : '') +
    (cut.breaks.length ? ', breaks a rule' : '');
  return (
    <button
      type="button"
      data-cut={cut.limb + cut.kind}
      className={`disc ${cut.kind}${dead ? ' dead' : ''}${limb?.urgent ? ' urgent' : ''}${picked ? ' picked' : ''}${cut.byHand ? ' by-hand' : ''}`}
      style={{ width: size, height: size }}
      aria-label={says}
      title={says}
      onClick={() => !wasDrag() && onPick()}
      onKeyDown={onKeyDown}
      {...grip}
    >
      {cut.limb}
      {cut.byHand && <Icon name="hand-index-thumb" />}
    </button>
  );
}
