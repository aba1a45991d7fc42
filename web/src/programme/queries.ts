import { useQuery } from '@tanstack/react-query';
import { api, type ProgrammeHours, unwrap } from '../api/client';
import { useFollowedJob } from '../api/jobs';
import { useChange } from '../api/useChange';

export const useProgramme = (siteId: number) =>
  useQuery({
    queryKey: ['programme', siteId],
    queryFn: async () =>
      unwrap(await api.GET('/api/sites/{siteId}/programme', { params: { path: { siteId } } })),
  });

/** A tree in the programme of its site. */
export const useTreeInProgramme = (treeId: number) =>
  useQuery({
    queryKey: ['programme-tree', treeId],
    queryFn: async () =>
      unwrap(await api.GET('/api/trees/{treeId}/programme', { params: { path: { treeId } } })),
  });

export const useKeepHours = (siteId: number) =>
  useChange(async (hours: ProgrammeHours[]) =>
    unwrap(
      await api.PUT('/api/sites/{siteId}/programme/hours', { params: { path: { siteId } }, body: { hours } }),
    ),
  );

/** Sets the year a tree begins in, or leaves it to the hours. */
export const useSetTree = () =>
  useChange(async ({ treeId, ...body }: { treeId: number; version: number; year?: number }) =>
    unwrap(await api.PUT('/api/trees/{treeId}/programme', { params: { path: { treeId } }, body })),
  );

export const useProgrammeJob = (siteId: number) =>
  useFollowedJob(['programme-job', siteId], async () =>
    unwrap(await api.GET('/api/sites/{siteId}/programme/job', { params: { path: { siteId } } })),
  );

export const useStartProgramme = (siteId: number) =>
  useChange(async () =>
    unwrap(await api.POST('/api/sites/{siteId}/programme/job', { params: { path: { siteId } } })),
  );
