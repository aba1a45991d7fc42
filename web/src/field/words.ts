import { month, time } from '../parts/format';
import type { Item, Kind } from './outbox';

export const KINDS: Record<Kind, string> = {
  survey: 'Walk',
  log: 'Log',
  report: 'Report',
  picking: 'Picking',
  look: 'Look at a wound',
  disease: 'Disease',
  fruit: 'Fruit',
  photo: 'Photo',
  stage: 'Stage seen',
  note: 'Note of the day',
  attendance: 'Coming and going',
  'first-list': 'List before the first cut',
  incident: 'Incident',
  task: 'Task',
  'thrown-away': 'Draft thrown away',
};

/** How something stands, for people. */
export function stateOf(item: Item): { word: string; code: string } {
  if (item.state === 'clash') return { word: 'another one is there: look at both', code: 'urgent' };
  if (item.state === 'held') return { word: 'not taken: ' + (item.refusal?.detail ?? ''), code: 'urgent' };
  if (item.state === 'sending') return { word: 'on its way', code: 'with-care' };
  if (item.failed > 0) return { word: 'the server failed on it; tried again later', code: 'with-care' };
  if (item.refusal) return { word: 'waits: ' + item.refusal.detail, code: 'with-care' };
  return { word: 'waits for signal', code: 'with-care' };
}

/** A time of day, and the day where it is another than today. */
export function when(iso: string): string {
  const at = new Date(iso);
  return at.toDateString() === new Date().toDateString()
    ? time(iso)
    : `${at.getDate()} ${month(at.getMonth())}, ${time(iso)}`;
}
