import type { DayData } from '../api/client';
import { type Field, formOf } from '../parts/formOf';
import { KIT } from '../vocabulary/crew';

/** What is said of a work day. */
export const DAY_FIELDS: readonly Field<DayData>[] = [
  { name: 'on', label: 'Day', kind: 'date', missing: 'Choose the day.' },
  { name: 'starts', label: 'From', kind: 'time', missing: 'Give the time.' },
  { name: 'ends', label: 'To', kind: 'time', missing: 'Give the time.' },
  { name: 'note', label: 'Note', hint: 'Where to meet, say', kind: 'text', most: 1000 },
];

/** How many of each tool the shed holds that day. */
export const SHED_FIELDS: readonly Field<Record<string, number>>[] = Object.entries(KIT).map(
  ([name, label]) => ({ name, label, kind: 'whole', as: 'how many', range: [0, 999] }),
);

export const DAY = formOf(DAY_FIELDS);
export const SHED = formOf(SHED_FIELDS);
