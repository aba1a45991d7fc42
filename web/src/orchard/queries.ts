import { useQuery } from '@tanstack/react-query';
import { api, type SiteData, type TreeData, unwrap } from '../api/client';
import { useChange } from '../api/useChange';

export const useSites = () =>
  useQuery({ queryKey: ['sites'], queryFn: async () => unwrap(await api.GET('/api/sites')) });

export const useSite = (siteId: number) =>
  useQuery({
    queryKey: ['sites', siteId],
    queryFn: async () => unwrap(await api.GET('/api/sites/{siteId}', { params: { path: { siteId } } })),
  });

export interface TreeFilter {
  q: string;
  species: string;
  triage: string;
  sort: string;
}

/** As many as the map can show; larger sites are filtered. */
const MOST = 500;

export const useTrees = (siteId: number, filter: TreeFilter) =>
  useQuery({
    queryKey: ['trees', siteId, filter],
    queryFn: async () =>
      unwrap(
        await api.GET('/api/sites/{siteId}/trees', {
          params: { path: { siteId }, query: { ...filter, size: MOST } },
        }),
      ),
    placeholderData: (before) => before,
  });

export const useTree = (treeId: number) =>
  useQuery({
    queryKey: ['tree', treeId],
    queryFn: async () => unwrap(await api.GET('/api/trees/{treeId}', { params: { path: { treeId } } })),
  });

export const useAddSite = () =>
  useChange(async (body: SiteData) => unwrap(await api.POST('/api/sites', { body })));

export const useChangeSite = (siteId: number) =>
  useChange(async (body: { version: number; data: SiteData }) =>
    unwrap(await api.PUT('/api/sites/{siteId}', { params: { path: { siteId } }, body })),
  );

export const useAddTree = (siteId: number) =>
  useChange(async (body: TreeData) =>
    unwrap(await api.POST('/api/sites/{siteId}/trees', { params: { path: { siteId } }, body })),
  );

export const useChangeTree = (treeId: number) =>
  useChange(async (body: { version: number; data: TreeData }) =>
    unwrap(await api.PUT('/api/trees/{treeId}', { params: { path: { treeId } }, body })),
  );

export const useAddArchive = () =>
  useChange(async (file: File) =>
    unwrap(await api.POST('/api/archives', { body: JSON.parse(await file.text()) })),
  );
