import type { TenYears, WhatIf } from '../api/client';
import { ProblemAlert } from '../parts/ProblemAlert';
import type { Line } from '../vocabulary/outlook';
import { Key, Plots } from './Plots';
import { WhatIfs } from './WhatIfs';

/** What becomes of the tree in ten years: said, plotted, and compared with plans of other wishes. */
export function YearsPane({
  treeId,
  species,
  ten,
  lines,
  whatIfs,
  shown,
  at,
  onStep,
  error,
}: {
  treeId: number;
  species: string;
  ten: TenYears;
  lines: Line[];
  whatIfs: WhatIf[];
  shown: Line;
  at: number;
  onStep: (at: number) => void;
  error: unknown;
}) {
  return (
    <>
      <div className="d-flex flex-wrap gap-3 align-items-baseline">
        <h2 className="mb-0">Ten years on</h2>
        <Key lines={lines} />
      </div>
      <ul className="ps-3 mb-1">
        {ten.says.map((said, i) => (
          <li key={said.code} className={i === 0 ? 'fw-semibold' : undefined}>
            {said.text}
          </li>
        ))}
      </ul>
      <p className="small mb-1">{shown.means}</p>
      <Plots lines={lines} shown={shown} at={at} onStep={onStep} />
      <ProblemAlert error={error} />
      <WhatIfs treeId={treeId} species={species} whatIfs={whatIfs} lines={lines} />
      <p className="small faint">
        Each year is told at leaf fall, after its work. Not a forecast to the shoot: our own assumptions, see
        Numbers. The shaded band is what comes of growth, dying and regrowth {Math.round(ten.off * 100)} %
        weaker or stronger.
      </p>
    </>
  );
}
