import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { LimbFile } from '../api/client';
import type { OpenLimb } from '../field/kept';
import { Chips } from '../parts/inputs';
import { FRUITING, OVER, ROLES } from '../vocabulary/survey';
import { lacking } from './draft';
import type { KindAsks } from './kinds';
import { LimbFaults } from './LimbFaults';
import { LimbMore } from './LimbMore';
import { LimbOrigin } from './LimbOrigin';
import { LimbSize } from './LimbSize';
import { ShootBuds } from './ShootBuds';

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
  const { limb, isNew } = open;
  const [missing, setMissing] = useState<string[]>([]);
  const set = (part: Partial<LimbFile>) => change((now) => ({ limb: { ...now.limb, ...part } }));
  const done = (another: boolean) => {
    const lacks = lacking(limb, others);
    setMissing(lacks);
    if (lacks.length === 0) onDone(another);
  };
  const frame = (
    <Chips label="Part in the frame" options={ROLES} value={limb.role} onChange={(role) => set({ role })} />
  );
  return (
    <section aria-label={'Limb ' + (limb.id ?? '')}>
      <LimbOrigin open={open} others={others} heightM={heightM} change={change} set={set} />
      <LimbSize limb={limb} bush={bush} set={set} />
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
      <LimbFaults limb={limb} others={others} change={change} set={set} />
      {asks.buds && (limb.woodYears ?? 1) <= 1 && <ShootBuds limb={limb} set={set} />}
      <Chips
        label="It hangs over"
        options={OVER}
        value={limb.overTarget}
        onChange={(overTarget) => set({ overTarget })}
      />
      <LimbMore limb={limb} parent={others.find((other) => other.id === limb.parent)} set={set}>
        {!asks.frame && frame}
      </LimbMore>
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
            No such limb
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
