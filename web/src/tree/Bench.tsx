import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import type { Judgement, Tree } from '../api/client';
import { CropBox } from '../fruit/CropBox';
import { FruitPart } from '../fruit/FruitPart';
import { useOutlook, useWhatIfs } from '../outlook/queries';
import { Stage } from '../outlook/Stage';
import { type Look, useLook } from '../outlook/useLook';
import { YearsPane } from '../outlook/YearsPane';
import { Loading } from '../parts/Loading';
import { PhotoStrip } from '../photo/PhotoStrip';
import { laneDrawn } from '../plan/laneDrawn';
import { LimbInPlan } from '../plan/LimbInPlan';
import { PlanLanes } from '../plan/PlanLanes';
import { usePlanEdits } from '../plan/usePlanEdits';
import { Timeline } from '../today/Timeline';
import { LightSummary } from '../verdict/Light';
import { Cautions, LimbList, LimbVerdict } from '../verdict/LimbVerdicts';
import { linesOf } from '../vocabulary/outlook';
import { openWounds } from '../wood/openWounds';
import { useWood } from '../wood/queries';
import { WoodPane } from '../wood/WoodPane';
import { type Pane, paneOf } from './panes';
import { PastTree } from './PastTree';
import { PaneTabs, useSwipe } from './PaneTabs';

/** The bench: the tree on the left, one pane at a time on the right; what is picked on one side is picked on the other. */
export function Bench({ tree, judgement }: { tree: Tree; judgement: Judgement }) {
  const treeId = tree.id;
  const at = '/sites/' + tree.siteId + '/trees/' + treeId;
  const [params, setParams] = useSearchParams();
  const set = (name: string, value: string) =>
    setParams(
      (now) => {
        now.set(name, value);
        return now;
      },
      { replace: true },
    );
  const pane = paneOf(params.get('pane'));
  const choose = (to: Pane) => set('pane', to);
  const picked = params.get('limb') ?? undefined;
  const pick = (limb: string) => set('limb', limb);
  const [look, setLook] = useLook();
  const change = (make: (now: Look) => Partial<Look>) => setLook((now) => ({ ...now, ...make(now) }));
  const [lane, setLane] = useState<string>();
  const edits = usePlanEdits(judgement, treeId);
  const outlook = useOutlook(treeId);
  const whatIfs = useWhatIfs(treeId);
  const wood = useWood(treeId, pane === 'wood');
  const ten = outlook.data;
  const lines = useMemo(() => (ten ? linesOf(ten, whatIfs.data ?? []) : []), [ten, whatIfs.data]);
  const scene = useMemo(
    () => (lane ? laneDrawn(judgement.drawing, judgement, lane) : undefined),
    [judgement, lane],
  );
  const swipe = useSwipe(pane, choose);
  const shownLine = lines.find((line) => line.key === look.way) ?? lines.find((line) => line.key === 'plan');
  const limb = judgement.evaluation.limbs.find((one) => one.id === picked);
  const verdict = limb && (
    <LimbVerdict limb={limb} judgement={judgement} treeId={treeId} onPick={pick}>
      <LimbInPlan judgement={judgement} limb={limb.id} edits={edits} />
    </LimbVerdict>
  );
  return (
    <div className="bench">
      <Stage
        judgement={judgement}
        lines={lines}
        error={outlook.error}
        look={look}
        change={change}
        lane={scene}
        picked={picked}
        onPick={pick}
        wounds={pane === 'wood' ? openWounds(wood.data) : undefined}
      />
      <div className="panes">
        <PaneTabs pane={pane} choose={choose} />
        <div id="pane" role="tabpanel" aria-labelledby={'pane-' + pane} {...swipe}>
          {(pane === 'limbs' || pane === 'plan') && <Cautions cautions={judgement.evaluation.cautions} />}
          {pane === 'limbs' && (
            <>
              {verdict ?? (
                <p className="faint">Pick a limb in the drawing or the list for its verdict and why.</p>
              )}
              <LimbList
                limbs={judgement.evaluation.limbs}
                judgement={judgement}
                picked={picked}
                onPick={pick}
              />
              <LightSummary judgement={judgement} />
            </>
          )}
          {pane === 'plan' && (
            <>
              <PlanLanes
                judgement={judgement}
                treeId={treeId}
                edits={edits}
                picked={picked}
                onPick={pick}
                shown={lane}
                onLook={setLane}
              />
              {verdict}
            </>
          )}
          {pane === 'years' &&
            (ten && shownLine ? (
              <YearsPane
                treeId={treeId}
                species={tree.data.species}
                ten={ten}
                lines={lines}
                whatIfs={whatIfs.data ?? []}
                shown={shownLine}
                at={Math.min(look.year, shownLine.years.length - 1)}
                onStep={(year) => change(() => ({ year }))}
                error={whatIfs.error}
              />
            ) : (
              <Loading error={outlook.error} />
            ))}
          {pane === 'wood' && <WoodPane tree={tree} judgement={judgement} onPick={pick} />}
          {pane === 'fruit' && (
            <>
              <FruitPart treeId={treeId} siteId={tree.siteId} entering />
              <CropBox tree={tree} />
            </>
          )}
          {pane === 'story' && (
            <>
              <Timeline treeId={treeId} at={at} today={judgement.today} />
              <PastTree treeId={treeId} judgement={judgement} />
              <PhotoStrip treeId={treeId} />
            </>
          )}
        </div>
      </div>
    </div>
  );
}
