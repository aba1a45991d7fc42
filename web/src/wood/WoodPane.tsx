import type { Judgement } from '../api/client';
import { State } from '../parts/State';
import { Reasons } from '../vocabulary/Reasons';
import { centimetres } from '../parts/format';
import { RULES, VERDICTS } from '../vocabulary/verdict';

/** The state of the tree's wood: what is dead, sick or broken, and what of it could hurt somebody. */
export function WoodPane({ judgement, onPick }: { judgement: Judgement; onPick: (limb: string) => void }) {
  const drawn = new Map(judgement.drawing.limbs.map((limb) => [limb.id, limb]));
  const unsound = judgement.evaluation.limbs.filter(
    (limb) => limb.urgent || limb.anySeason || drawn.get(limb.id)?.living === false,
  );
  return (
    <section aria-label="Wood">
      <h2>Wood</h2>
      {unsound.length === 0 && <p>No dead, sick or broken wood was found on the last walk.</p>}
      {unsound.map((limb) => (
        <div key={limb.id} className="mb-2">
          <button type="button" className="btn btn-link p-0" onClick={() => onPick(limb.id)}>
            {limb.id}
          </button>
          , {centimetres(drawn.get(limb.id)?.diameterCm ?? 0)}
          {limb.rule && ': ' + RULES[limb.rule]} <State code={limb.verdict} word={VERDICTS[limb.verdict]!} />
          <Reasons reasons={limb.reasons} />
        </div>
      ))}
    </section>
  );
}
