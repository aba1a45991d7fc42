import { useState } from 'react';
import { Button, ProgressBar } from 'react-bootstrap';
import type { Programme } from '../api/client';
import { atWork, useCancelJob } from '../api/jobs';
import { personMinutes } from '../parts/format';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useAskOnce } from '../parts/useAskOnce';
import { useProgrammeJob, useStartProgramme } from './queries';

/** Plans every tree anew: says before what that will do, and after what changed. */
export function Replan({ siteId, programme }: { siteId: number; programme: Programme }) {
  const job = useProgrammeJob(siteId);
  const [before, setBefore] = useState<Programme>();
  const ask = useAskOnce();
  const changed = before && job?.state === 'done' ? differing(before, programme) : undefined;
  const start = useStartProgramme(siteId);
  const cancel = useCancelJob();
  if (job && atWork(job))
    return (
      <span className="d-flex gap-2 align-items-center" role="status">
        <ProgressBar
          style={{ width: '8rem' }}
          now={job.done}
          max={job.total}
          aria-label="Planning anew"
          label={job.state === 'waiting' ? 'waits' : job.done + ' of ' + job.total}
        />
        <Button size="sm" variant="outline-danger" onClick={() => cancel.mutate(job.id)}>
          Stop
        </Button>
      </span>
    );
  return (
    <>
      <ProblemAlert error={start.error} />
      {job?.state === 'failed' && <span className="state urgent">{job.problem}</span>}
      {changed && (
        <span className="small" role="status">
          {changed.length === 0
            ? 'Planned anew: nothing changed.'
            : 'Planned anew: ' +
              changed.slice(0, 6).join('; ') +
              (changed.length > 6 ? `; and ${changed.length - 6} more` : '') +
              '.'}
        </span>
      )}
      <Button
        size="sm"
        variant="outline-primary"
        disabled={start.isPending}
        onClick={() =>
          ask.sure(
            `${programme.trees.length} trees are judged again. Plans that people keep stay as they are, and what is proposed instead stands beside them; the others follow.`,
            () => {
              setBefore(programme);
              start.mutate();
            },
          )
        }
      >
        Plan all anew
      </Button>
      {ask.question}
    </>
  );
}

/** What of the programme is otherwise than it was. */
function differing(before: Programme, now: Programme): string[] {
  const was = new Map(before.trees.map((tree) => [tree.id, tree]));
  return now.trees.flatMap((tree) => {
    const old = was.get(tree.id);
    if (!old) return [tree.tag + ' is new'];
    if (old.begins !== tree.begins)
      return [
        tree.tag + ' begins ' + (tree.beginsLabel ?? 'never') + ' instead of ' + (old.beginsLabel ?? 'never'),
      ];
    return old.minutes !== tree.minutes
      ? [tree.tag + ' takes ' + personMinutes(tree.minutes) + ' instead of ' + personMinutes(old.minutes)]
      : [];
  });
}
