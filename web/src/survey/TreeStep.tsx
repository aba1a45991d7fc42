import { useState } from 'react';
import { currentPersonId } from '../api/client';
import type { Draft } from '../field/kept';
import { Chips, More, NumberInput } from '../parts/inputs';
import { keepUnits, unitsOf } from '../parts/measure';
import { MeasureHelper } from './MeasureHelper';
import { LOPSIDED } from '../vocabulary/survey';
import { DateInput } from '../parts/DateInput';

/** The whole tree, measured. */
export function TreeStep({
  draft,
  today,
  bush,
  change,
  setTree,
}: {
  draft: Draft;
  today: string;
  /** It has stems and no trunk to measure. */
  bush: boolean;
  change: (make: (now: Draft) => Draft) => void;
  setTree: (part: Draft['tree']) => void;
}) {
  const [units, setUnits] = useState(unitsOf(currentPersonId()));
  const { tree } = draft;
  // The width reckoned with is the mean of both ways.
  const spread = (ways: { spreadNorthSouthM?: number; spreadEastWestM?: number }) => {
    const both = {
      spreadNorthSouthM: tree.spreadNorthSouthM,
      spreadEastWestM: tree.spreadEastWestM,
      ...ways,
    };
    const known = Object.values(both).filter((one): one is number => one != null);
    const mean = known.length > 0 ? known.reduce((sum, one) => sum + one, 0) / known.length : undefined;
    setTree({ ...ways, spreadM: mean === undefined ? undefined : Math.round(mean * 100) / 100 });
  };
  return (
    <>
      <Chips
        label="Measure in"
        options={{ metric: 'metres', imperial: 'feet and inches' }}
        value={units}
        onChange={(chosen) => {
          const next = chosen === 'imperial' ? 'imperial' : 'metric';
          keepUnits(currentPersonId(), next);
          setUnits(next);
        }}
      />
      <div className="walk-field">
        <label htmlFor="walk-day">Day of the walk</label>
        <DateInput
          id="walk-day"
          max={today}
          value={draft.surveyedOn}
          onChange={(surveyedOn) => change((now) => ({ ...now, surveyedOn }))}
        />
      </div>
      <NumberInput
        label="Height"
        unit="m"
        length="m"
        value={tree.heightM}
        step={0.1}
        min={0.1}
        max={60}
        onChange={(heightM) => setTree({ heightM })}
      />
      <MeasureHelper of="height" unit="m" onFound={(heightM) => setTree({ heightM })} />
      <NumberInput
        label="Width of the crown"
        unit="m, the mean of both ways"
        length="m"
        value={tree.spreadM}
        step={0.1}
        min={0.1}
        max={60}
        onChange={(spreadM) => setTree({ spreadM, spreadNorthSouthM: undefined, spreadEastWestM: undefined })}
      />
      <NumberInput
        label="Width allotted"
        unit="m, if it is to keep to one"
        length="m"
        value={tree.spreadTargetM}
        step={0.1}
        min={0.5}
        max={60}
        onChange={(spreadTargetM) => setTree({ spreadTargetM })}
      />
      <More title="Both ways" open={tree.spreadNorthSouthM != null || tree.spreadEastWestM != null}>
        <NumberInput
          label="North to south"
          unit="m"
          length="m"
          value={tree.spreadNorthSouthM}
          step={0.1}
          min={0.1}
          max={60}
          onChange={(spreadNorthSouthM) => spread({ spreadNorthSouthM })}
        />
        <NumberInput
          label="East to west"
          unit="m"
          length="m"
          value={tree.spreadEastWestM}
          step={0.1}
          min={0.1}
          max={60}
          onChange={(spreadEastWestM) => spread({ spreadEastWestM })}
        />
      </More>
      {!bush && (
        <>
          <NumberInput
            label="Girth of the trunk"
            unit="cm"
            length="cm"
            value={tree.trunkGirthCm}
            step={1}
            min={1}
            max={1500}
            onChange={(trunkGirthCm) => setTree({ trunkGirthCm })}
            hint="Round it at its narrowest below the first limb"
          />
          <MeasureHelper of="girth" unit="cm" onFound={(trunkGirthCm) => setTree({ trunkGirthCm })} />
        </>
      )}
      <Chips
        label="Heavier on one side, from"
        options={LOPSIDED}
        value={tree.lopsidedFrom}
        onChange={(lopsidedFrom) => setTree({ lopsidedFrom })}
        hint="Asked before correcting; leave it open when it stands even"
      />
    </>
  );
}
