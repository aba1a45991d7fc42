import { useQuery } from '@tanstack/react-query';
import { api, type DayData, unwrap } from '../api/client';
import { useChange } from '../api/useChange';

const ASK_AGAIN_MS = 30_000;

export const useDays = (siteId: number) =>
  useQuery({
    queryKey: ['days', siteId],
    queryFn: async () => unwrap(await api.GET('/api/sites/{siteId}/days', { params: { path: { siteId } } })),
  });

export const useDay = (dayId: number) =>
  useQuery({
    queryKey: ['day', dayId],
    queryFn: async () => unwrap(await api.GET('/api/days/{dayId}', { params: { path: { dayId } } })),
  });

/** What was noted of a day as a whole. */
export const useDayNotes = (dayId: number) =>
  useQuery({
    queryKey: ['day-notes', dayId],
    queryFn: async () => unwrap(await api.GET('/api/days/{dayId}/notes', { params: { path: { dayId } } })),
  });

export const useCandidates = (dayId: number) =>
  useQuery({
    queryKey: ['candidates', dayId],
    queryFn: async () =>
      unwrap(await api.GET('/api/days/{dayId}/candidates', { params: { path: { dayId } } })),
  });

export const useSheet = (dayId: number) =>
  useQuery({
    queryKey: ['sheet', dayId],
    queryFn: async () => unwrap(await api.GET('/api/days/{dayId}/sheet', { params: { path: { dayId } } })),
  });

export const useAddDay = (siteId: number) =>
  useChange(async (body: DayData) =>
    unwrap(await api.POST('/api/sites/{siteId}/days', { params: { path: { siteId } }, body })),
  );

/** Everything that can be done to a day; each carries the day's version. */
export type DayAction =
  | { do: 'change'; data: DayData }
  | { do: 'people'; people: number[] }
  | {
      do: 'put-on';
      treeId: number;
      cuts?: { limb: string; kind: string }[];
      shoots?: number;
      upkeep?: boolean;
    }
  | { do: 'give'; visitId: number; people: number[] }
  | { do: 'shift'; visitId: number; by: number }
  | { do: 'look-again'; visitId: number }
  | { do: 'take-off'; visitId: number }
  | { do: 'take-over'; crews: number[] }
  | { do: 'call-off' }
  | { do: 'confirm' }
  | { do: 'reopen' };

export const useDayAction = (dayId: number, version: number) =>
  useChange(async (action: DayAction) => {
    const path = { params: { path: { dayId } } };
    const visit = (visitId: number) => ({ params: { path: { visitId } } });
    switch (action.do) {
      case 'change':
        return unwrap(await api.PUT('/api/days/{dayId}', { ...path, body: { version, data: action.data } }));
      case 'people':
        return unwrap(
          await api.PUT('/api/days/{dayId}/people', { ...path, body: { version, people: action.people } }),
        );
      case 'put-on':
        return unwrap(
          await api.POST('/api/days/{dayId}/visits', {
            ...path,
            body: {
              version,
              treeId: action.treeId,
              cuts: action.cuts,
              shoots: action.shoots,
              upkeep: action.upkeep,
            },
          }),
        );
      case 'give':
        return unwrap(
          await api.PUT('/api/visits/{visitId}/people', {
            ...visit(action.visitId),
            body: { version, people: action.people },
          }),
        );
      case 'shift':
        return unwrap(
          await api.PUT('/api/visits/{visitId}/place', {
            ...visit(action.visitId),
            body: { version, by: action.by },
          }),
        );
      case 'look-again':
        return unwrap(
          await api.POST('/api/visits/{visitId}/look-again', {
            ...visit(action.visitId),
            body: { version },
          }),
        );
      case 'take-off':
        return unwrap(
          await api.DELETE('/api/visits/{visitId}', {
            params: { path: { visitId: action.visitId }, query: { version } },
          }),
        );
      case 'take-over':
        return unwrap(
          await api.POST('/api/days/{dayId}/roster/taken', {
            ...path,
            body: { version, crews: action.crews },
          }),
        );
      case 'confirm':
        return unwrap(await api.POST('/api/days/{dayId}/confirm', { ...path, body: { version } }));
      case 'call-off':
        return unwrap(await api.POST('/api/days/{dayId}/called-off', { ...path, body: { version } }));
      case 'reopen':
        return unwrap(await api.POST('/api/days/{dayId}/reopen', { ...path, body: { version } }));
    }
  });

export const useRainOff = (dayId: number, version: number) =>
  useChange(async (to: string | undefined) =>
    unwrap(
      await api.POST('/api/days/{dayId}/rained-off', { params: { path: { dayId } }, body: { version, to } }),
    ),
  );

/** How everybody on a day is reached. */
export const useDayContacts = (dayId: number) =>
  useQuery({
    queryKey: ['day-contacts', dayId],
    queryFn: async () => unwrap(await api.GET('/api/days/{dayId}/contacts', { params: { path: { dayId } } })),
    gcTime: 0,
  });

export const useAttendance = (dayId: number) =>
  useQuery({
    queryKey: ['attendance', dayId],
    // Another phone may have been quicker.
    refetchOnReconnect: 'always',
    queryFn: async () =>
      unwrap(await api.GET('/api/days/{dayId}/attendance', { params: { path: { dayId } } })),
  });

export const useFirstList = (dayId: number) =>
  useQuery({
    queryKey: ['first-list', dayId],
    // Another phone may have been quicker.
    refetchOnReconnect: 'always',
    queryFn: async () =>
      unwrap(await api.GET('/api/days/{dayId}/first-list', { params: { path: { dayId } } })),
    refetchInterval: (query) => (query.state.data?.answers ? false : ASK_AGAIN_MS),
  });

export const useIncidents = (siteId: number) =>
  useQuery({
    queryKey: ['incidents', siteId],
    queryFn: async () =>
      unwrap(await api.GET('/api/sites/{siteId}/incidents', { params: { path: { siteId } } })),
  });
