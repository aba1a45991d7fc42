import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { api, type Job, unwrap } from './client';
import { useChange } from './useChange';

/** Whether work that takes long waits or is being done. */
export const atWork = (job: Job | null | undefined) => job?.state === 'waiting' || job?.state === 'running';

/** The latest work that takes long; while it runs it is followed by server-sent events. */
export function useFollowedJob(key: readonly [string, number], latestOf: () => Promise<Job[]>) {
  const queries = useQueryClient();
  const [kind, siteId] = key;
  const latest = useQuery({ queryKey: key, queryFn: async () => (await latestOf())[0] ?? null });
  const [seen, setSeen] = useState<Job>();
  const job = seen && seen.id === latest.data?.id ? seen : latest.data;
  const following = atWork(latest.data) ? latest.data?.id : undefined;
  useEffect(() => {
    if (following === undefined) return;
    const events = new EventSource('/api/jobs/' + following + '/progress');
    events.onmessage = (event) => {
      const now = JSON.parse(String(event.data)) as Job;
      setSeen(now);
      if (!atWork(now)) {
        events.close();
        void queries.invalidateQueries();
      }
    };
    events.onerror = () => {
      events.close();
      void queries.invalidateQueries({ queryKey: [kind, siteId] });
    };
    return () => events.close();
  }, [following, queries, kind, siteId]);
  return job;
}

export const useCancelJob = () =>
  useChange(async (jobId: number) =>
    unwrap(await api.POST('/api/jobs/{jobId}/cancel', { params: { path: { jobId } } })),
  );
