import type { Role } from '../api/me';

type Place = [name: string, at: string];

/** The path of the work, in its order, and the places beside it. */
export const WORK: Place[] = [
  ['Orchard', ''],
  ['Walk', '/walk'],
  ['Plan', '/plan'],
  ['Days', '/days'],
  ['Log', '/log'],
  ['Answer', '/answer'],
  ['Settings', '/settings'],
];

const MINE: Place = ['My page', '/mine'];
const LEADS: Place[] = [MINE, ...WORK.filter(([, at]) => at !== '/settings')];
const HELPS: Place[] = LEADS.filter(([, at]) => at !== '/plan');

/** What of the path somebody's part of the work is. */
export const placesFor = (role: Role | undefined): Place[] =>
  role === 'coordinator'
    ? WORK
    : role === 'leader'
      ? LEADS
      : role === 'volunteer'
        ? HELPS
        : role
          ? [MINE]
          : [];

/** All of it, as a phone lists it. */
export const pathFor = (role: Role | undefined): Place[] =>
  role === 'owner'
    ? [MINE]
    : [
        ['Today', '/today'],
        ...placesFor(role),
        ['Tasks', '/tasks'],
        ['Harvest', '/harvest'],
        ['Thinning', '/thinning'],
        ['Wounds', '/looks'],
        ['What came off', '/removals'],
        ...(role === 'coordinator' ? ([['People', '/people']] as Place[]) : []),
        ['The year', '/season'],
      ];
