/** A bud as it sits on its shoot: a leaf bud is slim and pointed, a flower bud round. */
const LEAF = 'M0 0 C-3 -4 -3 -9 0 -14 C3 -9 3 -4 0 0 Z';
const FLOWER = 'M0 0 C-6 -2 -7 -9 0 -12 C7 -9 6 -2 0 0 Z';

const BUDS: Record<string, { at: number; turn: number; flower: boolean }[]> = {
  leaf: [{ at: 30, turn: 18, flower: false }],
  flower: [{ at: 30, turn: 18, flower: true }],
  double: [
    { at: 25, turn: -14, flower: false },
    { at: 36, turn: 26, flower: true },
  ],
  triple: [
    { at: 20, turn: -30, flower: true },
    { at: 30, turn: 4, flower: false },
    { at: 40, turn: 38, flower: true },
  ],
};

export const BUD_NAMES: Record<string, string> = {
  leaf: 'leaf buds',
  flower: 'flower buds',
  double: 'double buds',
  triple: 'triple buds',
};

/** What buds of a shoot look like, drawn. */
export function BudDrawing({ buds, width = 60 }: { buds: string; width?: number }) {
  return (
    <svg viewBox="0 0 60 34" width={width} role="img" aria-label={BUD_NAMES[buds]} className="bud-drawing">
      <path d="M2 30 L58 24" className="shoot" />
      {BUDS[buds]?.map((bud) => (
        <g key={bud.at} transform={`translate(${bud.at} ${30 - bud.at * 0.1}) rotate(${bud.turn})`}>
          <path d={bud.flower ? FLOWER : LEAF} className={bud.flower ? 'flower' : 'leaf'} />
        </g>
      ))}
    </svg>
  );
}
