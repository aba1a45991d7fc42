import { Alert, Button } from 'react-bootstrap';
import { unfinished } from './draft';
import type { Draft } from '../field/kept';

/** What was entered so far and what is still wanted. */
export function Summary({
  draft,
  bush,
  openLimb,
}: {
  draft: Draft;
  bush: boolean;
  openLimb: (id: string) => void;
}) {
  const wanted = [
    draft.tree.heightM == null && 'height',
    draft.tree.spreadM == null && 'width of the crown',
    !bush && draft.tree.trunkGirthCm == null && 'girth of the trunk',
    bush && draft.limbs.length === 0 && 'a stem at least',
  ].filter(Boolean);
  const open = unfinished(draft);
  return (
    <>
      <p>
        {draft.limbs.length} {draft.limbs.length === 1 ? 'limb' : 'limbs'},{' '}
        {draft.limbs.filter((one) => one.faults?.length).length} of them with something wrong.
      </p>
      {open.map(([id, one]) => (
        <Alert key={id} variant="warning" className="py-2">
          Limb {one.limb.id} is being entered and not among them yet.{' '}
          <Button size="sm" variant="outline-primary" onClick={() => openLimb(id)}>
            Finish limb {one.limb.id}
          </Button>
        </Alert>
      ))}
      {wanted.length > 0 && <p className="text-danger">Still wanted: {wanted.join(', ')}.</p>}
      {draft.limbs.length === 0 && <p className="faint">Without limbs only the tree as a whole is judged.</p>}
    </>
  );
}
