import type {
  DiseaseData,
  FirstListData,
  FruitData,
  IncidentData,
  LogData,
  LookData,
  PickingData,
  ReportData,
  SightingData,
} from '../api/client';
import type { Draft } from './kept';
import type { Entry } from './kept';
import { type Kind, type NewItem, randomKey } from './outbox';

/** What can be sent from outdoors, each as the request it becomes. */

export interface Walk {
  key: string;
  siteId: number;
  treeId: number;
  tag: string;
  person: string | null;
  survey: Draft;
  /** The newest survey the surveyor knew, 0 for none. */
  basedOn: number;
}

export interface Photo {
  key: string;
  siteId: number;
  treeId: number;
  /** The tree's tag. */
  about: string;
  person: string | null;
  takenOn: string;
  spot: string;
  picture: Blob;
}

/** A walk to be sent; its key stands in the address. */
export function surveyItem(walk: Walk) {
  return {
    key: walk.key,
    line: 'tree-' + walk.treeId,
    kind: 'survey' as const,
    siteId: walk.siteId,
    treeId: walk.treeId,
    about: walk.tag,
    person: walk.person,
    method: 'POST' as const,
    path: '/api/trees/' + walk.treeId + '/surveys?sentAs=' + walk.key + '&basedOn=' + walk.basedOn,
    body: sendable(walk.survey),
    form: { draft: walk.survey, basedOn: walk.basedOn },
  };
}

/** The draft without what is the interface's own. */
export function sendable(draft: Draft) {
  return Object.fromEntries(Object.entries(draft).filter(([name]) => !name.startsWith('x-')));
}

/** A photo to be sent. */
export function photoItem(photo: Photo) {
  const query = new URLSearchParams({ key: photo.key, takenOn: photo.takenOn, spot: photo.spot });
  return {
    key: photo.key,
    // Pictures go beside what is written, not before or after it.
    line: 'photo-' + photo.key,
    kind: 'photo' as const,
    siteId: photo.siteId,
    treeId: photo.treeId,
    about: (photo.about + ' ' + photo.spot).trim(),
    person: photo.person,
    method: 'POST' as const,
    path: '/api/trees/' + photo.treeId + '/photos?' + query.toString(),
    picture: photo.picture,
    form: { spot: photo.spot, takenOn: photo.takenOn },
  };
}

/** A log of a visit, or the correction of one. */
export function logItem(
  log: {
    siteId: number;
    treeId: number;
    visitId: number;
    dayId?: number | null;
    tag: string;
    corrects?: number;
    entry: Entry;
  },
  data: LogData,
  person: string | null,
): NewItem {
  return {
    key: data.key,
    line: 'tree-' + log.treeId,
    kind: 'log',
    siteId: log.siteId,
    treeId: log.treeId,
    visitId: log.visitId,
    dayId: log.dayId ?? undefined,
    about: log.tag,
    person,
    method: 'POST',
    path: log.corrects ? '/api/logs/' + log.corrects + '/correction' : '/api/visits/' + log.visitId + '/log',
    body: data,
    form: { entry: log.entry, corrects: log.corrects },
  };
}

interface OfTree {
  siteId: number;
  treeId: number;
  tag: string;
  person: string | null;
}

export const reportItem = (tree: OfTree, body: ReportData): NewItem => ({
  key: randomKey(),
  line: 'tree-' + tree.treeId,
  kind: 'report',
  siteId: tree.siteId,
  treeId: tree.treeId,
  about: tree.tag,
  person: tree.person,
  method: 'POST',
  path: '/api/trees/' + tree.treeId + '/reports',
  body,
});

export const fruitItem = (tree: OfTree, year: number, version: number, data: FruitData): NewItem => ({
  key: randomKey(),
  line: 'tree-' + tree.treeId,
  kind: 'fruit',
  siteId: tree.siteId,
  treeId: tree.treeId,
  about: tree.tag + ', ' + year,
  person: tree.person,
  method: 'PUT',
  path: '/api/trees/' + tree.treeId + '/fruit/' + year,
  body: { version, data },
});

export const pickingItem = (tree: OfTree, body: PickingData): NewItem => ({
  key: randomKey(),
  line: 'tree-' + tree.treeId,
  kind: 'picking',
  siteId: tree.siteId,
  treeId: tree.treeId,
  about: tree.tag,
  person: tree.person,
  method: 'POST',
  path: '/api/trees/' + tree.treeId + '/fruit/pickings',
  body,
});

export const lookItem = (tree: OfTree, body: LookData): NewItem => ({
  key: randomKey(),
  line: 'tree-' + tree.treeId,
  kind: 'look',
  siteId: tree.siteId,
  treeId: tree.treeId,
  about: tree.tag + ', ' + body.wound,
  person: tree.person,
  method: 'POST',
  path: '/api/trees/' + tree.treeId + '/looks',
  body,
});

export const diseaseItem = (tree: OfTree, body: DiseaseData): NewItem => ({
  key: randomKey(),
  line: 'tree-' + tree.treeId,
  kind: 'disease',
  siteId: tree.siteId,
  treeId: tree.treeId,
  about: tree.tag,
  person: tree.person,
  method: 'POST',
  path: '/api/trees/' + tree.treeId + '/disease',
  body,
});

export const stageItem = (
  siteId: number,
  person: string | null,
  about: string,
  body: SightingData,
): NewItem => ({
  key: randomKey(),
  line: 'kind-' + siteId + '-' + body.species,
  kind: 'stage',
  siteId,
  about,
  person,
  method: 'POST',
  path: '/api/sites/' + siteId + '/sightings',
  body,
});

export const noteItem = (
  day: { siteId: number; dayId: number; on: string },
  person: string | null,
  note: string,
): NewItem => ({
  key: randomKey(),
  line: 'day-' + day.dayId,
  kind: 'note',
  siteId: day.siteId,
  dayId: day.dayId,
  about: day.on,
  person,
  method: 'POST',
  path: '/api/days/' + day.dayId + '/notes',
  body: { note },
});

interface OfDay {
  siteId: number;
  dayId: number;
  on: string;
}

/** Something that is sent of a work day: in its order with all else of that day. */
const ofDay = (day: OfDay, person: string | null, kind: Kind, path: string, body: unknown): NewItem => ({
  key: randomKey(),
  line: 'day-' + day.dayId,
  kind,
  siteId: day.siteId,
  dayId: day.dayId,
  about: day.on,
  person,
  method: 'POST',
  path,
  body,
});

/** Somebody comes or goes. */
export const attendanceItem = (
  day: OfDay,
  person: string | null,
  body: { personId: number; step: 'came' | 'went'; at: string },
) => ofDay(day, person, 'attendance', '/api/days/' + day.dayId + '/attendance', body);

export const firstListItem = (day: OfDay, person: string | null, body: FirstListData) =>
  ofDay(day, person, 'first-list', '/api/days/' + day.dayId + '/first-list', body);

export const incidentItem = (day: OfDay, person: string | null, body: IncidentData) =>
  ofDay(day, person, 'incident', '/api/sites/' + day.siteId + '/incidents', body);

export const taskItem = (
  day: OfDay,
  person: string | null,
  taskId: number,
  body: { on: string; note?: string },
) => ofDay(day, person, 'task', '/api/tasks/' + taskId + '/done', body);

/** That a draft was thrown away, so that it does not come back from the server. */
export const thrownAwayItem = (tree: OfTree): NewItem => ({
  key: randomKey(),
  line: 'tree-' + tree.treeId,
  kind: 'thrown-away',
  siteId: tree.siteId,
  treeId: tree.treeId,
  about: tree.tag,
  person: tree.person,
  method: 'DELETE',
  path: '/api/trees/' + tree.treeId + '/draft',
});
