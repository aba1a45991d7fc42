import { Button } from 'react-bootstrap';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import type { Tree } from '../api/client';
import { FruitPart } from '../fruit/FruitPart';
import { useMay } from '../api/me';
import { useTree } from '../api/orchard';
import { Loading } from '../parts/Loading';
import { DECIDE, HELP, LEAD, May } from '../parts/May';
import { ProblemAlert } from '../parts/ProblemAlert';
import { centimetres, date, metres, words } from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { Timeline } from '../today/Timeline';
import { useAddVisit } from '../visit/queries';
import { OpenReports, ReportForm } from '../visit/Reports';
import { PhotoStrip } from '../photo/PhotoStrip';
import { OnAnotherDay } from '../season/OnAnotherDay';
import { RemovalForm, Removed } from '../wood/RemovalForm';
import { Triage } from '../verdict/Triage';
import { useJudgement } from '../verdict/queries';
import { Bench } from './Bench';
import { NextAction } from './NextAction';
import { NextWalk } from './NextWalk';

/** One tree: drawn, judged, planned, and all that happened to it in one line of time. */
export function TreePage() {
  const treeId = Number(useParams().treeId);
  const tree = useTree(treeId);
  const judgement = useJudgement(treeId, !!tree.data?.survey && !tree.data.removedOn);
  const [params, setParams] = useSearchParams();
  const doing = params.get('do') ?? '';
  const navigate = useNavigate();
  const visit = useAddVisit(treeId);
  const leads = useMay(tree.data?.siteId, ...LEAD);
  const helps = useMay(tree.data?.siteId, ...HELP);
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
      <header className="tree-head">
        <h1 className="mb-0">
          {data.tag} <small>{words(data.species)}</small>
          {data.cultivar && <small className="faint"> {data.cultivar}</small>}
        </h1>
        <span className="ms-auto d-flex flex-wrap gap-1 align-items-center no-print">
          <May siteId={siteId} roles={LEAD}>
            <NextAction tree={tree.data} judgement={judgement.data} />
            <NextWalk tree={tree.data} />
          </May>
          {!removedOn && (
            <>
              {survey && helps && (
                <Link className="btn btn-sm btn-quiet" to={at + '/walk'}>
                  Walk again
                </Link>
              )}
              {survey && leads && (
                <Button
                  size="sm"
                  variant="quiet"
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
          {leads && (
            <Link className="btn btn-sm btn-quiet" to={at + '/edit'}>
              Edit
            </Link>
          )}
          <May siteId={siteId} roles={DECIDE}>
            <Doing what="remove" now={doing} todo={todo}>
              {removedOn ? 'Correct the removal' : 'It is gone'}
            </Doing>
          </May>
        </span>
      </header>
      {judgement.data && <Triage judgement={judgement.data} treeId={treeId} />}
      <p className="small faint mb-1 tree-facts">
        {facts(tree.data)}
        {data.note && '. ' + data.note}
      </p>
      <ProblemAlert error={visit.error} />
      {doing === 'report' && <ReportForm treeId={treeId} siteId={siteId} done={done} />}
      {doing === 'remove' && <RemovalForm treeId={treeId} siteId={siteId} done={done} />}
      {removedOn && <Removed treeId={treeId} siteId={siteId} />}
      <OpenReports treeId={treeId} />
      {!survey && !removedOn && (
        <>
          <p className="mt-3">
            Nobody has walked to this tree yet: its measures, then its limbs, thickest first. The judgement
            comes at once.
          </p>
          <OnAnotherDay treeId={treeId} />
        </>
      )}
      {survey && !removedOn ? (
        judgement.data ? (
          <Bench key={treeId} tree={tree.data} judgement={judgement.data} />
        ) : (
          <Loading error={judgement.error} />
        )
      ) : (
        <div className="tree-records">
          <Timeline treeId={treeId} at={at} today={undefined} />
          <div>
            <FruitPart treeId={treeId} siteId={siteId} entering={!removedOn} />
            <PhotoStrip treeId={treeId} />
          </div>
        </div>
      )}
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
      variant={now === what ? 'secondary' : 'quiet'}
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
      'girth ' + centimetres(tree.survey.trunkGirthCm),
    );
  if (tree.removedOn) parts.push('taken out ' + date(tree.removedOn));
  return parts.join(', ');
}
