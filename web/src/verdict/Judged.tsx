import { useSearchParams } from 'react-router';
import type { Judgement } from '../api/client';
import { TreeInTime } from '../outlook/TreeInTime';
import { PlanLanes } from '../plan/PlanLanes';
import { LightSummary } from './Light';
import { Cautions, LimbList, LimbVerdict } from './LimbVerdicts';
import { Triage } from './Triage';

/** The judgement of a tree: its drawing through the years, its limbs, its plan. */
export function Judged({
  judgement,
  treeId,
  species,
}: {
  judgement: Judgement;
  treeId: number;
  species: string;
}) {
  const { evaluation } = judgement;
  const [params, setParams] = useSearchParams();
  const picked = params.get('limb') ?? undefined;
  const pick = (id: string) =>
    setParams(
      (now) => {
        now.set('limb', id);
        return now;
      },
      { replace: true },
    );
  const pickedLimb = evaluation.limbs.find((limb) => limb.id === picked);
  return (
    <>
      <Triage judgement={judgement} treeId={treeId} />
      <LightSummary judgement={judgement} />
      <div className="tree-page">
        <TreeInTime
          key={treeId}
          judgement={judgement}
          treeId={treeId}
          species={species}
          picked={picked}
          onPick={pick}
        />
        <div>
          {pickedLimb ? (
            <LimbVerdict limb={pickedLimb} judgement={judgement} treeId={treeId} onPick={pick} />
          ) : (
            <p className="faint">Pick a limb in the drawing or the list for its verdict and why.</p>
          )}
          <Cautions cautions={evaluation.cautions} />
          <LimbList limbs={evaluation.limbs} judgement={judgement} picked={picked} onPick={pick} />
        </div>
      </div>
      <div className="mt-3">
        <PlanLanes judgement={judgement} treeId={treeId} picked={picked} onPick={pick} />
      </div>
    </>
  );
}
