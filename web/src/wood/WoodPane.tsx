import type { Judgement, Tree } from '../api/client';
import { Loading } from '../parts/Loading';
import { State } from '../parts/State';
import { Reasons } from '../vocabulary/Reasons';
import { centimetres } from '../parts/format';
import { RULES, VERDICTS } from '../vocabulary/verdict';
import { DiseaseBox } from './DiseaseBox';
import { GradeBox } from './GradeBox';
import { useWood } from './queries';
import { Wounds } from './Wounds';

/** The state of the tree's wood: its grade and what that goes by, wounds and how they close, disease, and what is unsound now. */
export function WoodPane({
  tree,
  judgement,
  onPick,
}: {
  tree: Tree;
  judgement: Judgement;
  onPick: (limb: string) => void;
}) {
  const wood = useWood(tree.id);
  const drawn = new Map(judgement.drawing.limbs.map((limb) => [limb.id, limb]));
  const unsound = judgement.evaluation.limbs.filter(
    (limb) => limb.urgent || limb.anySeason || drawn.get(limb.id)?.living === false,
  );
  const of = { treeId: tree.id, siteId: tree.siteId, tag: tree.data.tag, today: judgement.today };
  return (
    <section aria-label="Wood">
      <h2>Wood</h2>
      {wood.data ? <GradeBox wood={wood.data} /> : <Loading error={wood.error} />}
      <section aria-label="Unsound now">
        <h3>Unsound now</h3>
        {unsound.length === 0 && <p>No dead, sick or broken wood was found on the last walk.</p>}
        {unsound.map((limb) => (
          <div key={limb.id} className="mb-2">
            <button type="button" className="btn btn-link p-0" onClick={() => onPick(limb.id)}>
              {limb.id}
            </button>
            , {centimetres(drawn.get(limb.id)?.diameterCm ?? 0)}
            {limb.rule && ': ' + RULES[limb.rule]}{' '}
            <State code={limb.verdict} word={VERDICTS[limb.verdict]!} />
            <Reasons reasons={limb.reasons} />
          </div>
        ))}
      </section>
      {wood.data && (
        <>
          <Wounds wounds={wood.data.wounds} onPick={onPick} {...of} />
          <DiseaseBox seen={wood.data.disease} {...of} />
        </>
      )}
    </section>
  );
}
