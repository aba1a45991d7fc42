import { useMemo } from 'react';
import { Button } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import type { Judgement, Lane } from '../api/client';
import { useSite, useTree } from '../api/orchard';
import { drawn, frame } from '../drawing/drawn';
import { type Mark, marksOf } from '../drawing/marks';
import { asItStands } from '../drawing/projection';
import { TreeDrawing } from '../drawing/TreeDrawing';
import { useOutlook } from '../outlook/queries';
import { Loading } from '../parts/Loading';
import { centimetres, date, metres, percent, words } from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { linesOf } from '../vocabulary/outlook';
import { useJudgement } from '../verdict/queries';
import { GRADES } from '../vocabulary/wood';
import { GradeLetter } from '../wood/GradeBox';
import { useWood } from '../wood/queries';
import { Owning } from './Owning';

const FROM_THE_SOUTH = 180;
const MOST_CAUTIONS = 7;
/** A share that rounds to nothing is not told. */
const LEAST_SHARE = 0.005;
const NO_MARKS = new Map<string, Mark>();

/** One page for whoever owns a tree: the tree now and after, what is done when in plain words, what to expect, the cautions. */
export function OwnersPage() {
  const { siteId, treeId } = useParams();
  const tree = useTree(Number(treeId));
  const site = useSite(Number(siteId));
  const judgement = useJudgement(Number(treeId), !!tree.data?.survey);
  useTitle(tree.data && 'For the owner of ' + tree.data.data.tag);
  if (tree.data && !tree.data.survey)
    return <p>Nobody has walked to this tree yet: there is no plan to show.</p>;
  if (!tree.data || !site.data || !judgement.data)
    return <Loading error={tree.error ?? site.error ?? judgement.error} />;
  const { data } = tree.data;
  return (
    <article className="owners-page">
      <div className="d-flex gap-2 no-print mb-2">
        <Button size="sm" onClick={() => window.print()}>
          Print
        </Button>
        <Link className="btn btn-sm btn-link" to={'/sites/' + siteId + '/trees/' + treeId}>
          Back to the tree
        </Link>
      </div>
      <h1>
        {data.tag}{' '}
        <small>
          {words(data.species)}
          {data.cultivar && ', ' + data.cultivar}
        </small>
      </h1>
      <p>
        {site.data.data.name}. What is planned for this tree, as of {date(judgement.data.today)}.
      </p>
      <Plan judgement={judgement.data} treeId={Number(treeId)} />
      <Owning
        treeId={Number(treeId)}
        siteId={Number(siteId)}
        year={Number(judgement.data.today.slice(0, 4))}
      />
    </article>
  );
}

function Plan({ judgement, treeId }: { judgement: Judgement; treeId: number }) {
  const { evaluation, drawing } = judgement;
  const ten = useOutlook(treeId);
  const limbs = useMemo(() => new Map(evaluation.limbs.map((limb) => [limb.id, limb])), [evaluation]);
  const lanes = evaluation.plan.filter((lane) => lane.cuts.length > 0 || lane.detail || lane.tasks?.length);
  const planned = ten.data && linesOf(ten.data, []).filter((line) => line.key === 'plan');
  const years = planned?.[0]?.years ?? [];
  const lastYear = Math.max(0, ...evaluation.plan.map((lane) => lane.year));
  const done = years.find((year) => year.is.year > lastYear) ?? years.at(-1);
  const sheet = planned && frame(drawing, planned);
  const then = done && drawn(drawing, done);
  return (
    <>
      <div className="now-and-then">
        <figure>
          <TreeDrawing
            drawing={drawing}
            limbs={limbs}
            standing={asItStands(drawing)}
            view={FROM_THE_SOUTH}
            marks={marksOf(evaluation.limbs)}
            reachM={sheet}
          />
          <figcaption>
            Now: {metres(drawing.heightM)} high. Damson and pale: what goes, now and in the years to come.
          </figcaption>
        </figure>
        {then && (
          <figure>
            <TreeDrawing
              drawing={drawing}
              limbs={limbs}
              standing={then.standing}
              view={FROM_THE_SOUTH}
              marks={NO_MARKS}
              reachM={sheet}
              plain
            />
            <figcaption>
              Early {done.yearLabel}, when the plan is done: about {metres(done.is.heightM)} high.
            </figcaption>
          </figure>
        )}
      </div>
      <h2>What is done when</h2>
      {lanes.length === 0 ? (
        <p>Nothing needs doing now.</p>
      ) : (
        <table className="table table-sm">
          <tbody>
            {lanes.map((lane) => (
              <tr key={lane.year + lane.season + lane.window.opens}>
                <th scope="row">{when(lane, judgement.today)}</th>
                <td>{what(lane)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <h2>What to expect</h2>
      <p>
        {ten.data?.says.map((said) => said.text).join(' ')} It bears less in years in which a large limb goes.
        Upright shoots answer every cut; they are taken while they are thin.
      </p>
      <OwnersWood treeId={treeId} />
      {evaluation.cautions.length > 0 && (
        <section className="caution-list" aria-label="Take care">
          <h2>Take care</h2>
          <ul>
            {evaluation.cautions.slice(0, MOST_CAUTIONS).map((caution) => (
              <li key={caution.text}>{caution.text}</li>
            ))}
          </ul>
        </section>
      )}
      <p className="small faint">
        Both pictures from the south, to one scale. How the tree will grow is our own reckoning, not a
        promise. Local law and licensed practice come first.
      </p>
    </>
  );
}

const when = (lane: Lane, today: string) =>
  lane.season === 'any' && lane.window.opens <= today
    ? 'At once, in any season'
    : date(lane.window.opens) + ' to ' + date(lane.window.closes);

/** The work of a lane as one would tell it to somebody who has never pruned. */
export function what(lane: Lane): string {
  const cuts = lane.cuts.map((cut) =>
    cut.kind === 'remove'
      ? 'limb ' + cut.limb + ' (' + centimetres(cut.cut.diameterCm) + ' wide) comes off whole'
      : cut.kind === 'shorten'
        ? 'limb ' +
          cut.limb +
          ' (' +
          centimetres(cut.cut.diameterCm) +
          ' wide) is shortened' +
          (cut.cut.sideBranch ? ' back to its side branch ' + cut.cut.sideBranch : '')
        : 'branch ' + cut.limb + ' is bent down',
  );
  if (lane.detail) cuts.push('about ' + lane.detail.shoots + ' upright shoots are taken');
  const tasks = (lane.tasks ?? []).map((task) => task.what.text).join(' ');
  const share =
    lane.share >= LEAST_SHARE ? ' ' + percent(lane.share) + ' of its crown, as it is then, comes off.' : '';
  const said = cuts.join('; ');
  return ((said && said.charAt(0).toUpperCase() + said.slice(1) + '.') + share + ' ' + tasks).trim();
}

/** How sound the tree is, in a line. */
function OwnersWood({ treeId }: { treeId: number }) {
  const wood = useWood(treeId);
  const worst = wood.data?.parts.find((part) => part.grade === wood.data.grade);
  return wood.data?.grade ? (
    <p className="d-flex gap-2 align-items-center">
      <GradeLetter grade={wood.data.grade} /> Its wood is {GRADES[wood.data.grade]}
      {worst && ': ' + worst.text}.
    </p>
  ) : null;
}
