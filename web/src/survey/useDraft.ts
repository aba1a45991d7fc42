import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { api, Problem, unwrap } from '../api/client';
import { store } from '../field/store';
import type { Draft, Started } from './draft';

const SETTLE_MS = 500;

export type Kept = 'nothing yet' | 'keeping' | 'kept' | 'on this phone' | 'newer elsewhere';

interface Found {
  draft: Draft | null;
  basedOn: number;
  /** 0 while the server keeps none, or cannot be asked. */
  version: number;
}

/** The draft on the phone if the server has not seen it yet, else the server's. */
async function find(treeId: number, basedOn: number): Promise<Found> {
  const here = await store.draft(treeId).catch(() => undefined);
  try {
    const there = unwrap(await api.GET('/api/trees/{treeId}/draft', { params: { path: { treeId } } }));
    const document = there.document as Draft | null;
    return here
      ? { draft: here.draft, basedOn: here.basedOn, version: there.version }
      : { draft: document, basedOn, version: there.version };
  } catch (error) {
    if (!(error instanceof Problem) || error.status !== 0) throw error;
    return { draft: here?.draft ?? null, basedOn: here?.basedOn ?? basedOn, version: 0 };
  }
}

/**
 * The person's draft for a tree: found once, then kept on the phone while typing and on the server whenever it can be
 * reached, one save after another.
 */
export function useDraft(treeId: number, first: () => Started) {
  const [start] = useState(first);
  const stored = useQuery({
    queryKey: ['draft', treeId],
    queryFn: () => find(treeId, start.basedOn),
    staleTime: Infinity,
    gcTime: 0,
    refetchOnWindowFocus: false,
  });
  const [draft, setDraft] = useState<Draft>();
  const [kept, setKept] = useState<Kept>('nothing yet');
  const version = useRef(0);
  const waiting = useRef<Draft>(undefined);
  const saving = useRef(false);
  const basedOn = stored.data?.basedOn ?? start.basedOn;

  if (stored.data && !draft) {
    setDraft(stored.data.draft ?? start.draft);
    if (stored.data.draft) setKept('kept');
  }
  useEffect(() => {
    if (stored.data) version.current = stored.data.version;
  }, [stored.data]);

  const save = useCallback(async () => {
    if (saving.current) return;
    saving.current = true;
    while (waiting.current) {
      const document = waiting.current;
      waiting.current = undefined;
      // On the phone first: what comes after may find no signal, or the page be closed.
      await store.keepDraft({ treeId, draft: document, basedOn }).catch(() => undefined);
      try {
        const answer = unwrap(
          await api.PUT('/api/trees/{treeId}/draft', {
            params: { path: { treeId }, query: { version: version.current } },
            body: document as unknown as Record<string, never>,
          }),
        );
        version.current = answer.version;
        if (!waiting.current) {
          setKept('kept');
          await store.dropDraft(treeId).catch(() => undefined);
        }
      } catch (error) {
        setKept(error instanceof Problem && error.status === 409 ? 'newer elsewhere' : 'on this phone');
        break;
      }
    }
    saving.current = false;
  }, [treeId, basedOn]);

  const timer = useRef<number>(undefined);
  const change = useCallback(
    (make: (now: Draft) => Draft) => {
      setDraft((now) => {
        const next = now && make(now);
        waiting.current = next;
        return next;
      });
      setKept('keeping');
      window.clearTimeout(timer.current);
      timer.current = window.setTimeout(() => void save(), SETTLE_MS);
    },
    [save],
  );

  /** Lets go of the draft, here and, when it can be reached, on the server. */
  const drop = useCallback(async () => {
    window.clearTimeout(timer.current);
    waiting.current = undefined;
    await store.dropDraft(treeId).catch(() => undefined);
    await api.DELETE('/api/trees/{treeId}/draft', { params: { path: { treeId } } }).catch(() => undefined);
    version.current = 0;
    setKept('nothing yet');
  }, [treeId]);

  return { draft, basedOn, change, kept, drop, error: stored.error, hadDraft: !!stored.data?.draft };
}
