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

/** Changes one of them, of one kind alone where that is named, or puts back what stood in its place. */
export const useChangeFigure = (siteId: number) =>
  useChange(
    async ({
      one,
      kind,
      to,
    }: {
      one: FigureView;
      kind?: string;
      to: { value: number; note?: string } | null;
    }) => {
      const path = { siteId, figure: one.figure };
      const version = changedOf(one, kind)?.version ?? 0;
      return unwrap(
        to
          ? await api.PUT('/api/sites/{siteId}/figures/{figure}', {
              params: { path, query: { kind } },
              body: { version, ...to },
            })
          : await api.DELETE('/api/sites/{siteId}/figures/{figure}', {
              params: { path, query: { kind, version } },
            }),
      );
    },
    siteId,
  );

/** What the site goes by instead of a number, for all its trees or for a kind. */
export const changedOf = (one: FigureView, kind?: string) =>
  kind ? one.kinds.find((other) => other.kind === kind)?.changed : (one.changed ?? undefined);
