import { useQuery } from '@tanstack/react-query';
import { api, unwrap } from '../api/client';
import { useChange } from '../api/useChange';

/** What the records of a site answer, of one kind or group alone where one is named. */
export const useAnswer = (siteId: number, kind?: string, group?: string) =>
  useQuery({
    queryKey: ['answer', siteId, kind, group],
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap(
        await api.GET('/api/sites/{siteId}/answer', {
          params: { path: { siteId }, query: { kind, group } },
        }),
      ),
  });

/** Has the site go by a number its own records teach, of one kind alone where that is named. */
export const useAccept = (siteId: number) =>
  useChange(
    async (body: { figure: string; kind?: string }) =>
      unwrap(await api.POST('/api/sites/{siteId}/learned', { params: { path: { siteId } }, body })),
    siteId,
  );

/** Has the site go by whatever its records teach, or only by what somebody takes over. */
export const useAlways = (siteId: number) =>
  useChange(
    async (always: boolean) =>
      unwrap(
        await api.PUT('/api/sites/{siteId}/learned', { params: { path: { siteId } }, body: { always } }),
      ),
    siteId,
  );
