import type { Side } from './sides';

/** A tree is left half done, by side or by tier: the rest goes back to its plan. */
export function HalfDone({ sides, leave }: { sides: Side[]; leave: (limbs: string[]) => void }) {
  if (sides.length === 0) return null;
  return (
    <details className="mb-2">
      <summary>Left half done</summary>
      <p className="small faint mb-1">What was not cut goes back to the plan. Left is:</p>
      <div className="chips" role="group" aria-label="What is left">
        {sides.map((side) => (
          <button key={side.name} type="button" onClick={() => leave(side.limbs)}>
            {side.name} ({side.limbs.join(', ')})
          </button>
        ))}
      </div>
    </details>
  );
}
