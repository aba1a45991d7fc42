import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { expectJudging } from '../api/useChange';
import type { Item, NewItem } from './outbox';
import { asProblem, keepAndSend, outbox } from './phone';

/**
 * Sends what a form holds: kept on the phone first, then on its way. What the server refuses at once is shown in the form,
 * which still holds it; what cannot go yet waits on the phone.
 */
export function useSend() {
  const queries = useQueryClient();
  const [sending, setSending] = useState(false);
  const [wrong, setWrong] = useState<unknown>();
  /** The item as it stands, or nothing where it was refused and stays in the form. */
  const send = async (item: NewItem, instead?: (other: Item) => boolean): Promise<Item | undefined> => {
    setSending(true);
    setWrong(undefined);
    try {
      const now = await keepAndSend(item, instead);
      if (now.state === 'held' && now.refusal) {
        setWrong(asProblem(now.refusal));
        await outbox.drop(now.key);
        return undefined;
      }
      await queries.invalidateQueries({ queryKey: ['waiting'] });
      // A stage seen moves the windows of its whole kind.
      if (item.kind === 'stage') expectJudging(queries);
      void queries.invalidateQueries();
      return now;
    } catch (failed) {
      setWrong(failed);
      return undefined;
    } finally {
      setSending(false);
    }
  };
  return { send, sending, wrong };
}
