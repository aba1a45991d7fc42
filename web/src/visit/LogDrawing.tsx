import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { TreeSheet } from '../api/client';
import { numbered } from '../crew/DaySheet';
import { asItStands } from '../drawing/projection';
import { TreeDrawing } from '../drawing/TreeDrawing';
import { Icon } from '../parts/Icon';

/** The tree of a visit with its cuts numbered, to be walked round. */
export function LogDrawing({
  sheet,
  picked,
  onPick,
}: {
  sheet: TreeSheet;
  picked?: string;
  onPick: (limb: string) => void;
}) {
  const [view, setView] = useState(180);
  return (
    <>
      <TreeDrawing
        drawing={sheet.drawing}
        limbs={new Map(sheet.limbs.map((limb) => [limb.id, limb]))}
        standing={asItStands(sheet.drawing)}
        view={view}
        onTurn={setView}
        picked={picked}
        onPick={onPick}
        marks={numbered(sheet)}
      />
      <div className="d-flex gap-2 my-2">
        <Button variant="outline-secondary" className="flex-fill" onClick={() => setView((view + 45) % 360)}>
          <Icon name="arrow-left" /> Walk left
        </Button>
        <Button variant="outline-secondary" className="flex-fill" onClick={() => setView((view + 315) % 360)}>
          Walk right <Icon name="arrow-right" />
        </Button>
      </div>
    </>
  );
}
