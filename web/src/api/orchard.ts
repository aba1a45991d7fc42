import { infiniteQueryOptions, queryOptions, useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { api, type SiteData, type TreeData, unwrap } from './client';
import { useChange } from './useChange';

export const sitesQuery = queryOptions({
  queryKey: ['sites'],
  queryFn: async () => unwrap(await api.GET('/api/sites')),
});
export const useSites = () => useQuery(sitesQuery);

export const siteQuery = (siteId: number) =>
  queryOptions({
    queryKey: ['sites', siteId],
    queryFn: async () => unwrap(await api.GET('/api/sites/{siteId}', { params: { path: { siteId } } })),
  });
export const useSite = (siteId: number) => useQuery(siteQuery(siteId));

export interface TreeFilter {
  q: string;
  species: string;
  triage: string;
  sort: string;
}

/** As many as are asked for at once. */
const AT_ONCE = 500;

/** Every tree, as the register shows them before anybody looks for some. */
export const ALL_TREES: TreeFilter = { q: '', species: '', triage: '', sort: 'tag' };

export const treesQuery = (siteId: number, filter: TreeFilter) =>
  infiniteQueryOptions({
    queryKey: ['trees', siteId, filter],
    queryFn: async ({ pageParam }) =>
      unwrap(
        await api.GET('/api/sites/{siteId}/trees', {
          params: { path: { siteId }, query: { ...filter, size: AT_ONCE, page: pageParam } },
        }),
      ),
    initialPageParam: 0,
    getNextPageParam: (last) => ((last.page + 1) * last.size < last.total ? last.page + 1 : undefined),
  });

/** The trees of a site that were asked for so far, and how many there are. */
export function useTrees(siteId: number, filter: TreeFilter) {
  const asked = useInfiniteQuery({ ...treesQuery(siteId, filter), placeholderData: (before) => before });
  const pages = asked.data?.pages;
  return {
    error: asked.error,
    trees: pages?.flatMap((page) => page.trees),
    total: pages?.at(-1)?.total ?? 0,
    more: asked.hasNextPage ? () => void asked.fetchNextPage() : undefined,
    asking: asked.isFetchingNextPage,
  };
}

export const treeQuery = (treeId: number) =>
  queryOptions({
    queryKey: ['tree', treeId],
    queryFn: async () => unwrap(await api.GET('/api/trees/{treeId}', { params: { path: { treeId } } })),
  });
export const useTree = (treeId: number) => useQuery(treeQuery(treeId));

export const useAddSite = () =>
  useChange(async (body: SiteData) => unwrap(await api.POST('/api/sites', { body })));

export const useChangeSite = (siteId: number) =>
  useChange(
    async (body: { version: number; data: SiteData }) =>
      unwrap(await api.PUT('/api/sites/{siteId}', { params: { path: { siteId } }, body })),
    siteId,
  );

export const useAddTree = (siteId: number) =>
  useChange(async (body: TreeData) =>
    unwrap(await api.POST('/api/sites/{siteId}/trees', { params: { path: { siteId } }, body })),
  );

export const useChangeTree = (treeId: number) =>
  useChange(async (body: { version: number; data: TreeData }) =>
    unwrap(await api.PUT('/api/trees/{treeId}', { params: { path: { treeId } }, body })),
  );

/** Plants a made-up orchard to play with. */
export const usePlantSample = () => useChange(async () => unwrap(await api.POST('/api/samples')));

/** Throws a sample away, with all that was done in it. */
export const useThrowAway = () =>
  useChange(async (siteId: number) =>
    unwrap(await api.DELETE('/api/samples/{siteId}', { params: { path: { siteId } } })),
  );

export const useAddArchive = () =>
  useChange(async (file: File) =>
    unwrap(
      await api.POST('/api/archives', {
        // As it lies there: the server says what is wrong with it, and with which line.
        body: file as never,
        bodySerializer: (body: unknown) => body as Blob,
        headers: { 'Content-Type': file.name.endsWith('.zip') ? 'application/zip' : 'application/json' },
      }),
    ),
  );
