import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { useTree } from '../api/orchard';
import { TreeFields } from './TreeForm';
import { TREE } from './treeFields';
import { Loading } from '../parts/Loading';
import { useTitle } from '../parts/useTitle';
import { useReplace } from '../wood/queries';

/** A new tree at the place of one that was taken out, and what is to be thought of before it is planted. */
export function ReplaceTree() {
  const params = useParams();
  const treeId = Number(params.treeId);
  const siteId = Number(params.siteId);
  const gone = useTree(treeId);
  const replace = useReplace(treeId);
  const [made, setMade] = useState<{ treeId: number; tag: string; says: string[] }>();
  useTitle('A new tree');
  if (!gone.data) return <Loading error={gone.error} />;
  if (made)
    return (
      <>
        <h1>
          {made.tag} takes the place of {gone.data.data.tag}
        </h1>
        <ul>
          {made.says.map((one) => (
            <li key={one}>{one}</li>
          ))}
        </ul>
        <Link className="btn btn-primary" to={'/sites/' + siteId + '/trees/' + made.treeId}>
          To {made.tag}
        </Link>
      </>
    );
  const { eastM, northM } = gone.data.data;
  return (
    <TreeFields
      siteId={siteId}
      title={'A new tree where ' + gone.data.data.tag + ' stood'}
      start={{ ...TREE.empty, eastM: String(eastM), northM: String(northM) }}
      error={replace.error}
      saving={replace.isPending}
      save={(data) => replace.mutateAsync(data).then(setMade)}
    />
  );
}
