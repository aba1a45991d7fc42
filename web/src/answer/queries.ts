import { useQuery } from '@tanstack/react-query';
import { api, unwrap } from '../api/client';
import { useChange } from '../api/useChange';

export const useAnswer = (siteId: number) =>
  useQuery({
    queryKey: ['answer', siteId],
    queryFn: async () =>
      unwrap(await api.GET('/api/sites/{siteId}/answer', { params: { path: { siteId } } })),
  });

/** Has the site go by a number its own records teach. */
export const useAccept = (siteId: number) =>
  useChange(async (figure: string) =>
    unwrap(await api.POST('/api/sites/{siteId}/learned', { params: { path: { siteId } }, body: { figure } })),
  );
