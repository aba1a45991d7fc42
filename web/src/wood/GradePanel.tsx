import { Link } from 'react-router';
import type { TreeWood } from '../api/client';
import { counted } from '../parts/format';
import { GRADES } from '../vocabulary/wood';
import { GradeLetter } from './GradeBox';

/** How many trees of each grade, and which of the poorest. */
export function GradePanel({ siteId, wood }: { siteId: number; wood: TreeWood[] }) {
  const of = (grade: string | null) => wood.filter((tree) => (tree.grade ?? null) === grade);
  const poor = [...of('E'), ...of('D')];
  return (
    <section aria-label="Wood of the orchard" className="my-2">
      <p className="d-flex flex-wrap gap-3 mb-1">
        {[...Object.keys(GRADES), null].map((grade) => (
          <span key={grade ?? 'none'} className="d-inline-flex gap-1 align-items-center">
            <GradeLetter grade={grade} /> {of(grade).length} {grade ? GRADES[grade] : 'not known'}
          </span>
        ))}
      </p>
      {poor.length > 0 && (
        <ul className="list-unstyled mb-1">
          {poor.map((tree) => (
            <li key={tree.treeId}>
              <Link to={'/sites/' + siteId + '/trees/' + tree.treeId + '?pane=wood'}>{tree.tag}</Link>{' '}
              <strong>{tree.grade}</strong>: {tree.worst}
              {tree.was && tree.was < tree.grade! && ', ' + tree.was + ' a year ago'}
            </li>
          ))}
        </ul>
      )}
      <p className="mb-0">
        <Link to={'/sites/' + siteId + '/looks'}>
          {counted(
            wood.reduce((sum, tree) => sum + tree.dueWounds.length, 0),
            'wound',
          )}{' '}
          to look at
        </Link>
        , <Link to={'/sites/' + siteId + '/removals'}>what came off</Link>
      </p>
    </section>
  );
}
