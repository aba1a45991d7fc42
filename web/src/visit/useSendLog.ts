import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { currentPersonId, type Log, type TreeSheet } from '../api/client';
import { logItem } from '../field/items';
import type { Entry } from '../field/kept';
import { randomKey } from '../field/outbox';
import { keepAndSend, outbox } from '../field/phone';
import type { Refusal } from '../field/outbox';
import { toSend } from './entry';

/** Sends a log and goes on from there; what was refused stands in the entry, to be mended. */
export function useSendLog(
  siteId: number,
  sheet: TreeSheet,
  log: Log | undefined,
  refused: (again: Entry, refusal: Refusal) => Promise<void>,
  drop: () => Promise<void>,
) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [sending, setSending] = useState(false);
  const [wrong, setWrong] = useState<unknown>();
  const submit = async (entry: Entry) => {
    setSending(true);
    setWrong(undefined);
    try {
      const { visitId, treeId, tag, dayId } = sheet;
      const item = await keepAndSend(
        logItem(
          { siteId, treeId, visitId, dayId, tag, corrects: log?.id, entry },
          toSend(entry),
          currentPersonId(),
        ),
        (other) => other.kind === 'log' && other.visitId === visitId,
      );
      if (item.state === 'held' && item.refusal) {
        // What is to be mended is mended here: the entry stands as it was, with what is wrong beside it.
        const again: Entry = { ...entry, key: randomKey() };
        await refused(again, item.refusal);
        await outbox.drop(item.key);
        return;
      }
      await drop();
      await queries.invalidateQueries({ queryKey: ['waiting'] });
      await navigate(
        item.state === 'clash'
          ? '/sites/' + siteId + '/waiting/' + item.key
          : dayId && !log
            ? '/sites/' + siteId + '/days/' + dayId + '/log'
            : item.state === 'sent'
              ? '/sites/' + siteId + '/trees/' + treeId
              : '/sites/' + siteId + '/log',
      );
      // What the server says now comes in behind; nobody waits for it with a saw in hand.
      void queries.invalidateQueries();
    } catch (failed) {
      setWrong(failed);
    } finally {
      setSending(false);
    }
  };
  return { submit, sending, wrong };
}
