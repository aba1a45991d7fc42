import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { currentPersonId } from '../api/client';
import { ProblemAlert } from '../parts/ProblemAlert';
import { date } from '../parts/format';
import { useDecide, useOpinions, useThink } from './queries';
import { VERDICTS } from '../vocabulary/verdict';

/** A refusal is shown below; what was written stays. */
const shownBelow = () => undefined;

const CHOICES = ['keep', 'bend', 'shorten', 'remove', 'wait'];

/** What people think of a limb, side by side with the rules, and what the coordinator decided. */
export function LimbOpinions({ limb, verdict, treeId }: { limb: string; verdict: string; treeId: number }) {
  const all = useOpinions(treeId);
  const think = useThink(treeId);
  const decide = useDecide(treeId);
  const [open, setOpen] = useState(false);
  const [choice, setChoice] = useState('');
  const [note, setNote] = useState('');
  const opinions = all.data?.opinions.filter((one) => one.limb === limb) ?? [];
  const decision = all.data?.decisions.find((one) => one.limb === limb);
  const mine = opinions.find((one) => String(one.personId) === currentPersonId());
  const body = { verdict: choice || verdict, note: note.trim() || undefined };
  const done = () => {
    setOpen(false);
    setChoice('');
    setNote('');
  };
  return (
    <div className="mt-1">
      {opinions.length > 0 && (
        <ul className="mb-1 ps-3">
          {opinions.map((one) => (
            <li key={one.personId}>
              {one.person} would <strong>{VERDICTS[one.verdict]}</strong>
              {one.note && ': ' + one.note}
            </li>
          ))}
        </ul>
      )}
      {decision && (
        <p className="mb-1">
          Decided by {decision.by} on {date(decision.on)}: <strong>{VERDICTS[decision.verdict]}</strong>
          {decision.note && ', ' + decision.note}.{' '}
          <Button
            size="sm"
            variant="link"
            className="p-0 align-baseline"
            disabled={decide.isPending}
            onClick={() => decide.mutate({ limb, version: decision.version, to: null })}
          >
            Leave it to the rules
          </Button>
        </p>
      )}
      {!open ? (
        <Button size="sm" variant="link" className="p-0" onClick={() => setOpen(true)}>
          {mine ? 'Think again, or decide' : 'I see it otherwise'}
        </Button>
      ) : (
        <div className="d-flex flex-wrap gap-2 align-items-center">
          <Form.Select
            size="sm"
            style={{ width: 'auto' }}
            aria-label={'What to do with ' + limb}
            value={choice || verdict}
            onChange={(e) => setChoice(e.target.value)}
          >
            {CHOICES.map((one) => (
              <option key={one} value={one}>
                {VERDICTS[one]}
              </option>
            ))}
          </Form.Select>
          <Form.Control
            size="sm"
            style={{ maxWidth: 220 }}
            placeholder="why"
            aria-label="Why"
            maxLength={500}
            value={note}
            onChange={(e) => setNote(e.target.value)}
          />
          <Button
            size="sm"
            disabled={think.isPending}
            onClick={() => void think.mutateAsync({ limb, body }).then(done, shownBelow)}
          >
            Keep my view
          </Button>
          <Button
            size="sm"
            variant="outline-primary"
            disabled={decide.isPending}
            onClick={() =>
              void decide
                .mutateAsync({ limb, version: decision?.version ?? 0, to: body })
                .then(done, shownBelow)
            }
          >
            Decide so
          </Button>
          <Button size="sm" variant="link" onClick={done}>
            Leave it
          </Button>
        </div>
      )}
      <ProblemAlert error={all.error ?? think.error ?? decide.error} />
    </div>
  );
}
