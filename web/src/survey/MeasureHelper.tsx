import { useState } from 'react';
import { Button } from 'react-bootstrap';
import {
  byAngleAndEye,
  byAngles,
  byPerson,
  byShadow,
  byStick,
  diameterOf,
  girthBySpans,
  girthOf,
} from './helpers';
import { Chips, NumberInput } from '../parts/inputs';

interface Way {
  name: string;
  how: string;
  asks: {
    key: string;
    label: string;
    unit: string;
    step: number;
    max: number;
    min?: number;
    length?: 'm' | 'cm';
  }[];
  find: (given: number[]) => number;
}

const AWAY = {
  key: 'away',
  label: 'Paces off',
  unit: 'm from the trunk',
  step: 1,
  max: 100,
  length: 'm' as const,
};

const HEIGHT: Record<string, Way> = {
  stick: {
    name: 'a stick',
    how: 'Hold a stick upright at arm’s length and walk until it just covers the tree.',
    asks: [
      AWAY,
      { key: 'stick', label: 'Stick', unit: 'cm that cover the tree', step: 1, max: 300, length: 'cm' },
      { key: 'arm', label: 'Eye to stick', unit: 'cm', step: 1, max: 120, length: 'cm' },
    ],
    find: ([away, stick, arm]) => byStick(away!, stick!, arm!),
  },
  shadow: {
    name: 'its shadow',
    how: 'On level ground, at the same moment: the tree’s shadow and that of a pole.',
    asks: [
      { key: 'tree', label: 'Shadow of the tree', unit: 'm', step: 0.5, max: 100, length: 'm' },
      { key: 'pole', label: 'Pole', unit: 'm high', step: 0.1, max: 10, length: 'm' },
      { key: 'shade', label: 'Shadow of the pole', unit: 'm', step: 0.1, max: 30, length: 'm' },
    ],
    find: ([tree, pole, shade]) => byShadow(tree!, pole!, shade!),
  },
  angles: {
    name: 'two angles',
    how: 'With a clinometer: up to the top and down to the foot, both from level.',
    asks: [
      AWAY,
      { key: 'top', label: 'Up to the top', unit: 'degrees', step: 1, max: 85 },
      { key: 'foot', label: 'Down to the foot', unit: 'degrees', step: 1, max: 60, min: -60 },
    ],
    find: ([away, top, foot]) => byAngles(away!, top!, foot!),
  },
  eye: {
    name: 'one angle',
    how: 'On level ground, when the foot cannot be seen: up to the top, and how high your eye is.',
    asks: [
      AWAY,
      { key: 'top', label: 'Up to the top', unit: 'degrees', step: 1, max: 85 },
      { key: 'eye', label: 'Eye', unit: 'm above ground', step: 0.1, max: 3, length: 'm' },
    ],
    find: ([away, top, eye]) => byAngleAndEye(away!, top!, eye!),
  },
  person: {
    name: 'a person beside it',
    how: 'From further off, on a stick held out: how tall the person looks and how tall the tree.',
    asks: [
      { key: 'person', label: 'Person', unit: 'm', step: 0.05, max: 2.5, length: 'm' },
      { key: 'seen', label: 'Person on the stick', unit: 'cm', step: 0.5, max: 100, length: 'cm' },
      { key: 'tree', label: 'Tree on the stick', unit: 'cm', step: 1, max: 300, length: 'cm' },
    ],
    find: ([person, seen, tree]) => byPerson(person!, seen!, tree!),
  },
};

const SPAN = {
  key: 'span',
  label: 'Hand-span',
  unit: 'cm, thumb to little finger',
  step: 1,
  max: 30,
  length: 'cm' as const,
};
const SPANS = { key: 'spans', label: 'Spans round it', unit: 'counted', step: 0.5, max: 40 };

const GIRTH: Record<string, Way> = {
  spans: {
    name: 'hand-spans',
    how: 'How often your hand goes round it.',
    asks: [SPANS, SPAN],
    find: ([spans, span]) => girthBySpans(spans!, span!),
  },
  diameter: {
    name: 'its width',
    how: 'From a width measured straight across.',
    asks: [{ key: 'width', label: 'Width across', unit: 'cm', step: 1, max: 200, length: 'cm' }],
    find: ([width]) => girthOf(width!),
  },
};

const WIDTH: Record<string, Way> = {
  girth: {
    name: 'its girth',
    how: 'With a tape round the limb at its base.',
    asks: [{ key: 'girth', label: 'Girth of the limb', unit: 'cm', step: 1, max: 400, length: 'cm' }],
    find: ([girth]) => diameterOf(girth!),
  },
  spans: {
    name: 'hand-spans',
    how: 'How often your hand goes round it.',
    asks: [SPANS, SPAN],
    find: ([spans, span]) => diameterOf(girthBySpans(spans!, span!)),
  },
};

const MEASURES = { height: HEIGHT, girth: GIRTH, width: WIDTH };

/** Finds a measure that cannot be taken straight; the result is put in by a tap. */
export function MeasureHelper({
  of,
  unit,
  onFound,
}: {
  of: keyof typeof MEASURES;
  unit: string;
  onFound: (value: number) => void;
}) {
  const [chosen, setChosen] = useState<string>();
  const [given, setGiven] = useState<Record<string, number | undefined>>({});
  const ways = MEASURES[of];
  const way = chosen ? ways[chosen] : undefined;
  const values = way?.asks.map((ask) => given[ask.key]) ?? [];
  const found =
    way && values.every((value) => value !== undefined) ? way.find(values as number[]) : undefined;
  const good = found !== undefined && Number.isFinite(found) && found > 0;
  const rounded = good ? Math.round(found * (of === 'height' ? 10 : 2)) / (of === 'height' ? 10 : 2) : 0;
  return (
    <details className="helper">
      <summary>Help me measure the {of}</summary>
      <Chips
        label="By"
        options={Object.fromEntries(Object.entries(ways).map(([code, one]) => [code, one.name]))}
        value={chosen}
        onChange={(code) => {
          setChosen(code);
          setGiven({});
        }}
      />
      {way && (
        <>
          <p className="faint small mb-2">{way.how}</p>
          {way.asks.map((ask) => (
            <NumberInput
              key={chosen + ask.key}
              label={ask.label}
              unit={ask.unit}
              length={ask.length}
              value={given[ask.key]}
              step={ask.step}
              min={ask.min ?? 0}
              max={ask.max}
              onChange={(value) => setGiven((now) => ({ ...now, [ask.key]: value }))}
            />
          ))}
          {good && (
            <Button className="w-100 mb-2" onClick={() => onFound(rounded)}>
              Take {rounded} {unit}
            </Button>
          )}
        </>
      )}
    </details>
  );
}
