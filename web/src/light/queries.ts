import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { api, type Job, unwrap } from '../api/client';
import { useChange } from '../api/useChange';

export const useSiteLight = (siteId: number, wanted: boolean) =>
  useQuery({
    queryKey: ['site-light', siteId],
    enabled: wanted,
    queryFn: async () => unwrap(await api.GET('/api/sites/{siteId}/light', { params: { path: { siteId } } })),
  });

/** The latest work on a site's light; while it runs it is followed by server-sent events. */
export function useLightJob(siteId: number) {
  const queries = useQueryClient();
  const latest = useQuery({
    queryKey: ['light-job', siteId],
    queryFn: async () =>
      unwrap(await api.GET('/api/sites/{siteId}/light/job', { params: { path: { siteId } } }))[0] ?? null,
  });
  const [seen, setSeen] = useState<Job>();
  const job = seen && seen.id === latest.data?.id ? seen : latest.data;
  const following = latest.data?.state === 'running' ? latest.data.id : undefined;
  useEffect(() => {
    if (following === undefined) return;
    const events = new EventSource('/api/jobs/' + following + '/progress');
    events.onmessage = (event) => {
      const now = JSON.parse(String(event.data)) as Job;
      setSeen(now);
      if (now.state !== 'running') {
        events.close();
        void queries.invalidateQueries();
      }
    };
    events.onerror = () => {
      events.close();
      void queries.invalidateQueries({ queryKey: ['light-job', siteId] });
    };
    return () => events.close();
  }, [following, queries, siteId]);
  return job;
}

export const useStartLight = (siteId: number) =>
  useChange(async () =>
    unwrap(await api.POST('/api/sites/{siteId}/light/job', { params: { path: { siteId } } })),
  );

export const useCancelJob = () =>
  useChange(async (jobId: number) =>
    unwrap(await api.POST('/api/jobs/{jobId}/cancel', { params: { path: { jobId } } })),
  );
