import { useQuery } from '@tanstack/react-query';
import { api, type PersonData, unwrap } from '../api/client';
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
