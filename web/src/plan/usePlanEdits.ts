import { useIsFetching } from '@tanstack/react-query';
import { useState } from 'react';
import type { Judgement, PlanWishes, Time } from '../api/client';
import { guessed } from './guess';
import { givenBack, moved, type Moving } from './moves';
import { useEditPlan } from './queries';

/** What people do to a plan: each change is sent with all that is wanted, and can be taken back. */
export function usePlanEdits(judgement: Judgement, treeId: number) {
  const change = useEditPlan(treeId);
  const [before, setBefore] = useState<PlanWishes[]>([]);
  const [tried, setTried] = useState<{ cut: Moving; time: Time }>();
  const reading = useIsFetching() > 0;
  const edits = judgement.edits;
  const pins = edits.pins ?? [];
  const send = (next: PlanWishes, guess?: Judgement) =>
    change.mutate(
      {
        version: judgement.planVersion,
        edits: next,
        guess: guess && { ...guess, edits: { ...edits, ...next } },
      },
      { onSuccess: () => setBefore((list) => [...list, edits]) },
    );
  const last = before[before.length - 1];
  return {
    send: (next: PlanWishes) => send(next),
    move: (cut: Moving, time: Time) => {
      setTried({ cut, time });
      send({ ...edits, pins: moved(pins, cut, time) }, guessed(judgement, cut, time));
    },
    giveBack: (cut: Moving) => send({ ...edits, pins: givenBack(pins, cut) }),
    undo:
      last &&
      (() =>
        change.mutate(
          { version: judgement.planVersion, edits: last },
          { onSuccess: () => setBefore((list) => list.slice(0, -1)) },
        )),
    /** What was moved last, to be moved again when somebody else was quicker. */
    tried,
    /** Whether theirs is still on its way: a change made before would be refused once more. */
    reading,
    busy: change.isPending,
    error: change.error,
  };
}

export type PlanEdits = ReturnType<typeof usePlanEdits>;
