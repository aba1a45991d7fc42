import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { LimbFile } from '../api/client';
import { Sketch, type Touch } from '../drawing/Sketch';
import type { OpenLimb } from '../field/kept';
import { nextTag, thickestFirst, withSideLimbs } from './draft';
import { metres } from '../parts/format';

/** A limb's tag, and where it leaves the trunk or another limb: chosen, or touched on the sketch. */
export function LimbOrigin({
  open,
  others,
  heightM,
  change,
  set,
}: {
  open: OpenLimb;
  others: Partial<LimbFile>[];
  heightM?: number | null;
  change: (make: (now: OpenLimb) => Partial<OpenLimb>) => void;
  set: (part: Partial<LimbFile>) => void;
}) {
  const { limb, isNew, tagged, start } = open;
  const [instead, setInstead] = useState<Touch>();
  const below = withSideLimbs(others, start.id ?? '');
  const parents = thickestFirst(others.filter((other) => !below.has(other.id ?? '')));
  const tagFor = (grownFrom?: string) => (isNew && !tagged ? nextTag(others, grownFrom) : limb.id);
  const pickParent = (id: string) => {
    const grownFrom = id || undefined;
    setInstead(undefined);
    set({
      parent: grownFrom,
      originHeightM: undefined,
      originAlongM: undefined,
      id: tagFor(grownFrom),
    });
  };
  const touched = ({ parent: grownFrom, alongM }: Touch, other?: Touch) => {
    // A limb drawn from its own side limb would grow from itself.
    if (grownFrom && below.has(grownFrom)) return;
    setInstead(other && !(other.parent && below.has(other.parent)) ? other : undefined);
    const id = tagFor(grownFrom);
    set(
      grownFrom
        ? { parent: grownFrom, originAlongM: alongM, originHeightM: undefined, id }
        : { parent: undefined, originHeightM: alongM, originAlongM: undefined, id },
    );
  };
  return (
    <>
      <div className="d-flex gap-2 align-items-end mb-3">
        <div>
          <Form.Label htmlFor="limb-tag" className="fw-semibold mb-1">
            Tag
          </Form.Label>
          <Form.Control
            id="limb-tag"
            style={{ width: 90, fontSize: '1.2rem' }}
            value={limb.id ?? ''}
            maxLength={40}
            onChange={(e) => {
              const id = e.target.value;
              change((now) => ({ tagged: true, limb: { ...now.limb, id } }));
            }}
          />
        </div>
        <div className="flex-grow-1">
          <Form.Label htmlFor="limb-parent" className="fw-semibold mb-1">
            Grows from
          </Form.Label>
          <Form.Select
            id="limb-parent"
            style={{ minHeight: 44 }}
            value={limb.parent ?? ''}
            onChange={(e) => pickParent(e.target.value)}
          >
            <option value="">the trunk</option>
            {parents.map((other) => (
              <option key={other.id} value={other.id}>
                limb {other.id}
              </option>
            ))}
          </Form.Select>
        </div>
      </div>
      <Sketch limbs={[...others, limb]} heightM={heightM} at={limb.id} onTouch={touched} />
      <p className="faint small mb-2">
        Touch the trunk or a limb where this one leaves.{' '}
        {limb.parent
          ? limb.originAlongM != null && metres(limb.originAlongM) + ' along ' + limb.parent
          : limb.originHeightM != null && metres(limb.originHeightM) + ' up the trunk'}
        {instead && (
          <Button size="sm" variant="outline-primary" className="ms-2" onClick={() => touched(instead)}>
            {instead.parent
              ? metres(instead.alongM) + ' along ' + instead.parent + ' instead?'
              : 'trunk at ' + metres(instead.alongM) + ' instead?'}
          </Button>
        )}
      </p>
    </>
  );
}
