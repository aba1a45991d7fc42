import { Alert } from 'react-bootstrap';
import type { Draft } from '../field/kept';
import { Chips, NumberInput, Ticks } from '../parts/inputs';
import { LEANS, UNIONS } from '../vocabulary/survey';

/** The trunk: lean, crack, hollow. */
export function TrunkStep({ draft, setTree }: { draft: Draft; setTree: (part: Draft['tree']) => void }) {
  const trunk = draft.tree.trunk ?? {};
  const set = (part: typeof trunk) => setTree({ trunk: { ...trunk, ...part } });
  return (
    <>
      <Chips
        label="Where its main stems meet"
        options={UNIONS}
        value={trunk.union}
        onChange={(union) => set({ union })}
      />
      <Chips label="Lean" options={LEANS} value={trunk.lean} onChange={(lean) => set({ lean })} />
      {trunk.lean === 'lifting-soil' && (
        <Alert variant="danger">
          Keep people away from under it. A licensed arborist decides before anyone works here.
        </Alert>
      )}
      <NumberInput
        label="Crack"
        unit="cm long"
        length="cm"
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
        length="cm"
        value={trunk.soundWallCm}
        step={1}
        max={300}
        onChange={(soundWallCm) => set({ soundWallCm })}
        hint="Empty: not hollow"
      />
      <NumberInput
        label="Largest old wound still open"
        unit="cm wide"
        length="cm"
        value={trunk.openWoundCm}
        step={1}
        max={200}
        onChange={(openWoundCm) => set({ openWoundCm })}
      />
      <Ticks
        label="Seen on it"
        options={{ fungus: 'fungus', tiesBite: 'ties or wire bite in' }}
        value={(['fungus', 'tiesBite'] as const).filter((name) => trunk[name])}
        onChange={(names) => set({ fungus: names.includes('fungus'), tiesBite: names.includes('tiesBite') })}
      />
    </>
  );
}
