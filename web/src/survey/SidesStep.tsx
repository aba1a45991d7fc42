import { useRef, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { currentPersonId } from '../api/client';
import { shrink } from '../field/picture';
import { sendAll } from '../field/sending';
import { store } from '../field/store';
import { compass } from '../parts/format';
import { PhotoStrip } from '../photo/PhotoStrip';
import type { Draft } from './draft';

const SIDES = [180, 270, 0, 90];
export const spotFrom = (bearingDeg: number) => 'from the ' + compass(bearingDeg);

/** Once round the tree, from the same four places every time: a note and a photo from each. */
export function SidesStep({
  treeId,
  draft,
  change,
}: {
  treeId: number;
  draft: Draft;
  change: (make: (now: Draft) => Draft) => void;
}) {
  const note = (bearingDeg: number) =>
    draft.sides?.find((side) => side.bearingDeg === bearingDeg)?.note ?? '';
  const set = (bearingDeg: number, text: string) =>
    change((now) => ({
      ...now,
      sides: [
        ...(now.sides ?? []).filter((side) => side.bearingDeg !== bearingDeg),
        { bearingDeg, note: text || undefined },
      ],
    }));
  return (
    <>
      <p className="faint">
        Walk round it first. Look from several sides and from further off, and picture it in five years if
        nobody acts. Stand in the same places every time.
      </p>
      {SIDES.map((side) => (
        <section key={side} className="walk-field" aria-label={spotFrom(side)}>
          <Form.Label htmlFor={'side-' + side} className="fw-semibold mb-1">
            From the {compass(side)}
          </Form.Label>
          <div className="d-flex gap-2">
            <Form.Control
              id={'side-' + side}
              as="textarea"
              rows={1}
              maxLength={1000}
              placeholder="what stands out"
              value={note(side)}
              onChange={(e) => set(side, e.target.value)}
            />
            <TakePhoto treeId={treeId} takenOn={draft.surveyedOn} spot={spotFrom(side)} />
          </div>
          <PhotoStrip treeId={treeId} spot={spotFrom(side)} />
        </section>
      ))}
    </>
  );
}

/** A photo, made smaller on the phone and sent when there is signal. */
export function TakePhoto({ treeId, takenOn, spot }: { treeId: number; takenOn: string; spot: string }) {
  const file = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState('');
  const take = async (picture: File) => {
    try {
      const small = await shrink(picture);
      await store.keepPhoto({
        key: crypto.randomUUID(),
        treeId,
        person: currentPersonId(),
        takenOn,
        spot,
        picture: small,
      });
      setSaid('kept');
      if (await sendAll()) setSaid('sent');
    } catch {
      setSaid('not a picture');
    }
  };
  return (
    <div className="text-center">
      <Button
        variant="outline-primary"
        style={{ minHeight: 48, minWidth: 56 }}
        aria-label={'Photo ' + spot}
        onClick={() => file.current?.click()}
      >
        <i className="bi bi-camera" aria-hidden="true" />
      </Button>
      <div className="small faint" aria-live="polite">
        {said}
      </div>
      <input
        ref={file}
        type="file"
        hidden
        accept="image/*"
        capture="environment"
        aria-label={'Picture ' + spot}
        onChange={(e) => {
          const picture = e.target.files?.[0];
          e.target.value = '';
          if (picture) void take(picture);
        }}
      />
    </div>
  );
}
