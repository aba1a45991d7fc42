import type { LimbFile } from '../api/client';
import { NumberInput } from '../parts/inputs';
import { Rose, Tilt } from './Dials';
import { MeasureHelper } from './MeasureHelper';

/** How thick and long a limb is and how it lies: the usual values at one tap, others typed or pulled. */
export function LimbSize({
  limb,
  bush,
  set,
}: {
  limb: Partial<LimbFile>;
  bush: boolean;
  set: (part: Partial<LimbFile>) => void;
}) {
  return (
    <>
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
    </>
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
