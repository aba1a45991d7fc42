import { useQuery } from '@tanstack/react-query';
import { useCallback, useLayoutEffect, useRef, useState } from 'react';
import type { Refusal } from '../field/outbox';
import { store } from '../field/store';
import type { Entry } from '../field/kept';

/** A log being entered: found again where it was left, every change of it written to the phone as it is made. */
export function useEntry(id: string, begin: () => Entry) {
  const found = useQuery({
    queryKey: ['entry', id],
    queryFn: async () => (await store.entry(id)) ?? null,
    // Found once: what is entered since is newer.
    staleTime: 'static',
    gcTime: 0,
    refetchInterval: false,
  });
  const [entry, setEntry] = useState<Entry>();
  const [refusal, setRefusal] = useState<Refusal>();
  const [notKept, setNotKept] = useState(false);
  const writing = useRef(Promise.resolve());
  const newest = useRef<Entry>(undefined);

  // Where the phone keeps nothing the log can still be entered and sent.
  if ((found.isSuccess || found.isError) && !entry) {
    setEntry(found.data?.entry ?? begin());
    setRefusal(found.data?.refusal);
    setNotKept(found.isError);
  }

  useLayoutEffect(() => {
    newest.current = entry;
  }, [entry]);

  const write = useCallback(
    (next: Entry, why?: Refusal) => {
      // Written at once: the store keeps the order by itself, and a page may be left the moment after.
      writing.current = store.keepEntry({ id, entry: next, refusal: why }).then(
        () => setNotKept(false),
        () => setNotKept(true),
      );
    },
    [id],
  );
  /** Several presses may come before the first of them is shown: each goes on from the one before. */
  const change = useCallback(
    (make: (now: Entry) => Partial<Entry>) => {
      const now = newest.current;
      if (!now) return;
      const next = { ...now, ...make(now) };
      newest.current = next;
      setEntry(next);
      write(next, refusal);
    },
    [refusal, write],
  );
  /** What was not taken stands with the entry until it is sent again. */
  const refused = useCallback(
    async (next: Entry, why: Refusal) => {
      setEntry(next);
      setRefusal(why);
      write(next, why);
      await writing.current;
    },
    [write],
  );
  const drop = useCallback(async () => {
    await writing.current;
    await store.dropEntry(id);
  }, [id]);
  return { entry, change, refusal, refused, drop, notKept };
}
