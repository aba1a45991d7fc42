import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type Me, unwrap } from './client';

export type Role = 'coordinator' | 'leader' | 'volunteer' | 'owner';

/** Who is signed in, what they are where, and as whom the demo can be tried. */
export const meQuery = queryOptions({
  queryKey: ['me'],
  queryFn: async () => unwrap(await api.GET('/api/me')),
  staleTime: 60_000,
});
export const useMe = () => useQuery(meQuery);

/** What whoever is signed in is at a site. */
export function useRole(siteId: number | undefined): Role | undefined {
  const places = useMe().data?.signedIn?.places;
  return places?.find((one) => one.siteId === siteId)?.role as Role | undefined;
}

/** Whether whoever is signed in is one of these at a site; only so is a thing offered. The server decides by itself. */
export function useMay(siteId: number | undefined, ...roles: Role[]): boolean {
  const role = useRole(siteId);
  return !!role && roles.includes(role);
}

/** Something by which somebody comes in; all that was asked for before is asked for anew. */
function useEntering<In>(enter: (input: In) => Promise<Me | { personId: number }>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: enter,
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ['me'] });
      await queries.invalidateQueries();
    },
  });
}

export const useSignIn = () =>
  useEntering(async (body: { login: string; password: string }) =>
    unwrap(await api.POST('/api/session', { body })),
  );

export const useBeDemoPerson = () =>
  useEntering(async (name: string) => unwrap(await api.POST('/api/demo/sign-in', { body: { name } })));

export const useAccept = () =>
  useEntering(async (body: { token: string; login?: string; password?: string; asMe: boolean }) =>
    unwrap(await api.POST('/api/invitations/accept', { body })),
  );

export const useBeFirst = () =>
  useEntering(async (body: { token: string; name: string; login: string; password: string }) =>
    unwrap(await api.POST('/api/first-coordinator', { body })),
  );

export const useChangePassword = () =>
  useEntering(async (body: { old?: string; login?: string; password: string }) =>
    unwrap(await api.PUT('/api/me/password', { body })),
  );

export const useForgotten = () =>
  useMutation({
    mutationFn: async (login: string) =>
      unwrap(await api.POST('/api/passwords/forgotten', { body: { login } })),
  });

/** Signs out here, or everywhere. */
export const useSignOut = () =>
  useMutation({
    mutationFn: async (everywhere: boolean) =>
      unwrap(everywhere ? await api.DELETE('/api/me/sessions') : await api.DELETE('/api/session')),
  });
