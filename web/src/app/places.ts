/** The path of the work, in its order, and the places beside it. */
export const WORK: [name: string, at: string][] = [
  ['Orchard', ''],
  ['Walk', '/walk'],
  ['Plan', '/plan'],
  ['Days', '/days'],
  ['Log', '/log'],
  ['Settings', '/settings'],
];

/** All of it, as a phone lists it. */
export const PATH: [name: string, at: string][] = [
  ['Today', '/today'],
  ...WORK,
  ['People', '/people'],
  ['The year', '/season'],
];
