import { Alert, Button } from 'react-bootstrap';
import type { LimbFile } from '../api/client';
import { centimetres } from '../parts/format';
import { lacking, thickestFirst, unfinished } from './draft';
import type { Draft } from '../field/kept';
import { Chips } from '../parts/inputs';
import { Sketch } from '../drawing/Sketch';
import { FAULTS, FRUITING } from '../vocabulary/survey';
import { Icon } from '../parts/Icon';

type EditLimb = (start?: Partial<LimbFile>, faults?: LimbFile['faults']) => void;

/** Dead, diseased and damaged wood, before anything else. */
export function ThreeDsStep({ draft, editLimb }: { draft: Draft; editLimb: EditLimb }) {
  const found = draft.limbs.filter((limb) =>
    limb.faults?.some((fault) => ['dead', 'diseased', 'broken', 'cracked'].includes(fault.kind ?? '')),
  );
  return (
    <>
      <p className="faint">
        First what is dead, diseased or damaged, whatever its size. Look for bare twigs, shrunken bark, gum,
        sunken patches, splits and hanging wood.
      </p>
      {(['dead', 'diseased', 'broken', 'cracked'] as const).map((kind) => (
        <Button
          key={kind}
          variant="outline-primary"
          className="w-100 mb-2"
          style={{ minHeight: 48 }}
          onClick={() => editLimb(undefined, [{ kind }])}
        >
          Add a {FAULTS[kind]} limb
        </Button>
      ))}
      {found.length > 0 ? (
        <Rows limbs={found} draft={draft} editLimb={editLimb} />
      ) : (
        <p>None entered. Nothing found? Then on to the limbs.</p>
      )}
    </>
  );
}

/** The limbs, thickest first, drawn as they are entered, with how fruitful each is. */
export function LimbsStep({
  draft,
  undo,
  change,
  editLimb,
  resume,
}: {
  draft: Draft;
  undo?: () => void;
  change: (make: (now: Draft) => Draft) => void;
  editLimb: EditLimb;
  resume: (id: string) => void;
}) {
  const unknown = thickestFirst(draft.limbs).filter((limb) => limb.fruiting == null);
  return (
    <>
      <p className="faint">
        The limbs, thickest first. Hang a tag on those to come off: kinds cut in summer are cut by their tags.
      </p>
      {undo && (
        <Alert variant="light" className="py-2">
          Taken out.{' '}
          <Button size="sm" variant="outline-primary" onClick={undo}>
            Undo
          </Button>
        </Alert>
      )}
      {draft.limbs.length > 0 && (
        <Sketch
          limbs={draft.limbs}
          heightM={draft.tree.heightM}
          onPick={(id) => editLimb(draft.limbs.find((limb) => limb.id === id))}
        />
      )}
      <Begun draft={draft} resume={resume} />
      <Rows limbs={draft.limbs} draft={draft} editLimb={editLimb} />
      <Button className="w-100 mt-2" style={{ minHeight: 52 }} onClick={() => editLimb()}>
        <Icon name="plus-lg" /> Add a limb
      </Button>
      {unknown.length > 0 && (
        <details className="walk-field mt-3">
          <summary className="fw-semibold mb-2">Fruiting wood not said of {unknown.length}</summary>
          {unknown.map((limb) => (
            <Chips
              key={limb.id}
              label={'Limb ' + limb.id}
              options={FRUITING}
              value={undefined}
              onChange={(grade) =>
                change((now) => ({
                  ...now,
                  limbs: now.limbs.map((one) =>
                    one.id === limb.id
                      ? { ...one, fruiting: grade === undefined ? undefined : Number(grade) }
                      : one,
                  ),
                }))
              }
            />
          ))}
        </details>
      )}
    </>
  );
}

/** New limbs that were begun and left: they wait to be finished. */
function Begun({ draft, resume }: { draft: Draft; resume: (id: string) => void }) {
  return unfinished(draft)
    .filter(([, one]) => one.isNew)
    .map(([id, one]) => (
      <button key={id} type="button" className="limb-row begun" onClick={() => resume(id)}>
        <span className="tag">{one.limb.id}</span>
        <span className="flex-grow-1">
          being entered
          <br />
          <span className="faint small">
            still wanted: {lacking(one.limb, draft.limbs).join(', ') || 'nothing'}
          </span>
        </span>
        <Icon name="chevron-right" />
      </button>
    ));
}

function Rows({ limbs, draft, editLimb }: { limbs: Partial<LimbFile>[]; draft: Draft; editLimb: EditLimb }) {
  const changed = new Set(unfinished(draft).map(([id]) => id));
  return thickestFirst(limbs).map((one) => (
    <button key={one.id} type="button" className="limb-row" onClick={() => editLimb(one)}>
      <span className="tag">{one.id}</span>
      <span className="flex-grow-1">
        {one.diameterCm == null ? '' : centimetres(one.diameterCm)}
        {one.parent ? ' on ' + one.parent : ' on the trunk'}
        <br />
        <span className="faint small">
          {one.faults?.length
            ? one.faults
                .map((fault) => FAULTS[fault.kind ?? ''] + (fault.with ? ' ' + fault.with : ''))
                .join(', ')
            : 'nothing wrong'}
          {changed.has(one.id ?? '') && ', being changed'}
        </span>
      </span>
      <Icon name="chevron-right" />
    </button>
  ));
}
