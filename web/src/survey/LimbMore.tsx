import { Form } from 'react-bootstrap';
import type { LimbFile } from '../api/client';
import { Chips, Direction, More, NumberInput } from '../parts/inputs';
import { LEAFINESS } from '../vocabulary/survey';

/** The rest of a limb, folded away: by number what is touched above, and what few limbs need. */
export function LimbMore({
  limb,
  parent,
  set,
  children,
}: {
  limb: Partial<LimbFile>;
  parent?: Partial<LimbFile>;
  set: (part: Partial<LimbFile>) => void;
  children?: React.ReactNode;
}) {
  return (
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
      {children}
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
        onChange={(leafiness) => set({ leafiness: leafiness === undefined ? undefined : Number(leafiness) })}
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
  );
}
