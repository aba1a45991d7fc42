import { useRef, useState } from 'react';
import { type CrewsOfDay, lastChange } from '../api/client';
import { type Laid, laidOf } from './board';
import { useLayCrews } from './rosterQueries';

/**
 * Crews as somebody lays them out: shown at once, sent one after another. What is laid while another is on its way waits for
 * it, and only the last of it is sent; what the server refuses goes back to how the server has it.
 */
export function useLaid(dayId: number, board: CrewsOfDay) {
  const lay = useLayCrews(dayId);
  const [laid, setLaid] = useState<{ version: number; crews: Laid[] }>();
  const [busy, setBusy] = useState(false);
  const waiting = useRef<Laid[]>(undefined);
  const mine = busy || laid?.version === board.version ? laid : undefined;
  const send = (version: number, crews: Laid[]) =>
    lay.mutate(
      { version, crews },
      {
        onSuccess: (now) => {
          const next = waiting.current;
          waiting.current = undefined;
          setLaid({ version: now.version, crews: next ?? crews });
          if (next) {
            lastChange.tell(undefined);
            send(now.version, next);
          } else setBusy(false);
        },
        onError: () => {
          waiting.current = undefined;
          setLaid(undefined);
          setBusy(false);
        },
      },
    );
  const put = (next: Laid[] | undefined) => {
    if (!next) return;
    // What was saved before is no longer the last thing done: undoing waits for what is shown now.
    lastChange.tell(undefined);
    setLaid({ version: board.version, crews: next });
    if (busy) waiting.current = next;
    else {
      setBusy(true);
      send(board.version, next);
    }
  };
  return { crews: mine?.crews ?? laidOf(board), laid: !!mine, busy, put, error: lay.error };
}
