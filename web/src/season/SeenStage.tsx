import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { Chips } from '../survey/inputs';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useAddSighting } from './queries';
import { SEEN_BY_MONTH, STAGES } from './words';

/** What the trees of a kind show today, in two taps. */
export function SeenStage({
  siteId,
  species,
  today,
  southern,
}: {
  siteId: number;
  species: string;
  today: string;
  southern: boolean;
}) {
  const add = useAddSighting(siteId);
  const [on, setOn] = useState(today);
  const [stage, setStage] = useState<string>();
  const shown = SEEN_BY_MONTH(Number(on.slice(5, 7)) - 1, southern);
  return (
    <div>
      <Chips
        label="What do the trees show?"
        options={Object.fromEntries(shown.map((code) => [code, STAGES[code]!.name]))}
        value={stage}
        onChange={setStage}
        hint={stage && STAGES[stage] ? 'How it looks: ' + STAGES[stage].look : undefined}
      />
      <div className="d-flex gap-2 align-items-center">
        <label htmlFor="seen-on" className="faint">
          since
        </label>
        <input
          id="seen-on"
          type="date"
          className="form-control form-control-sm"
          style={{ width: 'auto' }}
          value={on}
          max={today}
          onChange={(e) => setOn(e.target.value)}
        />
        <Button
          size="sm"
          disabled={!stage || !on || add.isPending}
          onClick={() =>
            stage && add.mutate({ species, stage, on }, { onSuccess: () => setStage(undefined) })
          }
        >
          Note it
        </Button>
      </div>
      <ProblemAlert error={add.error} />
    </div>
  );
}
