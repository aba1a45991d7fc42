import { Button, ProgressBar } from 'react-bootstrap';
import type { SiteLight } from '../api/client';
import { ProblemAlert } from '../parts/ProblemAlert';
import { percent } from '../parts/format';
import { atWork, useCancelJob } from '../api/jobs';
import { useLightJob, useStartLight } from './queries';

/** What the shade drawn in the plan means, who takes most from whom, and which trees stand too close. */
export function LightPanel({ siteId, light }: { siteId: number; light: SiteLight }) {
  const job = useLightJob(siteId);
  const start = useStartLight(siteId);
  const cancel = useCancelJob();
  const running = job && atWork(job);
  const most = light.trees
    .flatMap((tree) => tree.shadedBy.slice(0, 1).map((by) => ({ tree, by })))
    .filter(({ by }) => by.takes >= 0.02)
    .sort((one, other) => other.by.takes - one.by.takes)
    .slice(0, 6);
  return (
    <section className="light-panel" aria-label="Light and room">
      <p className="mb-1">
        Light over the growing season, as a share of the open sky’s: the darker the ground, the less. Written
        in each crown is its own mean; each crown is taken as one body of leaf.
      </p>
      {most.length > 0 && (
        <>
          <h3>Who takes most</h3>
          <ul className="mb-1">
            {most.map(({ tree, by }) => (
              <li key={tree.treeId}>
                {by.tag} takes {percent(by.takes)} from {tree.tag}
              </li>
            ))}
          </ul>
        </>
      )}
      <h3>Too close</h3>
      {light.tooClose.length === 0 ? (
        <p className="mb-1">No crowns overlap, and every rootstock known has room.</p>
      ) : (
        <ul className="mb-1">
          {light.tooClose.slice(0, 8).map((pair) => (
            <li key={pair.one + ' ' + pair.other}>{pair.reasons.map((reason) => reason.text).join(' ')}</li>
          ))}
          {light.tooClose.length > 8 && <li>and {light.tooClose.length - 8} more pairs</li>}
        </ul>
      )}
      <div className="d-flex flex-wrap gap-2 align-items-center mt-2">
        {running ? (
          <>
            <ProgressBar
              className="flex-grow-1"
              style={{ maxWidth: 260 }}
              now={job.done}
              max={job.total}
              label={job.done + ' of ' + job.total}
              aria-label="Trees worked out"
            />
            <Button size="sm" variant="outline-secondary" onClick={() => cancel.mutate(job.id)}>
              Stop
            </Button>
          </>
        ) : (
          <Button
            size="sm"
            variant="outline-primary"
            disabled={start.isPending}
            title="After trees were surveyed, cut or taken out, the light of their neighbours is another"
            onClick={() => start.mutate(undefined)}
          >
            Judge every tree in today’s light
          </Button>
        )}
        {job && !running && (
          <span className="faint">
            {job.state === 'done' && 'All ' + job.total + ' trees are judged in this light.'}
            {job.state === 'cancelled' && 'Stopped after ' + job.done + ' of ' + job.total + '.'}
            {job.state === 'failed' && job.problem}
          </span>
        )}
      </div>
      <ProblemAlert error={start.error ?? cancel.error} />
    </section>
  );
}
