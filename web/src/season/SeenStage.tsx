import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { currentPersonId } from '../api/client';
import { stageItem } from '../field/items';
import { useSend } from '../field/useSend';
import { words } from '../parts/format';
import { Chips } from '../parts/inputs';
import { ProblemAlert } from '../parts/ProblemAlert';
import { SEEN_BY_MONTH, STAGES } from '../vocabulary/season';
import { DateInput } from '../parts/DateInput';

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
  const { send, sending, wrong } = useSend();
  const [said, setSaid] = useState('');
  const note = async (code: string) => {
    const item = await send(
      stageItem(siteId, currentPersonId(), words(species), { species, stage: code, on }),
    );
    if (!item) return;
    setStage(undefined);
    setSaid(item.state === 'sent' ? '' : 'kept on this phone until there is signal');
  };
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
        <DateInput id="seen-on" small value={on} max={today} onChange={setOn} />
        <Button size="sm" disabled={!stage || !on || sending} onClick={() => void (stage && note(stage))}>
          Note it
        </Button>
      </div>
      {said && <p className="faint small mb-0">{said}</p>}
      <ProblemAlert error={wrong} />
    </div>
  );
}
