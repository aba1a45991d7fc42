import { Alert, Button, Form } from 'react-bootstrap';
import type { Draft } from './draft';
import { Chips, Direction, More, NumberInput } from './inputs';
import { AROUND, LEANS } from './words';

/** The whole tree, measured. */
export function TreeStep({
  draft,
  today,
  change,
  setTree,
}: {
  draft: Draft;
  today: string;
  change: (make: (now: Draft) => Draft) => void;
  setTree: (part: Draft['tree']) => void;
}) {
  return (
    <>
      <p className="faint">
        Walk round it first. Look from several sides and from further off, and picture it in five years if
        nobody acts.
      </p>
      <div className="walk-field">
        <label htmlFor="walk-day">Day of the walk</label>
        <Form.Control
          id="walk-day"
          type="date"
          max={today}
          style={{ minHeight: 48 }}
          value={draft.surveyedOn}
          onChange={(e) => change((now) => ({ ...now, surveyedOn: e.target.value }))}
        />
      </div>
      <NumberInput
        label="Height"
        unit="m"
        value={draft.tree.heightM}
        step={0.1}
        min={0.1}
        max={60}
        onChange={(heightM) => setTree({ heightM })}
      />
      <NumberInput
        label="Width of the crown"
        unit="m, the mean of both ways"
        value={draft.tree.spreadM}
        step={0.1}
        min={0.1}
        max={60}
        onChange={(spreadM) => setTree({ spreadM })}
      />
      <NumberInput
        label="Girth of the trunk"
        unit="cm"
        value={draft.tree.trunkGirthCm}
        step={1}
        min={1}
        max={1500}
        onChange={(trunkGirthCm) => setTree({ trunkGirthCm })}
        hint="Round it at its narrowest below the first limb"
      />
      <NumberInput
        label="End shoots this year"
        unit="cm"
        value={draft.tree.shootExtensionCm}
        step={5}
        max={500}
        onChange={(shootExtensionCm) => setTree({ shootExtensionCm })}
      />
      <NumberInput
        label="Upright shoots"
        unit="counted"
        value={draft.tree.waterSprouts}
        step={1}
        max={5000}
        onChange={(waterSprouts) => setTree({ waterSprouts })}
      />
      <NumberInput
        label="Years since it was cut"
        value={draft.tree.yearsSinceCut}
        step={1}
        max={300}
        onChange={(yearsSinceCut) => setTree({ yearsSinceCut })}
      />
      <More title="More of the tree">
        <NumberInput
          label="Taken in the last 12 months"
          unit="% of the crown"
          value={
            draft.tree.removedLast12Months == null
              ? undefined
              : Math.round(draft.tree.removedLast12Months * 100)
          }
          step={5}
          max={100}
          onChange={(share) =>
            setTree({ removedLast12Months: share === undefined ? undefined : share / 100 })
          }
        />
        <NumberInput
          label="Root suckers"
          unit="counted"
          value={draft.tree.rootSuckers}
          step={1}
          max={5000}
          onChange={(rootSuckers) => setTree({ rootSuckers })}
        />
        <Chips
          label="Still growing?"
          options={{ true: 'yes, fresh leaf at the end buds', false: 'no' }}
          value={draft.tree.stillGrowing == null ? undefined : String(draft.tree.stillGrowing)}
          onChange={(yes) => setTree({ stillGrowing: yes === undefined ? undefined : yes === 'true' })}
        />
      </More>
    </>
  );
}

/** The trunk: lean, crack, hollow. */
export function TrunkStep({ draft, setTree }: { draft: Draft; setTree: (part: Draft['tree']) => void }) {
  const trunk = draft.tree.trunk ?? {};
  const set = (part: typeof trunk) => setTree({ trunk: { ...trunk, ...part } });
  return (
    <>
      <Chips label="Lean" options={LEANS} value={trunk.lean} onChange={(lean) => set({ lean })} />
      {trunk.lean === 'lifting-soil' && (
        <Alert variant="danger">
          Keep people away from under it. A licensed arborist decides before anyone works here.
        </Alert>
      )}
      <NumberInput
        label="Crack"
        unit="cm long"
        value={trunk.crackCm}
        step={5}
        max={3000}
        onChange={(crackCm) => set({ crackCm })}
        hint="Empty: none"
      />
      {!!trunk.crackCm && (
        <Chips
          label="The crack is"
          options={{ true: 'fresh', false: 'callused over' }}
          value={trunk.crackFresh == null ? undefined : String(trunk.crackFresh)}
          onChange={(fresh) => set({ crackFresh: fresh === undefined ? undefined : fresh === 'true' })}
        />
      )}
      <NumberInput
        label="Sound wall round a hollow"
        unit="cm"
        value={trunk.soundWallCm}
        step={1}
        max={300}
        onChange={(soundWallCm) => set({ soundWallCm })}
        hint="Empty: not hollow"
      />
    </>
  );
}

/** What stands near the tree. */
export function AroundStep({
  draft,
  change,
}: {
  draft: Draft;
  change: (make: (now: Draft) => Draft) => void;
}) {
  const set = (i: number, part: Draft['surroundings'][number]) =>
    change((now) => ({
      ...now,
      surroundings: now.surroundings.map((one, j) => (i === j ? { ...one, ...part } : one)),
    }));
  return (
    <>
      <p className="faint">What shades it or stands within reach of it.</p>
      {draft.surroundings.map((near, i) => (
        <section key={i} className="border-top pt-2" aria-label={'Neighbour ' + (i + 1)}>
          <Chips
            label={'Neighbour ' + (i + 1)}
            options={AROUND}
            value={near.kind}
            onChange={(kind) => set(i, { kind, radiusM: undefined, lengthM: undefined })}
          />
          <Direction
            label="Direction"
            value={near.bearingDeg}
            onChange={(bearingDeg) => set(i, { bearingDeg })}
          />
          <NumberInput
            label="Distance"
            unit="m"
            value={near.distanceM}
            step={0.5}
            max={500}
            onChange={(distanceM) => set(i, { distanceM })}
          />
          <NumberInput
            label="Height"
            unit="m"
            value={near.heightM}
            step={0.5}
            min={0.1}
            max={150}
            onChange={(heightM) => set(i, { heightM })}
          />
          {near.kind === 'tree' ? (
            <NumberInput
              label="Radius of its crown"
              unit="m"
              value={near.radiusM}
              step={0.5}
              min={0.1}
              max={60}
              onChange={(radiusM) => set(i, { radiusM })}
            />
          ) : (
            <NumberInput
              label="Length"
              unit="m across the direction"
              value={near.lengthM}
              step={1}
              min={0.1}
              max={2000}
              onChange={(lengthM) => set(i, { lengthM })}
            />
          )}
          <Button
            size="sm"
            variant="outline-danger"
            className="mb-3"
            onClick={() =>
              change((now) => ({ ...now, surroundings: now.surroundings.filter((_, j) => j !== i) }))
            }
          >
            Take it out
          </Button>
        </section>
      ))}
      <Button
        className="w-100"
        variant="outline-primary"
        style={{ minHeight: 52 }}
        onClick={() => change((now) => ({ ...now, surroundings: [...now.surroundings, { kind: 'tree' }] }))}
      >
        <i className="bi bi-plus-lg" aria-hidden="true" /> Add a neighbour
      </Button>
    </>
  );
}

/** What was entered so far and what is still wanted. */
export function Summary({ draft }: { draft: Draft }) {
  const wanted = [
    draft.tree.heightM === undefined && 'height',
    draft.tree.spreadM === undefined && 'width of the crown',
    draft.tree.trunkGirthCm === undefined && 'girth of the trunk',
  ].filter(Boolean);
  return (
    <>
      <p>
        {draft.limbs.length} {draft.limbs.length === 1 ? 'limb' : 'limbs'},{' '}
        {draft.limbs.filter((one) => one.faults?.length).length} of them with something wrong.
      </p>
      {wanted.length > 0 && <p className="text-danger">Still wanted: {wanted.join(', ')}.</p>}
      {draft.limbs.length === 0 && <p className="faint">Without limbs only the tree as a whole is judged.</p>}
    </>
  );
}
