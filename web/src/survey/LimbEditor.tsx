import { BUD_NAMES, BudDrawing } from '../drawing/BudDrawing';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { LimbFile } from '../api/client';
import { hasFault, lacking, nextTag, thickestFirst, toggleFault, withSideLimbs } from './draft';
import type { OpenLimb } from '../field/kept';
import { Chips, Direction, More, NumberInput } from '../parts/inputs';
import type { KindAsks } from './kinds';
import { Rose, Tilt } from './Dials';
import { MeasureHelper } from './MeasureHelper';
import { Sketch, type Touch } from '../drawing/Sketch';
import {
  DISEASES,
  FAULT_GROUPS,
  FAULTS,
  FRUITING,
  LEAFINESS,
  OVER,
  PAIRED,
  ROLES,
} from '../vocabulary/survey';

/** Ages of stems and fruiting wood in years, for one tap; others are typed. */
const AGES: [string, string][] = [
  ['1', 'last year’s'],
  ['2', 'two years'],
  ['3', 'three'],
  ['5', 'about five'],
  ['8', 'older'],
];

/** One limb: where it leaves, how it lies, how thick and long it is, what is wrong with it. Every touch is kept. */
export function LimbEditor({
  open,
  change,
  others,
  heightM,
  bush,
  asks,
  onDone,
  onRemove,
  onBack,
  onLetGo,
}: {
  open: OpenLimb;
  change: (make: (now: OpenLimb) => Partial<OpenLimb>) => void;
  others: Partial<LimbFile>[];
  heightM?: number | null;
  bush: boolean;
  /** What its kind needs. */
  asks: KindAsks;
  onDone: (another: boolean) => void;
  onRemove?: () => void;
  /** Back to the list; what was entered stays begun. */
  onBack: () => void;
  /** Nothing of what was entered here is to stay. */
  onLetGo: () => void;
}) {
  const { limb, isNew, tagged, start } = open;
  const [missing, setMissing] = useState<string[]>([]);
  const [instead, setInstead] = useState<Touch>();
  const set = (part: Partial<LimbFile>) => change((now) => ({ limb: { ...now.limb, ...part } }));
  const below = withSideLimbs(others, start.id ?? '');
  const parents = thickestFirst(others.filter((other) => !below.has(other.id ?? '')));
  const parent = others.find((other) => other.id === limb.parent);
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
  const done = (another: boolean) => {
    const lacks = lacking(limb, others);
    setMissing(lacks);
    if (lacks.length === 0) onDone(another);
  };
  const setFault = (kind: string, part: { with?: string; disease?: string }) =>
    change((now) => ({
      limb: {
        ...now.limb,
        faults: now.limb.faults?.map((fault) => (fault.kind === kind ? { ...fault, ...part } : fault)),
      },
    }));
  const frame = (
    <Chips label="Part in the frame" options={ROLES} value={limb.role} onChange={(role) => set({ role })} />
  );
  return (
    <section aria-label={'Limb ' + (limb.id ?? '')}>
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
          ? limb.originAlongM != null && limb.originAlongM + ' m along ' + limb.parent
          : limb.originHeightM != null && limb.originHeightM + ' m up the trunk'}
        {instead && (
          <Button size="sm" variant="outline-primary" className="ms-2" onClick={() => touched(instead)}>
            {instead.parent
              ? instead.alongM + ' m along ' + instead.parent + ' instead?'
              : 'trunk at ' + instead.alongM + ' m instead?'}
          </Button>
        )}
      </p>
      <NumberInput
        label="Width"
        unit="cm at its base"
        length="cm"
        value={limb.diameterCm}
        step={1}
        min={0.1}
        max={200}
        onChange={(diameterCm) => set({ diameterCm })}
      />
      <Quick
        what="width"
        unit="cm"
        values={bush ? [1, 1.5, 2, 2.5, 3] : limb.parent ? [1, 2, 3, 4, 5, 6, 8] : [4, 6, 8, 10, 12, 15, 20]}
        onPick={(diameterCm) => set({ diameterCm })}
      />
      <MeasureHelper of="width" unit="cm" onFound={(diameterCm) => set({ diameterCm })} />
      <div className="dials">
        <Rose label="Direction" value={limb.azimuthDeg} onChange={(azimuthDeg) => set({ azimuthDeg })} />
        <Tilt label="Angle above level" value={limb.angleDeg} onChange={(angleDeg) => set({ angleDeg })} />
      </div>
      <p className="faint small mb-2">
        {limb.azimuthDeg == null ? 'Touch where it points' : 'points ' + limb.azimuthDeg + '°'};{' '}
        {limb.angleDeg == null ? 'pull its tilt' : limb.angleDeg + '° above level'}
      </p>
      <NumberInput
        label="Length"
        unit="m"
        length="m"
        value={limb.lengthM}
        step={0.1}
        min={0.01}
        max={50}
        onChange={(lengthM) => set({ lengthM })}
      />
      <Quick
        what="length"
        unit="m"
        values={
          bush
            ? [0.5, 0.7, 0.9, 1.1, 1.3, 1.5]
            : limb.parent
              ? [0.5, 1, 1.5, 2, 2.5, 3]
              : [1, 2, 2.5, 3, 3.5, 4, 5]
        }
        onPick={(lengthM) => set({ lengthM })}
      />
      <Chips
        label="Fruiting wood"
        options={FRUITING}
        value={limb.fruiting === undefined || limb.fruiting === null ? undefined : String(limb.fruiting)}
        onChange={(grade) => set({ fruiting: grade === undefined ? undefined : Number(grade) })}
      />
      {asks.frame && frame}
      {asks.age && (
        <Chips
          label="Wood of which age"
          options={AGES}
          value={AGES.find(([years]) => Number(years) === limb.woodYears)?.[0]}
          onChange={(years) => set({ woodYears: years === undefined ? undefined : Number(years) })}
          hint="Pale is last year’s, dark is older; each ring of scars is a year"
        />
      )}
      <h2 className="mt-3">What is wrong with it?</h2>
      {FAULT_GROUPS.map((group) => (
        <fieldset key={group.name} className="walk-field">
          <legend>{group.name}</legend>
          <div className="chips">
            {group.kinds.map((kind) => (
              <button
                key={kind}
                type="button"
                aria-pressed={hasFault(limb, kind)}
                onClick={() =>
                  change((now) => ({ limb: { ...now.limb, faults: toggleFault(now.limb, kind) } }))
                }
              >
                {FAULTS[kind]}
              </button>
            ))}
          </div>
          {group.kinds
            .filter((kind) => hasFault(limb, kind) && (PAIRED.includes(kind) || kind === 'diseased'))
            .map((kind) => {
              const fault = limb.faults?.find((one) => one.kind === kind);
              return kind === 'diseased' ? (
                <Form.Select
                  key={kind}
                  className="mt-2"
                  aria-label="Disease"
                  value={fault?.disease ?? 'unknown'}
                  onChange={(e) => setFault(kind, { disease: e.target.value })}
                >
                  {Object.entries(DISEASES).map(([code, name]) => (
                    <option key={code} value={code}>
                      {name}
                    </option>
                  ))}
                </Form.Select>
              ) : (
                <Form.Select
                  key={kind}
                  className="mt-2"
                  aria-label={FAULTS[kind] + ' with'}
                  value={fault?.with ?? ''}
                  onChange={(e) => setFault(kind, { with: e.target.value || undefined })}
                >
                  <option value="">{FAULTS[kind]} – with which limb?</option>
                  {thickestFirst(others).map((other) => (
                    <option key={other.id} value={other.id}>
                      {FAULTS[kind]} – with {other.id}
                    </option>
                  ))}
                </Form.Select>
              );
            })}
          {group.kinds.includes('broken') && hasFault(limb, 'broken') && (
            <NumberInput
              label="Broken at"
              unit="m from its base"
              length="m"
              value={limb.brokenAtM}
              step={0.1}
              min={0.05}
              max={limb.lengthM ?? 50}
              onChange={(brokenAtM) => set({ brokenAtM })}
              hint="It is cut to a branch or a bud below that"
            />
          )}
        </fieldset>
      ))}
      {asks.buds && (limb.woodYears ?? 1) <= 1 && (
        <fieldset className="walk-field">
          <legend>Buds of this shoot</legend>
          <div className="chips">
            {Object.entries(BUD_NAMES).map(([code, name]) => (
              <button
                key={code}
                type="button"
                aria-pressed={limb.buds === code}
                onClick={() => set({ buds: limb.buds === code ? undefined : code })}
              >
                <BudDrawing buds={code} /> {name}
              </button>
            ))}
          </div>
          <div className="faint small">
            For a shoot of last year, the best it has; a triple has a leaf between two flowers
          </div>
        </fieldset>
      )}
      <Chips
        label="It hangs over"
        options={OVER}
        value={limb.overTarget}
        onChange={(overTarget) => set({ overTarget })}
      />
      <More title="By number, and more about it">
        {limb.parent ? (
          <NumberInput
            key={'along' + limb.parent}
            label="Leaves its limb"
            unit="m along it"
            length="m"
            value={limb.originAlongM}
            step={0.1}
            max={parent?.lengthM ?? 50}
            onChange={(originAlongM) => set({ originAlongM })}
          />
        ) : (
          <NumberInput
            label="Leaves the trunk"
            unit="m above ground"
            length="m"
            value={limb.originHeightM}
            step={0.1}
            max={50}
            onChange={(originHeightM) => set({ originHeightM })}
          />
        )}
        <Direction label="Direction" value={limb.azimuthDeg} onChange={(azimuthDeg) => set({ azimuthDeg })} />
        <NumberInput
          label="Angle"
          unit="degrees above level"
          value={limb.angleDeg}
          step={5}
          min={-90}
          max={90}
          onChange={(angleDeg) => set({ angleDeg })}
        />
        {!asks.frame && frame}
        <NumberInput
          label="Age of its wood"
          unit="years"
          value={limb.woodYears}
          step={1}
          max={300}
          onChange={(woodYears) => set({ woodYears })}
          hint="Pale wood is a year old, dark is older. Count back by rings of scars and old cuts: a year each."
        />
        <Chips
          label="Leaf"
          options={LEAFINESS}
          value={limb.leafiness === undefined || limb.leafiness === null ? undefined : String(limb.leafiness)}
          onChange={(leafiness) =>
            set({ leafiness: leafiness === undefined ? undefined : Number(leafiness) })
          }
        />
        <Form.Label htmlFor="limb-cultivar" className="fw-semibold">
          Cultivar, where the tree carries several
        </Form.Label>
        <Form.Control
          id="limb-cultivar"
          value={limb.cultivar ?? ''}
          maxLength={80}
          onChange={(e) => set({ cultivar: e.target.value || undefined })}
        />
      </More>
      {missing.length > 0 && (
        <p className="text-danger" role="alert">
          Still wanted: {missing.join(', ')}.
        </p>
      )}
      <div className="walk-nav">
        <Button variant="outline-secondary" onClick={onBack}>
          Back
        </Button>
        {onRemove && (
          <Button variant="outline-danger" onClick={onRemove}>
            Take out
          </Button>
        )}
        <Button variant="outline-primary" onClick={() => done(true)}>
          Next limb
        </Button>
        <Button onClick={() => done(false)}>Done</Button>
      </div>
      <Button size="sm" variant="link" className="p-0 mt-2" onClick={onLetGo}>
        {isNew ? 'No limb after all' : 'Leave it as it was'}
      </Button>
    </section>
  );
}

/** The usual values at one tap. */
function Quick({
  what,
  unit,
  values,
  onPick,
}: {
  what: string;
  unit: string;
  values: number[];
  onPick: (value: number) => void;
}) {
  return (
    <div className="quick" role="group" aria-label={'Usual ' + what}>
      {values.map((value) => (
        <button
          key={value}
          type="button"
          aria-label={what + ' ' + value + ' ' + unit}
          onClick={() => onPick(value)}
        >
          {value}
        </button>
      ))}
    </div>
  );
}
