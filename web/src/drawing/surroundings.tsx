import type { Drawing } from '../api/client';
import { metres as inWords } from '../parts/format';
import { lengthAsGiven } from '../parts/measure';

/** The ground and the heights wanted, beyond the sheet's edges too: a wide place shows more of them. */
export function Ground({
  left,
  width,
  text,
  drawing,
  top,
}: {
  left: number;
  width: number;
  text: number;
  drawing: Drawing;
  top: number;
}) {
  const level = (metres: number, what: string, dash: string) => (
    <g>
      <line
        x1={left - width}
        x2={left + 2 * width}
        y1={-metres}
        y2={-metres}
        stroke="var(--slate)"
        strokeWidth={0.018}
        strokeDasharray={dash}
      />
      <text x={left + 0.08} y={-metres - 0.06} fontSize={text} fill="var(--slate)">
        {inWords(metres)} {what}
      </text>
    </g>
  );
  return (
    <g>
      <rect x={left - width} y={0} width={3 * width} height={1} fill="var(--ground)" />
      <line x1={left - width} x2={left + 2 * width} y1={0} y2={0} stroke="var(--ink)" strokeWidth={0.03} />
      {drawing.targetHeightM != null &&
        drawing.targetHeightM < top &&
        level(drawing.targetHeightM, 'wanted', '0.18 0.1')}
      {drawing.clearanceM != null &&
        drawing.clearanceM > 0 &&
        level(drawing.clearanceM, 'clear', '0.04 0.08')}
      <g transform={`translate(${left + width - 0.45} 0)`} className="person">
        <title>{'A person of ' + inWords(1.7)}</title>
        <circle cx={0.01} cy={-1.58} r={0.11} />
        <path d="M-0.19 -1.37Q0 -1.48 0.19 -1.37Q0.25 -1.1 0.27 -0.78L0.21 -0.76L0.15 -1.15L0.14 -0.8Q0.16 -0.4 0.14 0H0.04L0 -0.72L-0.05 0H-0.15Q-0.15 -0.4 -0.14 -0.8L-0.15 -1.15L-0.22 -0.76L-0.28 -0.78Q-0.25 -1.1 -0.19 -1.37Z" />
      </g>
      <g transform={`translate(${left + 0.15} 0.3)`}>
        <path d="M0 -0.1V0H1V-0.1" fill="none" stroke="var(--ink)" strokeWidth={0.025} />
        <text x={1.08} y={0.03} fontSize={text} fill="var(--ink)">
          {lengthAsGiven(1, 'm')}
        </text>
      </g>
    </g>
  );
}

export function Compass({ at, top, text }: { at: number; top: number; text: number }) {
  return (
    <g transform={`translate(${at} ${top})`} aria-label="North is up">
      <path
        d={`M0 0l${text * 0.5} ${text * 1.4}l${-text * 0.5} ${-text * 0.4}l${-text * 0.5} ${text * 0.4}Z`}
        fill="var(--ink)"
      />
      <text y={text * 2.4} fontSize={text} textAnchor="middle">
        N
      </text>
    </g>
  );
}
