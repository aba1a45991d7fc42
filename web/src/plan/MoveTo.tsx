import { Button, Form } from 'react-bootstrap';
import type { Judgement, Time } from '../api/client';
import { dates } from '../parts/format';
import { VERDICTS } from '../vocabulary/verdict';
import { keyOf, type Moving, placeOf } from './moves';
import { seasonOf } from './LaneRow';

/** Every time the picked limb's cut can be moved to, for those who do not drag. */
export function MoveTo({
  judgement,
  limb,
  busy,
  onMove,
  onGiveBack,
}: {
  judgement: Judgement;
  limb: string;
  busy: boolean;
  onMove: (cut: Moving, to: Time) => void;
  onGiveBack: (cut: Moving) => void;
}) {
  const cuts = judgement.evaluation.plan.flatMap((lane) => lane.cuts.filter((cut) => cut.limb === limb));
  const waiting = judgement.evaluation.notPlaced.some((one) => one.limb === limb);
  const answer = judgement.evaluation.limbs.find((one) => one.id === limb);
  // What is left for want of a branch to cut to is listed too, but has no cut that could be moved.
  const movable: Moving[] = waiting && answer?.cut ? [{ limb, kind: answer.verdict }] : cuts;
  if (movable.length === 0) return null;
  return (
    <div className="move-to no-print" aria-live="polite">
      {movable.map((cut) => {
        const place = placeOf(judgement, cut);
        const id = 'move-' + cut.limb + cut.kind;
        return (
          <div key={id} className="d-flex flex-wrap gap-2 align-items-center">
            <Form.Label htmlFor={id} className="mb-0">
              Move: {VERDICTS[cut.kind]} {cut.limb}
            </Form.Label>
            <Form.Select
              id={id}
              size="sm"
              style={{ width: 'auto' }}
              disabled={busy}
              value={place ? keyOf(place.lane) : ''}
              onChange={(e) => {
                const to = judgement.times.find((time) => keyOf(time) === e.target.value);
                if (to) onMove(cut, to);
              }}
            >
              {!place && <option value="">no place yet</option>}
              {judgement.times.map((time) => (
                <option key={keyOf(time)} value={keyOf(time)}>
                  {time.yearLabel} {seasonOf(time)}
                  {time.season === 'any' ? '' : ', ' + dates(time.opens, time.closes)}
                </option>
              ))}
            </Form.Select>
            {place?.cut.byHand && (
              <Button size="sm" variant="link" className="p-0" onClick={() => onGiveBack(cut)}>
                Leave it to the rules
              </Button>
            )}
          </div>
        );
      })}
    </div>
  );
}
