import { useQuery } from '@tanstack/react-query';
import { api, type RemovalData, type TreeData, unwrap, type WoundData } from '../api/client';
import { useChange } from '../api/useChange';

export const useRemovals = (siteId: number) =>
  useQuery({
    queryKey: ['removals', siteId],
    queryFn: async () =>
      unwrap(await api.GET('/api/sites/{siteId}/removals', { params: { path: { siteId } } })),
  });

export const useRemove = (treeId: number) =>
  useChange(async (body: { version: number; data: RemovalData }) =>
    unwrap(await api.PUT('/api/trees/{treeId}/removal', { params: { path: { treeId } }, body })),
  );

export const useStandsAfterAll = (treeId: number) =>
  useChange(async (version: number) =>
    unwrap(
      await api.DELETE('/api/trees/{treeId}/removal', { params: { path: { treeId }, query: { version } } }),
    ),
  );

export const useWood = (treeId: number, wanted = true) =>
  useQuery({
    queryKey: ['wood', 'tree', treeId],
    enabled: wanted,
    queryFn: async () => unwrap(await api.GET('/api/trees/{treeId}/wood', { params: { path: { treeId } } })),
  });

/** Grades of the trees of a site, asked for where they are shown. */
export const useSiteWood = (siteId: number, wanted = true) =>
  useQuery({
    queryKey: ['wood', 'site', siteId],
    enabled: wanted,
    queryFn: async () => unwrap(await api.GET('/api/sites/{siteId}/wood', { params: { path: { siteId } } })),
  });

export const useOpenWounds = (siteId: number) =>
  useQuery({
    queryKey: ['wood', 'looks', siteId],
    queryFn: async () => unwrap(await api.GET('/api/sites/{siteId}/looks', { params: { path: { siteId } } })),
  });

/** Diseases of a site at the end of a year; those of the year before stay until the next are there. */
export const useDiseases = (siteId: number, year: number | undefined, wanted = true) =>
  useQuery({
    queryKey: ['wood', 'disease', siteId, year],
    enabled: wanted,
    placeholderData: (before) => before,
    queryFn: async () =>
      unwrap(await api.GET('/api/sites/{siteId}/disease', { params: { path: { siteId }, query: { year } } })),
  });

export const useCameOff = (siteId: number) =>
  useQuery({
    queryKey: ['wood', 'off', siteId],
    queryFn: async () =>
      unwrap(await api.GET('/api/sites/{siteId}/came-off', { params: { path: { siteId } } })),
  });

export const usePiles = (siteId: number) =>
  useQuery({
    queryKey: ['wood', 'piles', siteId],
    queryFn: async () => unwrap(await api.GET('/api/sites/{siteId}/piles', { params: { path: { siteId } } })),
  });

export const useFindWound = (treeId: number) =>
  useChange(async (body: WoundData) =>
    unwrap(await api.POST('/api/trees/{treeId}/wounds', { params: { path: { treeId } }, body })),
  );

/** Takes back what was entered by mistake: a wound that was found, a look, something seen of a disease. */
export const useTakeBack = (treeId: number) =>
  useChange(
    async (what: { wound: string } | { look: string; on: string } | { disease: string; on: string }) => {
      if ('look' in what)
        return unwrap(
          await api.DELETE('/api/trees/{treeId}/looks', {
            params: { path: { treeId }, query: { wound: what.look, on: what.on } },
          }),
        );
      if ('disease' in what)
        return unwrap(
          await api.DELETE('/api/trees/{treeId}/disease', {
            params: { path: { treeId }, query: { disease: what.disease, on: what.on } },
          }),
        );
      return unwrap(
        await api.DELETE('/api/trees/{treeId}/wounds/{name}', {
          params: { path: { treeId, name: what.wound } },
        }),
      );
    },
  );

/** A new tree where one was taken out. */
export const useReplace = (treeId: number) =>
  useChange(async (body: TreeData) =>
    unwrap(await api.POST('/api/trees/{treeId}/replacement', { params: { path: { treeId } }, body })),
  );
