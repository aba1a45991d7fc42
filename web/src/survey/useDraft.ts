import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { currentPersonId } from '../api/client';
import { type Begun, bringDraft, findDraft, type KeptDraft, type TwoDrafts } from '../field/drafts';
import { draftServer, keep as keepForServer, sendAll } from '../field/phone';
import { store } from '../field/store';
import { thrownAwayItem } from '../field/items';
import type { Started } from './draft';
import type { At, Draft } from '../field/kept';
import { heldOf, hold, letGo } from './lastBreath';

const SETTLE_MS = 700;

/** kept: here and on the server; on this phone: here, the server has yet to hear of it. */
export type Kept = 'nothing yet' | 'keeping' | 'kept' | 'on this phone' | 'not kept';

/**
 * The draft of a walk. Every change is written to the phone as it is made, and brought to the server when it can be
 * reached, one change after another. It stays on the phone until its survey is sent.
 */
export function useDraft(begun: Omit<Begun, 'person'>, first: () => Started) {
  const { treeId } = begun;
  const [start] = useState(() => ({ ...begun, person: currentPersonId(), ...first() }));
  const found = useQuery({
    queryKey: ['draft', treeId],
    queryFn: async () => {
      const held = heldOf(treeId);
      if (held) {
        await store.changeDraft(treeId, (now) =>
          held.enteredAt > (now?.enteredAt ?? 0)
            ? { ...(now ?? { ...start, version: 0 }), ...held, changed: true }
            : undefined,
        );
        letGo(treeId);
      }
      return findDraft(store, draftServer, start);
    },
    // Found once: what is entered since is newer than anything that could be found again.
    staleTime: 'static',
    gcTime: 0,
    refetchInterval: false,
  });
  const [draft, setDraft] = useState<Draft>();
  const [kept, setKept] = useState<Kept>('nothing yet');
  const [two, setTwo] = useState<TwoDrafts>();
  const newest = useRef<Draft>(undefined);
  const writing = useRef(Promise.resolve());
  const writes = useRef(0);
  const timer = useRef<number>(undefined);
  const gone = useRef(false);

  if (found.data && !draft) {
    setDraft((found.data.kept ?? found.data.two?.here)?.draft ?? start.draft);
    setTwo(found.data.two);
    if (found.data.kept) setKept(found.data.kept.changed ? 'on this phone' : 'kept');
  }
  // Only what was found; what is entered is newer than anything that was shown before it.
  useEffect(() => {
    newest.current ??= draft;
  }, [draft]);

  const bring = useCallback(async () => {
    const brought = await bringDraft(store, draftServer, treeId).catch(() => undefined);
    if (gone.current) return;
    if (brought?.two) setTwo(brought.two);
    else if (brought?.kept && !brought.kept.changed) setKept('kept');
  }, [treeId]);

  const soon = useCallback(() => {
    window.clearTimeout(timer.current);
    timer.current = window.setTimeout(() => void bring(), SETTLE_MS);
  }, [bring]);

  // What was entered without signal goes when it is back, and what was left behind on the phone at the start.
  useEffect(() => {
    gone.current = false;
    if (found.data?.kept?.changed) soon();
    window.addEventListener('online', soon);
    return () => {
      gone.current = true;
      window.clearTimeout(timer.current);
      window.removeEventListener('online', soon);
    };
  }, [found.data, soon]);

  const write = useCallback(
    (next: Draft) => {
      const enteredAt = Date.now();
      const mine = ++writes.current;
      // What was entered meanwhile is not kept yet.
      const say = (how: Kept) => {
        if (mine === writes.current) setKept(how);
      };
      const fresh: KeptDraft = { ...start, draft: next, version: 0, changed: true };
      hold(treeId, next, enteredAt);
      writing.current = writing.current
        .then(() =>
          store.changeDraft(treeId, (now) => ({
            ...(now ?? fresh),
            person: now?.person ?? currentPersonId(),
            draft: next,
            changed: true,
            enteredAt,
          })),
        )
        .then(() => letGo(treeId, enteredAt))
        .then(
          () => {
            say('on this phone');
            soon();
          },
          () => say('not kept'),
        );
    },
    [start, treeId, soon],
  );

  const change = useCallback(
    (make: (now: Draft) => Draft) => {
      const now = newest.current;
      if (!now) return;
      const next = make(now);
      if (next === now) return;
      newest.current = next;
      setDraft(next);
      setKept('keeping');
      write(next);
    },
    [write],
  );

  /** Notes where in the walk one is; a walk of which nothing was entered yet is not kept for that. */
  const place = useCallback(
    (at: At) => {
      if (newest.current) newest.current = { ...newest.current, 'x-at': at };
      writing.current = writing.current.then(() =>
        store
          .changeDraft(treeId, (now) => now && { ...now, draft: { ...now.draft, 'x-at': at } })
          .catch(() => undefined),
      );
    },
    [treeId],
  );

  /** Lets go of the draft here; with a word to the server where it is not a survey that takes its place. */
  const drop = useCallback(
    async (thrownAway: boolean) => {
      window.clearTimeout(timer.current);
      await writing.current;
      const now = await store.draft(treeId);
      if (thrownAway && now)
        await keepForServer(
          thrownAwayItem({ ...start, person: now.person ?? start.person }),
          (other) => other.kind === 'thrown-away' && other.treeId === treeId,
        );
      await store.dropDraft(treeId);
      letGo(treeId);
      if (thrownAway) void sendAll().catch(() => undefined);
      setKept('nothing yet');
    },
    [start, treeId],
  );

  /** Goes on with one of two drafts. */
  const choose = useCallback(
    async (mine: boolean) => {
      if (!two) return;
      const { there } = two;
      await store.changeDraft(treeId, (now) =>
        now && mine
          ? { ...now, version: there.version, changed: true }
          : {
              ...(now ?? two.here),
              draft: there.document,
              version: there.version,
              changed: false,
            },
      );
      if (!mine) {
        newest.current = there.document;
        setDraft(there.document);
      }
      setTwo(undefined);
      soon();
    },
    [two, treeId, soon],
  );

  return {
    draft,
    basedOn: (found.data?.kept ?? found.data?.two?.here)?.basedOn ?? start.basedOn,
    change,
    place,
    kept,
    drop,
    two,
    choose,
    error: found.error,
    found: found.data?.kept ?? found.data?.two?.here,
  };
}
