import type { Wood } from '../api/client';
import { date } from '../parts/format';
import { GRADE_PARTS, GRADES } from '../vocabulary/wood';

/** A grade as a letter on its ground; what it means stands beside it. */
export const GradeLetter = ({ grade }: { grade?: string | null }) => (
  <span className={'grade grade-' + (grade ?? 'none')}>{grade ?? '?'}</span>
);

/** How sound the wood is: the worst of its parts, each with its figure, its day and where it comes from; by year. */
export function GradeBox({ wood }: { wood: Wood }) {
  const worst = wood.parts.find((part) => part.grade === wood.grade);
  return (
    <section aria-label="Grade">
      <p className="d-flex gap-2 align-items-center flex-wrap">
        <GradeLetter grade={wood.grade} />
        <strong>{wood.grade ? GRADES[wood.grade] : 'not known'}</strong>
        {worst && <span>by {worst.text}</span>}
        {wood.grade === 'B' && !worst && (
          <span className="faint">B at best while something is not known</span>
        )}
      </p>
      <table className="table table-sm grade-parts">
        <tbody>
          {wood.parts.map((part) => (
            <tr key={part.part}>
              <th scope="row">{GRADE_PARTS[part.part]}</th>
              <td>
                <GradeLetter grade={part.grade} />
              </td>
              <td>
                {part.text}
                {part.on && (
                  <span className="faint">
                    {' '}
                    {part.source}, {date(part.on)}
                  </span>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {wood.byYear.length > 1 && (
        <ol className="grade-years" aria-label="Grade by year">
          {wood.byYear.map((one) => (
            <li key={one.year}>
              <GradeLetter grade={one.grade} />
              {one.year}
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}
