import { useQuery } from '@tanstack/react-query';
import { api, unwrap } from '../api/client';
import { useFollowedJob } from '../api/jobs';
import { useChange } from '../api/useChange';

export const useSiteLight = (siteId: number, wanted: boolean) =>
  useQuery({
    queryKey: ['site-light', siteId],
    enabled: wanted,
    queryFn: async () => unwrap(await api.GET('/api/sites/{siteId}/light', { params: { path: { siteId } } })),
  });

/** The latest work on a site's light. */
export const useLightJob = (siteId: number) =>
  useFollowedJob(['light-job', siteId], async () =>
    unwrap(await api.GET('/api/sites/{siteId}/light/job', { params: { path: { siteId } } })),
  );

export const useStartLight = (siteId: number) =>
  useChange(async () =>
    unwrap(await api.POST('/api/sites/{siteId}/light/job', { params: { path: { siteId } } })),
  );
