import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { Judgement, PlanWishes } from '../api/client';
import { percent } from '../parts/format';
import { VERDICTS } from '../vocabulary/verdict';
import { Icon } from '../parts/Icon';

type Send = (edits: PlanWishes) => void;

/** How many years, and how much of the crown in each; with what is wanted otherwise than the rules would have it. */
export function PlanSettings({ judgement, send, busy }: { judgement: Judgement; send: Send; busy: boolean }) {
  const { edits, evaluation } = judgement;
  const usual = evaluation.tree.allowance.year;
  const [open, setOpen] = useState(false);
  const [share, setShare] = useState(Math.round((edits.allowance?.share ?? usual ?? 0.25) * 100));
  const [why, setWhy] = useState(edits.allowance?.why ?? '');
  const without = (key: 'insisted' | 'split', limb: string) =>
    send({ ...edits, [key]: edits[key]!.filter((one) => one !== limb) });
  return (
    <div className="d-flex flex-wrap gap-2 align-items-center mb-2 no-print">
      <Form.Label htmlFor="plan-years" className="mb-0">
        Over
      </Form.Label>
      <Form.Select
        id="plan-years"
        size="sm"
        style={{ width: 'auto' }}
        disabled={busy}
        value={edits.years ?? ''}
        onChange={(e) => send({ ...edits, years: e.target.value ? Number(e.target.value) : undefined })}
      >
        <option value="">as many years as it wants{edits.years ? '' : ': ' + evaluation.years}</option>
        {Array.from({ length: 10 }, (_, i) => (
          <option key={i} value={i + 1}>
            {i + 1} {i ? 'years' : 'year'}
          </option>
        ))}
      </Form.Select>
      {evaluation.yearsWhy && <span className="small faint">{evaluation.yearsWhy.text}</span>}
      {usual != null && (
        <Button size="sm" variant="link" className="p-0" aria-expanded={open} onClick={() => setOpen(!open)}>
          {edits.allowance ? 'Its own allowance: ' + percent(edits.allowance.share) : 'Another allowance'}
        </Button>
      )}
      {open && (
        <Form
          className="d-flex flex-wrap gap-2 align-items-center"
          onSubmit={(e) => {
            e.preventDefault();
            send({ ...edits, allowance: { share: share / 100, why: why.trim() } });
            setOpen(false);
          }}
        >
          <Form.Control
            type="number"
            size="sm"
            aria-label="Allowance in per cent"
            style={{ width: '5rem' }}
            min={0}
            max={50}
            required
            value={share}
            onChange={(e) => setShare(Number(e.target.value))}
          />
          <span>% a year, because</span>
          <Form.Control
            size="sm"
            aria-label="Why"
            style={{ width: '16rem' }}
            required
            maxLength={300}
            value={why}
            onChange={(e) => setWhy(e.target.value)}
          />
          <Button size="sm" type="submit">
            Set it
          </Button>
          {edits.allowance && (
            <Button
              size="sm"
              variant="link"
              className="p-0"
              onClick={() => {
                send({ ...edits, allowance: undefined });
                setOpen(false);
              }}
            >
              As the site has it
            </Button>
          )}
        </Form>
      )}
      {edits.decided!.map((one) => (
        <Chip
          key={one.limb}
          says={(one.verdict === 'keep' ? 'do not cut ' : 'added: ' + VERDICTS[one.verdict] + ' ') + one.limb}
          onDrop={() => send({ ...edits, decided: edits.decided!.filter((other) => other !== one) })}
        />
      ))}
      {edits.insisted!.map((limb) => (
        <Chip key={'i' + limb} says={limb + ' first of all'} onDrop={() => without('insisted', limb)} />
      ))}
      {edits.split!.map((limb) => (
        <Chip key={'s' + limb} says={limb + ' in two steps'} onDrop={() => without('split', limb)} />
      ))}
    </div>
  );
}

function Chip({ says, onDrop }: { says: string; onDrop: () => void }) {
  return (
    <span className="state edit">
      <Icon name="hand-index-thumb" /> {says}{' '}
      <button
        type="button"
        className="btn-close btn-close-small"
        aria-label={'Undo: ' + says}
        onClick={onDrop}
      />
    </span>
  );
}

/** What can be done to the picked limb's part in the plan. */
export function LimbEdits({
  judgement,
  limb,
  send,
  busy,
}: {
  judgement: Judgement;
  limb: string;
  send: Send;
  busy: boolean;
}) {
  const { edits, evaluation } = judgement;
  const answer = evaluation.limbs.find((one) => one.id === limb);
  if (!answer) return null;
  const decide = (verdict: string) =>
    send({
      ...edits,
      decided: [...edits.decided!.filter((one) => one.limb !== limb), { limb, verdict }],
      insisted: edits.insisted!.filter((one) => one !== limb),
      split: edits.split!.filter((one) => one !== limb),
    });
  const wanted = !!answer.cut;
  const button = (says: string, onClick: () => void) => (
    <Button key={says} size="sm" variant="outline-primary" disabled={busy} onClick={onClick}>
      {says}
    </Button>
  );
  return (
    <div
      className="d-flex flex-wrap gap-2 align-items-center mt-1"
      role="group"
      aria-label={'Limb ' + limb + ' by hand'}
    >
      {wanted && button('Do not cut ' + limb, () => decide('keep'))}
      {wanted &&
        !edits.insisted!.includes(limb) &&
        button(limb + ' first of all', () => send({ ...edits, insisted: [...edits.insisted!, limb] }))}
      {answer.verdict === 'remove' &&
        !edits.split!.includes(limb) &&
        button(limb + ' in two steps', () => send({ ...edits, split: [...edits.split!, limb] }))}
      {!wanted &&
        answer.verdict !== 'goes-with-parent' &&
        ['remove', 'shorten', 'bend'].map((verdict) =>
          button('Add: ' + VERDICTS[verdict] + ' ' + limb, () => decide(verdict)),
        )}
    </div>
  );
}
