import { Button } from 'react-bootstrap';
import { Link } from 'react-router';
import type { Judgement, Tree } from '../api/client';
import { DECIDE, May } from '../parts/May';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useKeepPlan } from '../plan/queries';

/** The one thing that comes next at this tree. */
export function NextAction({ tree, judgement }: { tree: Tree; judgement?: Judgement }) {
  const keep = useKeepPlan(tree.id);
  const site = '/sites/' + tree.siteId;
  if (tree.removedOn) return null;
  if (!tree.survey)
    return (
      <Link className="btn btn-primary" to={site + '/trees/' + tree.id + '/walk'}>
        Walk this tree
      </Link>
    );
  if (!judgement) return null;
  const { plan } = judgement.evaluation;
  if (plan.length > 0 && !judgement.kept)
    return (
      <May siteId={tree.siteId} roles={DECIDE}>
        <Button size="sm" disabled={keep.isPending} onClick={() => keep.mutate(judgement.planVersion)}>
          Keep this plan
        </Button>
        <ProblemAlert error={keep.error} />
      </May>
    );
  const open = plan.some(
    (lane) => lane.window.opens <= judgement.today && judgement.today <= lane.window.closes,
  );
  if (open)
    return (
      <Link className="btn btn-sm btn-primary" to={site + '/days'}>
        Put its work on a day
      </Link>
    );
  return null;
}
