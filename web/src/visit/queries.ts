import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, unwrap } from '../api/client';
import { randomKey } from '../field/outbox';
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

/** A visit made on the spot, so that it can be logged. */
export const useAddVisit = (treeId: number) => {
  const [key] = useState(randomKey);
  // Pressed twice, or sent again on a weak signal, it is one visit.
  return useChange(async () =>
    unwrap(
      await api.POST('/api/trees/{treeId}/visits', {
        params: { path: { treeId }, header: { 'Idempotency-Key': key } },
        body: {},
      }),
    ),
  );
};

export const useDealtWith = (reportId: number) =>
  useChange(async (body: { version: number; how: string }) =>
    unwrap(await api.PUT('/api/reports/{reportId}/dealt', { params: { path: { reportId } }, body })),
  );
