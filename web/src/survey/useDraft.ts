import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { api, Problem, unwrap } from '../api/client';
import type { Draft } from './draft';

const SETTLE_MS = 500;

export type Kept = 'nothing yet' | 'keeping' | 'kept' | 'not kept' | 'newer elsewhere';

/** The person's draft for a tree: loaded once, then kept on the server while typing, one save after another. */
export function useDraft(treeId: number, first: () => Draft) {
  const stored = useQuery({
    queryKey: ['draft', treeId],
    queryFn: async () => unwrap(await api.GET('/api/trees/{treeId}/draft', { params: { path: { treeId } } })),
    staleTime: Infinity,
    gcTime: 0,
    refetchOnWindowFocus: false,
  });
  const [draft, setDraft] = useState<Draft>();
  const [kept, setKept] = useState<Kept>('nothing yet');
  const version = useRef(0);
  const waiting = useRef<Draft>(undefined);
  const saving = useRef(false);

  if (stored.data && !draft) {
    setDraft((stored.data.document as Draft | null) ?? first());
    if (stored.data.document) setKept('kept');
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
      try {
        const answer = unwrap(
          await api.PUT('/api/trees/{treeId}/draft', {
            params: { path: { treeId }, query: { version: version.current } },
            body: document as unknown as Record<string, never>,
          }),
        );
        version.current = answer.version;
        if (!waiting.current) setKept('kept');
      } catch (error) {
        setKept(error instanceof Problem && error.status === 409 ? 'newer elsewhere' : 'not kept');
        break;
      }
    }
    saving.current = false;
  }, [treeId]);

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

  /** Lets go of the draft, here and on the server. */
  const drop = useCallback(async () => {
    window.clearTimeout(timer.current);
    waiting.current = undefined;
    await api.DELETE('/api/trees/{treeId}/draft', { params: { path: { treeId } } });
    version.current = 0;
    setKept('nothing yet');
  }, [treeId]);

  return { draft, change, kept, drop, error: stored.error, hadDraft: !!stored.data?.document };
}
