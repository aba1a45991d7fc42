import { queryOptions, useQuery } from '@tanstack/react-query';
import { api, Problem, unwrap } from '../api/client';
import { useChange } from '../api/useChange';

export const seasonQuery = (siteId: number) =>
  queryOptions({
    queryKey: ['season', siteId],
    queryFn: async () =>
      unwrap(await api.GET('/api/sites/{siteId}/season', { params: { path: { siteId } } })),
  });
export const useSeason = (siteId: number) => useQuery(seasonQuery(siteId));

export const useKind = (siteId: number, species: string) =>
  useQuery({
    queryKey: ['season', siteId, species],
    queryFn: async () =>
      unwrap(await api.GET('/api/sites/{siteId}/kinds/{species}', { params: { path: { siteId, species } } })),
  });

/** Whether a sort of cut may be made on a day, of one tree or of a kind at a site. */
export const useMayCut = (
  of: { treeId: number } | { siteId: number; species: string },
  on: string,
  sort: string,
) =>
  useQuery({
    queryKey: ['may-cut', of, on, sort],
    enabled: on !== '',
    queryFn: async () =>
      unwrap(
        'treeId' in of
          ? await api.GET('/api/trees/{treeId}/season', { params: { path: of, query: { on, sort } } })
          : await api.GET('/api/sites/{siteId}/kinds/{species}/may-cut', {
              params: { path: of, query: { on, sort } },
            }),
      ),
    placeholderData: (before) => before,
  });

export const useWeather = (siteId: number) =>
  useQuery({
    queryKey: ['weather', siteId],
    queryFn: async () =>
      unwrap(await api.GET('/api/sites/{siteId}/weather', { params: { path: { siteId } } })),
  });

export const useCare = (siteId: number) =>
  useQuery({
    queryKey: ['care', siteId],
    queryFn: async () => unwrap(await api.GET('/api/sites/{siteId}/care', { params: { path: { siteId } } })),
  });

export const useDidCare = (siteId: number) =>
  useChange(async (body: { task: string; species?: string; year: number; on: string; note?: string }) =>
    unwrap(await api.POST('/api/sites/{siteId}/care', { params: { path: { siteId } }, body })),
  );

export const useNotDoneCare = () =>
  useChange(async (id: number) => unwrap(await api.DELETE('/api/care/{id}', { params: { path: { id } } })));

export const useTakeBackSighting = (siteId: number) =>
  useChange(
    async (id: number) => unwrap(await api.DELETE('/api/sightings/{id}', { params: { path: { id } } })),
    siteId,
  );

export const useSendWeather = (siteId: number) =>
  useChange(async (table: string) => {
    const answer = await api.POST('/api/sites/{siteId}/weather', {
      params: { path: { siteId } },
      body: table as never,
      bodySerializer: (body: unknown) => body as string,
      headers: { 'Content-Type': 'text/csv' },
    });
    return unwrap(answer);
  });

/** What is wrong in a table, line by line. */
export const wrongLines = (error: unknown) =>
  error instanceof Problem
    ? error.errors.map((one) => {
        const [, , line, column] = one.pointer.split('/');
        return 'Line ' + line + ', ' + column + ': ' + one.detail;
      })
    : [];

/** Whether there is an address of one's own by which a calendar program follows a site. */
export const useCalendarLink = (siteId: number) =>
  useQuery({
    queryKey: ['calendar-link', siteId],
    queryFn: async () =>
      unwrap(await api.GET('/api/sites/{siteId}/calendar-link', { params: { path: { siteId } } })),
  });

export const useMakeCalendarLink = (siteId: number) =>
  useChange(async () =>
    unwrap(await api.POST('/api/sites/{siteId}/calendar-link', { params: { path: { siteId } } })),
  );

export const useEndCalendarLink = (siteId: number) =>
  useChange(async () =>
    unwrap(await api.DELETE('/api/sites/{siteId}/calendar-link', { params: { path: { siteId } } })),
  );
