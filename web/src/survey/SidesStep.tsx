import { Form } from 'react-bootstrap';
import { compass } from '../parts/format';
import { PhotoStrip } from '../photo/PhotoStrip';
import { TakePhoto } from '../photo/TakePhoto';
import type { Draft } from '../field/kept';

const SIDES = [180, 270, 0, 90];
export const spotFrom = (bearingDeg: number) => 'from the ' + compass(bearingDeg);

/** Once round the tree, from the same four places every time: a note and a photo from each. */
export function SidesStep({
  siteId,
  treeId,
  tag,
  draft,
  change,
}: {
  siteId: number;
  treeId: number;
  tag: string;
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
            <TakePhoto
              siteId={siteId}
              treeId={treeId}
              tag={tag}
              takenOn={draft.surveyedOn}
              spot={spotFrom(side)}
            />
          </div>
          <PhotoStrip treeId={treeId} spot={spotFrom(side)} />
        </section>
      ))}
    </>
  );
}
