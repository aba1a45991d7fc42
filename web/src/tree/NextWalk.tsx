import { Link } from 'react-router';
import type { Tree } from '../api/client';
import { useSite, useTrees } from '../api/orchard';

/** The tree nearest to this one that nobody has walked to; only once this one was walked today. */
export function NextWalk({ tree }: { tree: Tree }) {
  const site = useSite(tree.siteId).data;
  const rest = useTrees(tree.siteId, { q: '', species: '', triage: 'unsurveyed', sort: 'tag' }).trees;
  if (!site || !rest || tree.survey?.surveyedOn !== site.today) return null;
  const nearest = nearestTo(tree, rest);
  return nearest ? (
    <Link
      className="btn btn-sm btn-outline-primary"
      to={'/sites/' + tree.siteId + '/trees/' + nearest.id + '/walk'}
    >
      Walk the next: {nearest.data.tag}
    </Link>
  ) : null;
}

export function nearestTo(tree: Tree, others: Tree[]): Tree | undefined {
  const far = (other: Tree) =>
    Math.hypot(other.data.eastM - tree.data.eastM, other.data.northM - tree.data.northM);
  return others.filter((other) => other.id !== tree.id).sort((one, other) => far(one) - far(other))[0];
}
