import { useQuery } from '@tanstack/react-query';
import { api, unwrap } from './client';
import { useChange } from './useChange';

/** One change: what it was before and after. */
export const useWhatChanged = (id: number | undefined) =>
  useQuery({
    queryKey: ['change', id],
    enabled: id !== undefined,
    queryFn: async () => unwrap(await api.GET('/api/changes/{id}', { params: { path: { id: id! } } })),
  });

export const useUndo = () =>
  useChange(async (id: number) =>
    unwrap(await api.POST('/api/changes/{id}/undo', { params: { path: { id } } })),
  );
