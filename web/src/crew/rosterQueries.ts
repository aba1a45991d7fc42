import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type CrewsOfDay, unwrap } from '../api/client';
import { useChange } from '../api/useChange';

const LOOK_EVERY_MS = 500;

/** What a day is proposed to be filled with; asked again while it is being bettered. */
export const useProposal = (dayId: number) =>
  useQuery({
    queryKey: ['day-proposal', dayId],
    queryFn: async () => unwrap(await api.GET('/api/days/{dayId}/roster', { params: { path: { dayId } } })),
    refetchInterval: (query) => (query.state.data?.looking ? LOOK_EVERY_MS : false),
  });

export const usePropose = (dayId: number) =>
  useChange(async () => unwrap(await api.POST('/api/days/{dayId}/roster', { params: { path: { dayId } } })));

export const useStopProposing = (dayId: number) =>
  useChange(async () =>
    unwrap(await api.POST('/api/days/{dayId}/roster/stop', { params: { path: { dayId } } })),
  );

export const useThrowProposalAway = (dayId: number) =>
  useChange(async () =>
    unwrap(await api.DELETE('/api/days/{dayId}/roster', { params: { path: { dayId } } })),
  );

/** The crews of a day over its hours. */
export const useCrewBoard = (dayId: number) =>
  useQuery({
    queryKey: ['crews', dayId],
    queryFn: async () => unwrap(await api.GET('/api/days/{dayId}/crews', { params: { path: { dayId } } })),
  });

/** Lays all crews of a day out anew. */
export const useLayCrews = (dayId: number) => {
  const queries = useQueryClient();
  return useChange(async (body: { version: number; crews: { people: number[]; turns: string[] }[] }) => {
    const now: CrewsOfDay = unwrap(
      await api.PUT('/api/days/{dayId}/crews', { params: { path: { dayId } }, body }),
    );
    queries.setQueryData(['crews', dayId], now);
    return now;
  });
};

/** What the days to come are proposed to be filled with together. */
export const useSeasonProposal = (siteId: number) =>
  useQuery({
    queryKey: ['season-proposal', siteId],
    queryFn: async () =>
      unwrap(await api.GET('/api/sites/{siteId}/roster', { params: { path: { siteId } } })),
    refetchInterval: (query) => (query.state.data?.looking ? LOOK_EVERY_MS : false),
  });

/** What can be done with it. */
export const useSeasonAction = (siteId: number) =>
  useChange(async (action: 'propose' | 'stop' | 'take-over' | 'throw-away') => {
    const path = { params: { path: { siteId } } };
    switch (action) {
      case 'propose':
        return unwrap(await api.POST('/api/sites/{siteId}/roster', path));
      case 'stop':
        return unwrap(await api.POST('/api/sites/{siteId}/roster/stop', path));
      case 'take-over':
        return unwrap(await api.POST('/api/sites/{siteId}/roster/taken', path));
      case 'throw-away':
        return unwrap(await api.DELETE('/api/sites/{siteId}/roster', path));
    }
  });
