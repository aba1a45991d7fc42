import type { Lane } from '../api/client';
import { percent } from '../parts/format';
import type { Line } from '../vocabulary/outlook';

/** The years ahead under the drawing: what the plan takes of the crown in each as a bar; one is looked at. */
export function YearStrip({
  line,
  plan,
  at,
  onStep,
}: {
  line: Line;
  plan: Lane[];
  at: number;
  onStep: (at: number) => void;
}) {
  const taken = (year: string) =>
    plan.filter((lane) => lane.yearLabel === year).reduce((sum, lane) => sum + lane.share, 0);
  const most = Math.max(0.25, ...line.years.map((year) => taken(year.yearLabel)));
  return (
    <div className="year-strip" role="group" aria-label="Years">
      {line.years.map((year, i) => {
        const share = line.key === 'plan' ? taken(year.yearLabel) : 0;
        const says = (i === 0 ? 'now' : year.yearLabel) + (share > 0 ? ', takes ' + percent(share) : '');
        return (
          <button
            key={year.yearLabel}
            type="button"
            aria-pressed={i === at}
            aria-label={says}
            title={says}
            onClick={() => onStep(i)}
          >
            <i aria-hidden="true" style={{ height: Math.round((share / most) * 22) }} />
            <span aria-hidden="true">{i === 0 ? 'now' : i % 2 === 0 ? year.yearLabel.slice(0, 4) : '·'}</span>
          </button>
        );
      })}
    </div>
  );
}
