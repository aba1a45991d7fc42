import { useInfiniteQuery, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, unwrap } from '../api/client';
import { useChange } from '../api/useChange';

/** Who was asked to come on a day, and what they said. */
export const useAskedPeople = (dayId: number) =>
  useQuery({
    queryKey: ['asked', dayId],
    queryFn: async () =>
      unwrap(await api.GET('/api/days/{dayId}/invitations', { params: { path: { dayId } } })),
  });

export const useAskPeople = (dayId: number) =>
  useChange(async (people: number[]) =>
    unwrap(
      await api.POST('/api/days/{dayId}/invitations', { params: { path: { dayId } }, body: { people } }),
    ),
  );

/** Tells everybody who comes their crew and trees, where they were not told so yet. */
export const useTellCrews = (dayId: number) =>
  useChange(async () => unwrap(await api.POST('/api/days/{dayId}/told', { params: { path: { dayId } } })));

/** The outbox, the newest first. */
export const useLetters = (siteId: number) =>
  useInfiniteQuery({
    queryKey: ['letters', siteId],
    initialPageParam: undefined as number | undefined,
    queryFn: async ({ pageParam }) =>
      unwrap(
        await api.GET('/api/sites/{siteId}/letters', {
          params: { path: { siteId }, query: { before: pageParam } },
        }),
      ),
    getNextPageParam: (last) => (last.length < AT_A_TIME ? undefined : last.at(-1)?.id),
  });

const AT_A_TIME = 50;

/** A day as its secret address shows it. */
export const useComing = (token: string) =>
  useQuery({
    queryKey: ['coming', token],
    queryFn: async () => unwrap(await api.POST('/api/comings/look', { body: { token } })),
    retry: false,
  });

export function useAnswerComing() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (body: {
      token: string;
      answer: string;
      from?: string;
      until?: string;
      remark?: string;
    }) => unwrap(await api.POST('/api/comings/answer', { body })),
    onSuccess: (now, { token }) => queries.setQueryData(['coming', token], now),
  });
}
