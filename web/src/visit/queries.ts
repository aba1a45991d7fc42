import { useQuery } from '@tanstack/react-query';
import { api, type LogData, type ReportData, unwrap } from '../api/client';
import { useChange } from '../api/useChange';

export const useVisitSheet = (visitId: number) =>
  useQuery({
    queryKey: ['visit-sheet', visitId],
    queryFn: async () =>
      unwrap(await api.GET('/api/visits/{visitId}/sheet', { params: { path: { visitId } } })),
    refetchOnWindowFocus: false,
  });

export const useLogs = (treeId: number | undefined) =>
  useQuery({
    queryKey: ['logs', treeId],
    enabled: treeId !== undefined,
    queryFn: async () =>
      unwrap(await api.GET('/api/trees/{treeId}/logs', { params: { path: { treeId: treeId! } } })),
  });

/** The first log of a visit, or the correction of one. */
export const useSendLog = (visitId: number, corrects?: number) =>
  useChange(async (body: LogData) =>
    unwrap(
      corrects === undefined
        ? await api.POST('/api/visits/{visitId}/log', { params: { path: { visitId } }, body })
        : await api.POST('/api/logs/{logId}/correction', { params: { path: { logId: corrects } }, body }),
    ),
  );

/** A visit made on the spot, so that it can be logged. */
export const useAddVisit = (treeId: number) =>
  useChange(async () =>
    unwrap(await api.POST('/api/trees/{treeId}/visits', { params: { path: { treeId } }, body: {} })),
  );

export const useAddReport = (treeId: number) =>
  useChange(async (body: ReportData) =>
    unwrap(await api.POST('/api/trees/{treeId}/reports', { params: { path: { treeId } }, body })),
  );

export const useDealtWith = (reportId: number) =>
  useChange(async (body: { version: number; how: string }) =>
    unwrap(await api.PUT('/api/reports/{reportId}/dealt', { params: { path: { reportId } }, body })),
  );
