import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { Judgement, VersionCut } from '../api/client';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { centimetres, date, metres } from '../parts/format';
import { SEASONS, VERDICTS } from '../vocabulary/verdict';
import { useTreeInProgramme } from '../programme/queries';
import { useKeepPlan, usePlanVersions } from './queries';
import { Icon } from '../parts/Icon';

/** "2028 dormant" as people say it. */
const when = (time: string) =>
  time.replace(/ (\S+)$/, (_, season: string) => ' ' + (SEASONS[season] ?? season));

const CAUSES: Record<string, string> = {
  followed: 'as the judgement had it',
  kept: 'kept as the rules made it',
  'by-hand': 'changed by hand',
  proposal: 'taken over from what was proposed',
};

/** Whether the plan is kept, and what is proposed in its place since. */
export function PlanState({ judgement, treeId }: { judgement: Judgement; treeId: number }) {
  const keep = useKeepPlan(treeId);
  const { kept, followed, proposal } = judgement;
  const [open, setOpen] = useState(false);
  const planned = judgement.evaluation.plan.length > 0;
  return (
    <div className="mb-2">
      <ProblemAlert error={keep.error} />
      {!kept && planned && (
        <p className="mb-1">
          <span className="faint small">
            Not kept yet: it follows the judgement with every survey and log.
          </span>
          {followed && ` It last changed on ${date(followed.on)}.`}{' '}
          {followed && !open && (
            <Button size="sm" variant="link" className="p-0 no-print" onClick={() => setOpen(true)}>
              What changed
            </Button>
          )}
        </p>
      )}
      {!kept && followed && open && (
        <section className="proposal" aria-label="What changed">
          <h2 className="minor">
            Changed on {date(followed.on)} from what was planned on {date(followed.since)}
          </h2>
          <Changes changes={followed.changes} />
          <Button size="sm" variant="link" className="p-0 no-print" onClick={() => setOpen(false)}>
            Hide what changed
          </Button>
          <Versions treeId={treeId} />
        </section>
      )}
      {kept && (
        <p className="mb-1">
          Plan {kept.number}, {CAUSES[kept.cause]} by {kept.by} on {date(kept.on)}. Only people change it.{' '}
          <Button
            size="sm"
            variant="link"
            className="p-0 no-print"
            aria-expanded={open}
            onClick={() => setOpen(!open)}
          >
            {open ? 'Hide what was planned before' : 'What was planned, and what became of it'}
          </Button>
        </p>
      )}
      <InProgramme treeId={treeId} />
      {kept && open && <Versions treeId={treeId} />}
      {proposal.length > 0 && (
        <section className="proposal" aria-label="Proposed since">
          <h2 className="minor">Proposed since</h2>
          <Changes changes={proposal} />
          <Button
            size="sm"
            variant="primary"
            className="no-print"
            disabled={keep.isPending}
            onClick={() => keep.mutate(judgement.planVersion)}
          >
            Take all of it over
          </Button>{' '}
          <span className="small faint no-print">Until then the plan below stands as it was kept.</span>
        </section>
      )}
    </div>
  );
}

/** Where the programme of the site puts the tree off, or somebody set it to begin. */
function InProgramme({ treeId }: { treeId: number }) {
  const tree = useTreeInProgramme(treeId).data;
  if (!tree || tree.first == null || tree.begins === tree.first) return null;
  const years = tree.begins == null ? 0 : tree.begins - tree.first;
  return (
    <p className="mb-1">
      <Icon name="hourglass-split" />{' '}
      {tree.begins == null
        ? 'In the programme of the site it finds no hours.'
        : `In the programme of the site it begins ${Math.abs(years)} ${Math.abs(years) === 1 ? 'year' : 'years'} ` +
          `${years > 0 ? 'later' : 'earlier'} than here, in ${tree.beginsLabel}` +
          (tree.setTo != null ? ', set by hand.' : ', for want of hours.')}
    </p>
  );
}

function Changes({ changes }: { changes: Judgement['proposal'] }) {
  return (
    <ul className="mb-2">
      {changes.map((change) => (
        <li key={change.limb + change.kind}>
          <strong>
            {VERDICTS[change.kind]} {change.limb}
          </strong>
          {': '}
          {change.from && change.to
            ? when(change.to) + ' instead of ' + when(change.from)
            : change.to
              ? when(change.to) + ', new'
              : 'no longer, it was planned for ' + when(change.from!)}
          {change.why.map((reason) => (
            <span className="faint" key={reason.code}>
              {' '}
              {reason.text}
            </span>
          ))}
        </li>
      ))}
    </ul>
  );
}

/** What was done instead, in words. */
const became = ({ became, instead, insteadAtM }: VersionCut) =>
  became === 'done'
    ? 'done'
    : became === 'not-done'
      ? 'not done'
      : 'done otherwise' +
        (instead
          ? ': ' + (VERDICTS[instead] ?? instead) + (insteadAtM ? ' at ' + metres(insteadAtM) : '')
          : '');

function Versions({ treeId }: { treeId: number }) {
  const versions = usePlanVersions(treeId, true);
  if (!versions.data) return <Loading error={versions.error} />;
  return (
    <div className="plan-versions">
      {versions.data.map((version) => (
        <section key={version.number} aria-label={'Plan ' + version.number}>
          <h2 className="minor">
            Plan {version.number}{' '}
            <small className="faint">
              {date(version.on)}, {version.by && version.by + ', '}
              {CAUSES[version.cause]}
            </small>
          </h2>
          <ul className="mb-1">
            {version.cuts.map(({ cut, ...what }) => (
              <li key={cut.limb + cut.kind}>
                {VERDICTS[cut.kind]} {cut.limb}, {centimetres(cut.diameterCm)},{' '}
                {when(cut.yearLabel + ' ' + cut.season)}
                {what.became && (
                  <strong>
                    {': '}
                    {became({ cut, ...what })}
                    {what.becameOn && ', ' + date(what.becameOn)}
                  </strong>
                )}
              </li>
            ))}
          </ul>
        </section>
      ))}
    </div>
  );
}
