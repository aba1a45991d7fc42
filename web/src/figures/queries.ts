import { useQuery } from '@tanstack/react-query';
import { api, type FigureView, unwrap } from '../api/client';
import { useChange } from '../api/useChange';

/** The numbers the rules go by at a site. */
export const useFigures = (siteId: number) =>
  useQuery({
    queryKey: ['figures', siteId],
    queryFn: async () =>
      unwrap(await api.GET('/api/sites/{siteId}/figures', { params: { path: { siteId } } })),
  });

/** Changes one of them, or puts the shipped one back. */
export const useChangeFigure = (siteId: number) =>
  useChange(async ({ one, to }: { one: FigureView; to: { value: number; note?: string } | null }) => {
    const path = { siteId, figure: one.figure };
    const version = one.changed?.version ?? 0;
    return unwrap(
      to
        ? await api.PUT('/api/sites/{siteId}/figures/{figure}', {
            params: { path },
            body: { version, ...to },
          })
        : await api.DELETE('/api/sites/{siteId}/figures/{figure}', { params: { path, query: { version } } }),
    );
  }, siteId);
