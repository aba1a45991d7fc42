import { useInfiniteQuery, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import {
  api,
  type CrewsOfDay,
  type DayData,
  type PersonData,
  type Task,
  type TaskData,
  unwrap,
} from '../api/client';
import { useChange } from '../api/useChange';

/** Those one shares a site with; of one site those who belong to it. */
export const usePeople = (siteId?: number) =>
  useQuery({
    queryKey: ['people'],
    queryFn: async () => unwrap(await api.GET('/api/people')),
    select: (people) => (siteId === undefined ? people : people.filter((one) => one.sites.includes(siteId))),
  });

export const useAddPerson = (siteId: number) =>
  useChange(async (name: string) => unwrap(await api.POST('/api/people', { body: { siteId, name } })));

/** Who belongs to a site and as what; for its coordinators. */
export const useMembers = (siteId: number) =>
  useQuery({
    queryKey: ['members', siteId],
    queryFn: async () =>
      unwrap(await api.GET('/api/sites/{siteId}/members', { params: { path: { siteId } } })),
  });

export const useChangeMember = (siteId: number, personId: number) =>
  useChange(async (body: { role: string; maySurvey: boolean }) =>
    unwrap(
      await api.PUT('/api/sites/{siteId}/members/{personId}', {
        params: { path: { siteId, personId } },
        body,
      }),
    ),
  );

/** Ends somebody's belonging to a site; what they did stays. */
export const useMemberLeft = (siteId: number, personId: number) =>
  useChange(async () =>
    unwrap(
      await api.DELETE('/api/sites/{siteId}/members/{personId}', { params: { path: { siteId, personId } } }),
    ),
  );

/** Signs a member out on all their phones. */
export const useSignMemberOut = (siteId: number, personId: number) =>
  useChange(async () =>
    unwrap(
      await api.DELETE('/api/sites/{siteId}/members/{personId}/sessions', {
        params: { path: { siteId, personId } },
      }),
    ),
  );

export const useInvite = (siteId: number) =>
  useChange(async (body: { personId: number; kind: string }) =>
    unwrap(await api.POST('/api/sites/{siteId}/invitations', { params: { path: { siteId } }, body })),
  );

/** Forgets somebody for good. */
export const useForget = (personId: number) =>
  useChange(async () =>
    unwrap(await api.POST('/api/people/{personId}/forgotten', { params: { path: { personId } } })),
  );

/** Ways in that were not used yet. */
export const useInvitations = (siteId: number) =>
  useQuery({
    queryKey: ['invitations', siteId],
    queryFn: async () =>
      unwrap(await api.GET('/api/sites/{siteId}/invitations', { params: { path: { siteId } } })),
  });

export const useTakeBackInvitation = () =>
  useChange(async (id: number) =>
    unwrap(await api.DELETE('/api/invitations/{id}', { params: { path: { id } } })),
  );

export const useChangePerson = (personId: number) =>
  useChange(async (body: { version: number; data: PersonData }) =>
    unwrap(await api.PUT('/api/people/{personId}', { params: { path: { personId } }, body })),
  );

/** Takes somebody off the list; what they did stays. */
export const usePersonLeft = (personId: number) =>
  useChange(async (version: number) =>
    unwrap(
      await api.DELETE('/api/people/{personId}', { params: { path: { personId }, query: { version } } }),
    ),
  );

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

/** How somebody is reached. */
export const useContact = (personId: number) =>
  useQuery({
    queryKey: ['contact', personId],
    queryFn: async () =>
      unwrap(await api.GET('/api/people/{personId}/contact', { params: { path: { personId } } })),
    gcTime: 0,
  });

export const useKeepContact = (personId: number) =>
  useChange(async (body: { mail: string; contact: string; emergency: string }) =>
    unwrap(await api.PUT('/api/people/{personId}/contact', { params: { path: { personId } }, body })),
  );

/** How everybody on a day is reached. */
export const useDayContacts = (dayId: number) =>
  useQuery({
    queryKey: ['day-contacts', dayId],
    queryFn: async () => unwrap(await api.GET('/api/days/{dayId}/contacts', { params: { path: { dayId } } })),
    gcTime: 0,
  });

const LOOK_EVERY_MS = 500;
const ASK_AGAIN_MS = 30_000;

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

/** Work besides cuts. */
export const useTasks = (siteId: number) =>
  useQuery({
    queryKey: ['tasks', siteId],
    queryFn: async () => unwrap(await api.GET('/api/sites/{siteId}/tasks', { params: { path: { siteId } } })),
  });

export const useAddTask = (siteId: number) =>
  useChange(async (body: TaskData) =>
    unwrap(await api.POST('/api/sites/{siteId}/tasks', { params: { path: { siteId } }, body })),
  );

/** A task that is kept; one that is only asked for is taken up first. */
async function taken(siteId: number, task: Task): Promise<Task> {
  if (task.id != null) return task;
  return unwrap(
    await api.POST('/api/sites/{siteId}/tasks/taken-up', {
      params: { path: { siteId } },
      body: { key: task.key! },
    }),
  );
}

export type TaskAction =
  | { do: 'done'; task: Task; on: string; note?: string }
  | { do: 'not-done'; task: Task }
  | { do: 'put-on'; task: Task; dayId: number }
  | { do: 'drop'; task: Task };

/** What can be done with a task. */
export const useTaskAction = (siteId: number) =>
  useChange(async (action: TaskAction) => {
    const taskId = (await taken(siteId, action.task)).id!;
    const path = { params: { path: { taskId } } };
    switch (action.do) {
      case 'done':
        return unwrap(
          await api.POST('/api/tasks/{taskId}/done', {
            ...path,
            body: { on: action.on, note: action.note },
          }),
        );
      case 'not-done':
        return unwrap(await api.DELETE('/api/tasks/{taskId}/done', path));
      case 'drop':
        return unwrap(await api.DELETE('/api/tasks/{taskId}', path));
      case 'put-on': {
        const dayPath = { params: { path: { dayId: action.dayId } } };
        const day = unwrap(await api.GET('/api/days/{dayId}', dayPath));
        return unwrap(
          await api.PUT('/api/days/{dayId}/tasks', {
            ...dayPath,
            body: { version: day.version, tasks: [...day.tasks.map((one) => one.id), taskId] },
          }),
        );
      }
    }
  });

/** Which tasks stand on a day. */
export const useTasksOfDay = (dayId: number, version: number) =>
  useChange(async (tasks: number[]) =>
    unwrap(
      await api.PUT('/api/days/{dayId}/tasks', { params: { path: { dayId } }, body: { version, tasks } }),
    ),
  );

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

/** Hours by season and person; one's own where others' are not told. */
export const useHours = (siteId: number, mine: boolean) =>
  useQuery({
    queryKey: ['hours', siteId, mine],
    queryFn: async () =>
      unwrap(
        mine
          ? await api.GET('/api/sites/{siteId}/hours/mine', { params: { path: { siteId } } })
          : await api.GET('/api/sites/{siteId}/hours', { params: { path: { siteId } } }),
      ),
  });
