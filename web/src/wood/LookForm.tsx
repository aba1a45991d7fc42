import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { currentPersonId, type OpenWound } from '../api/client';
import { lookItem } from '../field/items';
import { useSend } from '../field/useSend';
import { DateInput } from '../parts/DateInput';
import { Chips, NumberInput } from '../parts/inputs';
import { ProblemAlert } from '../parts/ProblemAlert';
import { TakePhoto } from '../photo/TakePhoto';
import { WOUND_STATES } from '../vocabulary/wood';

/** The photo of a wound: the same place every year. */
export const woundSpot = (wound: string) => 'cut of ' + wound;

const MOST_MM = 3000;

/** More than can be seen at a glance. */
const MANY = '15';

/** What is seen at a glance, as the number it stands for. */
const SHOOTS: [string, string][] = [
  ['0', 'none'],
  ['2', '1 to 3'],
  ['6', '4 to 10'],
  [MANY, 'more'],
];

/** A look at a wound in a few taps: two widths, what it looks like, a photo. It is kept on the phone where there is no signal. */
export function LookForm({
  siteId,
  today,
  wound,
  done,
}: {
  siteId: number;
  today: string;
  wound: Pick<OpenWound, 'treeId' | 'tag' | 'wound' | 'diameterCm' | 'longMm' | 'shortMm' | 'state'>;
  done?: () => void;
}) {
  const [on, setOn] = useState(today);
  const [longMm, setLong] = useState<number>();
  const [shortMm, setShort] = useState<number>();
  const [state, setState] = useState<string>();
  const [grew, setGrew] = useState<string>();
  const [counted, setCounted] = useState<number>();
  const [longestCm, setLongest] = useState<number>();
  const [note, setNote] = useState('');
  const { send, sending, wrong } = useSend();
  const closed = state === 'closed';
  const whole = !!state && (closed || (longMm !== undefined && shortMm !== undefined));
  const save = async () => {
    const of = { siteId, treeId: wound.treeId, tag: wound.tag, person: currentPersonId() };
    const sent = await send(
      lookItem(of, {
        wound: wound.wound,
        on,
        longMm: closed ? 0 : longMm!,
        shortMm: closed ? 0 : shortMm!,
        state: state!,
        shoots: grew === undefined ? undefined : ((grew === MANY ? counted : undefined) ?? Number(grew)),
        longestCm: grew === undefined || grew === '0' ? undefined : longestCm,
        note: note.trim() || undefined,
      }),
    );
    if (sent) done?.();
  };
  const was = wound.longMm ?? Math.round(wound.diameterCm * 10);
  const wasShort = wound.shortMm ?? Math.round(wound.diameterCm * 10);
  return (
    <Form
      className="sheet-box look-form"
      aria-label={'Look at ' + wound.wound}
      onSubmit={(e) => {
        e.preventDefault();
        if (whole) void save();
      }}
      noValidate
    >
      <Chips label="It looks" options={WOUND_STATES} value={state} onChange={setState} columns={3} />
      {!closed && (
        <div className="d-flex gap-3 flex-wrap">
          <NumberInput
            label="Open, the long way"
            unit="mm"
            value={longMm}
            onChange={setLong}
            step={1}
            max={MOST_MM}
            hint={'was ' + Math.round(was) + ' mm'}
          />
          <NumberInput
            label="The short way"
            unit="mm"
            value={shortMm}
            onChange={setShort}
            step={1}
            max={MOST_MM}
            hint={'was ' + Math.round(wasShort) + ' mm'}
          />
        </div>
      )}
      <Chips
        label="Shoots that grew near it since it was cut"
        options={SHOOTS}
        value={grew}
        onChange={setGrew}
        columns={4}
      />
      {grew === MANY && (
        <NumberInput label="How many, about" value={counted} onChange={setCounted} step={5} max={5000} />
      )}
      {grew !== undefined && grew !== '0' && (
        <NumberInput
          label="The longest"
          unit="cm"
          length="cm"
          value={longestCm}
          onChange={setLongest}
          step={10}
          max={500}
        />
      )}
      <Form.Group className="mb-2" controlId={'look-note-' + wound.treeId + '-' + wound.wound}>
        <Form.Label>Note</Form.Label>
        <Form.Control value={note} maxLength={500} onChange={(e) => setNote(e.target.value)} />
      </Form.Group>
      <DateInput label="Looked at on" id="look-on" value={on} onChange={setOn} max={today} />
      <TakePhoto
        siteId={siteId}
        treeId={wound.treeId}
        tag={wound.tag}
        takenOn={on}
        spot={woundSpot(wound.wound)}
      />
      <ProblemAlert error={wrong} />
      <div className="d-flex gap-2 mt-2">
        <Button type="submit" disabled={!whole || sending}>
          Save the look
        </Button>
        {done && (
          <Button variant="outline-secondary" onClick={done}>
            Not now
          </Button>
        )}
      </div>
    </Form>
  );
}
