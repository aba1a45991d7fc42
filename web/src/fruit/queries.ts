import { useQuery } from '@tanstack/react-query';
import { api, unwrap } from '../api/client';
import { useChange } from '../api/useChange';

export const useFruit = (treeId: number) =>
  useQuery({
    queryKey: ['fruit', treeId],
    queryFn: async () => unwrap(await api.GET('/api/trees/{treeId}/fruit', { params: { path: { treeId } } })),
  });

/** Takes a year's fruit back; what it was stays in the tree's history. */
export const useTakeFruitBack = (treeId: number) =>
  useChange(async ({ year, version }: { year: number; version: number }) =>
    unwrap(
      await api.DELETE('/api/trees/{treeId}/fruit/{year}', {
        params: { path: { treeId, year }, query: { version } },
      }),
    ),
  );

/** What a tree may carry of what was counted on it, and why it bore little. */
export const useCrop = (treeId: number, counted: number | undefined) =>
  useQuery({
    queryKey: ['crop', treeId, counted],
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap(await api.GET('/api/trees/{treeId}/crop', { params: { path: { treeId }, query: { counted } } })),
  });

/** Keeps what was counted on a tree this year, to be held against what is picked. */
export const useKeepCount = (treeId: number) =>
  useChange(async (counted: number) =>
    unwrap(await api.PUT('/api/trees/{treeId}/crop', { params: { path: { treeId } }, body: { counted } })),
  );

/** Lets go of what was counted in a year. */
export const useDropCount = (treeId: number) =>
  useChange(async (year: number) =>
    unwrap(await api.DELETE('/api/trees/{treeId}/crop/{year}', { params: { path: { treeId, year } } })),
  );

/** How many fruits to leave on each tree of a site whose fruit is thinned. */
export const useThinning = (siteId: number) =>
  useQuery({
    queryKey: ['thinning', siteId],
    queryFn: async () =>
      unwrap(await api.GET('/api/sites/{siteId}/thinning', { params: { path: { siteId } } })),
  });

export const useUnpick = (treeId: number) =>
  useChange(async (pickingId: number) =>
    unwrap(
      await api.DELETE('/api/trees/{treeId}/fruit/pickings/{pickingId}', {
        params: { path: { treeId, pickingId } },
      }),
    ),
  );

/** Takes a table of fruit in; nothing of it where a row has anything wrong. */
export const useTakeTableIn = (siteId: number) =>
  useChange(async (text: string) =>
    unwrap(
      await api.POST('/api/sites/{siteId}/fruit.csv', {
        params: { path: { siteId } },
        body: text,
        bodySerializer: (body) => body,
        headers: { 'Content-Type': 'text/csv' },
      }),
    ),
  );
