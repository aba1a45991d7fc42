import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type Judging, unwrap } from '../api/client';

const LOOK_WHILE_JUDGED_MS = 700;
const LOOK_ELSE_MS = 30_000;

/** How far a site's trees are judged; once all are, whatever shows anywhere is asked for anew. */
export function useJudging(siteId: number) {
  const queries = useQueryClient();
  const queryKey = ['judging', siteId];
  return useQuery({
    queryKey,
    queryFn: async () => {
      const now = unwrap(await api.GET('/api/sites/{siteId}/judging', { params: { path: { siteId } } }));
      const before = queries.getQueryData<Judging>(queryKey);
      if (before && before.waiting > 0 && now.waiting === 0) {
        void queries.invalidateQueries({ predicate: (query) => query.queryKey[0] !== 'judging' });
      }
      return now;
    },
    refetchInterval: (query) => (query.state.data?.waiting ? LOOK_WHILE_JUDGED_MS : LOOK_ELSE_MS),
    retry: false,
  });
}
