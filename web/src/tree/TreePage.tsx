import { Button } from 'react-bootstrap';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import type { Tree } from '../api/client';
import { FruitPart } from '../fruit/FruitPart';
import { useTree } from '../api/orchard';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { date, metres, words } from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { Timeline } from '../today/Timeline';
import { useAddVisit } from '../visit/queries';
import { OpenReports, ReportForm } from '../visit/Reports';
import { PhotoStrip } from '../photo/PhotoStrip';
import { OnAnotherDay } from '../season/OnAnotherDay';
import { RemovalForm, Removed } from '../wood/RemovalForm';
import { Judged } from '../verdict/Judged';
import { useJudgement } from '../verdict/queries';

/** One tree: drawn, judged, planned, and all that happened to it in one line of time. */
export function TreePage() {
  const treeId = Number(useParams().treeId);
  const tree = useTree(treeId);
  const judgement = useJudgement(treeId, !!tree.data?.survey && !tree.data.removedOn);
  const [params, setParams] = useSearchParams();
  const doing = params.get('do') ?? '';
  const navigate = useNavigate();
  const visit = useAddVisit(treeId);
  useTitle(tree.data && tree.data.data.tag + ' ' + words(tree.data.data.species));
  if (!tree.data) return <Loading error={tree.error} />;
  const { data, survey, removedOn, siteId } = tree.data;
  const at = '/sites/' + siteId + '/trees/' + treeId;
  const todo = (what: string) =>
    setParams(
      (now) => {
        if (doing === what) now.delete('do');
        else now.set('do', what);
        return now;
      },
      { replace: true },
    );
  const done = () => todo(doing);
  return (
    <>
      <div className="d-flex flex-wrap align-items-baseline gap-3">
        <h1 className="mb-0">
          {data.tag} <small>{words(data.species)}</small>
          {data.cultivar && <small className="faint"> {data.cultivar}</small>}
        </h1>
        <span className="faint">{facts(tree.data)}</span>
        <span className="ms-auto d-flex flex-wrap gap-2 no-print">
          {!removedOn && (
            <>
              <Link className="btn btn-sm btn-primary" to={at + '/walk'}>
                {survey ? 'Walk again' : 'Walk'}
              </Link>
              {survey && (
                <Button
                  size="sm"
                  variant="outline-primary"
                  disabled={visit.isPending}
                  onClick={() =>
                    visit.mutate(undefined, {
                      onSuccess: (made) => navigate('/sites/' + siteId + '/visits/' + made.visitId + '/log'),
                    })
                  }
                >
                  Log work
                </Button>
              )}
              <Doing what="report" now={doing} todo={todo}>
                Report
              </Doing>
            </>
          )}
          <Doing what="fruit" now={doing} todo={todo}>
            Fruit
          </Doing>
          <Link className="btn btn-sm btn-outline-primary" to={at + '/edit'}>
            Edit
          </Link>
          <Doing what="remove" now={doing} todo={todo}>
            {removedOn ? 'Correct the removal' : 'Take out'}
          </Doing>
        </span>
      </div>
      {data.note && <p className="mb-1">{data.note}</p>}
      <ProblemAlert error={visit.error} />
      {doing === 'report' && <ReportForm treeId={treeId} siteId={siteId} done={done} />}
      {doing === 'fruit' && <FruitPart treeId={treeId} siteId={siteId} entering />}
      {doing === 'remove' && <RemovalForm treeId={treeId} siteId={siteId} done={done} />}
      {removedOn && <Removed />}
      <OpenReports treeId={treeId} />
      {!survey && !removedOn && (
        <>
          <p className="mt-3">
            Nobody has walked to this tree yet. <Link to={at + '/walk'}>Walk it now</Link>: its measures, then
            its limbs, thickest first. The judgement comes at once.
          </p>
          <OnAnotherDay treeId={treeId} />
        </>
      )}
      {survey &&
        !removedOn &&
        (judgement.data ? (
          <Judged judgement={judgement.data} treeId={treeId} species={tree.data.data.species} />
        ) : (
          <Loading error={judgement.error} />
        ))}
      <PhotoStrip treeId={treeId} />
      <div className="tree-records">
        <Timeline treeId={treeId} at={at} today={judgement.data?.today} />
        {doing !== 'fruit' && <FruitPart treeId={treeId} siteId={siteId} />}
      </div>
    </>
  );
}

function Doing({
  what,
  now,
  todo,
  children,
}: {
  what: string;
  now: string;
  todo: (what: string) => void;
  children: React.ReactNode;
}) {
  return (
    <Button
      size="sm"
      variant={now === what ? 'secondary' : 'outline-primary'}
      aria-expanded={now === what}
      onClick={() => todo(what)}
    >
      {children}
    </Button>
  );
}

function facts(tree: Tree): string {
  const parts: string[] = [];
  if (tree.data.plantedYear) parts.push('planted ' + tree.data.plantedYear);
  if (tree.data.rootstock) parts.push('on ' + tree.data.rootstock);
  if (tree.survey)
    parts.push(
      metres(tree.survey.heightM) + ' high',
      metres(tree.survey.spreadM) + ' wide',
      'girth ' + tree.survey.trunkGirthCm + ' cm',
    );
  if (tree.removedOn) parts.push('taken out ' + date(tree.removedOn));
  return parts.join(', ');
}
