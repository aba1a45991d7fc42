import { type Role, useMay } from '../api/me';

/** What only these may do at a site: for all others it is not there. The server decides by itself. */
export function May({
  siteId,
  roles,
  children,
}: {
  siteId: number;
  roles: Role[];
  children: React.ReactNode;
}) {
  return useMay(siteId, ...roles) ? children : null;
}

/** Those who decide on a site, those who lead work there too, and those who may walk trees. */
export const DECIDE: Role[] = ['coordinator'];
export const LEAD: Role[] = ['coordinator', 'leader'];
export const HELP: Role[] = ['coordinator', 'leader', 'volunteer'];
