import { Alert, Button } from 'react-bootstrap';
import type { Draft } from '../field/kept';
import { Chips, Direction, NumberInput, Ticks } from '../parts/inputs';
import { AROUND, BENEATH } from '../vocabulary/survey';
import { Icon } from '../parts/Icon';

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
      <Ticks
        label="Within falling distance"
        options={BENEATH}
        value={draft.tree.beneath ?? []}
        onChange={(beneath) => change((now) => ({ ...now, tree: { ...now.tree, beneath } }))}
      />
      {draft.tree.beneath?.includes('power-line') && (
        <Alert variant="danger">
          Keep away from the line. Its keeper and a licensed arborist decide before anyone works here.
        </Alert>
      )}
      <p className="faint">
        What shades it or stands within reach of it. Registered trees are known already: name walls, hedges
        and what stands over the fence.
      </p>
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
            length="m"
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
              length="m"
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
        <Icon name="plus-lg" /> Add a neighbour
      </Button>
    </>
  );
}
