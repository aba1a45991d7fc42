import { useQuery } from '@tanstack/react-query';
import { api, type FruitData, unwrap } from '../api/client';
import { useChange } from '../api/useChange';

export const useFruit = (treeId: number) =>
  useQuery({
    queryKey: ['fruit', treeId],
    queryFn: async () => unwrap(await api.GET('/api/trees/{treeId}/fruit', { params: { path: { treeId } } })),
  });

export const useKeepFruit = (treeId: number) =>
  useChange(async ({ year, ...body }: { year: number; version: number; data: FruitData }) =>
    unwrap(await api.PUT('/api/trees/{treeId}/fruit/{year}', { params: { path: { treeId, year } }, body })),
  );
