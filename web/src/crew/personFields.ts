import type { PersonData } from '../api/client';
import { type Field, formOf } from '../parts/formOf';

/** What is said of somebody besides their tickets and days. */
export const PERSON_FIELDS: readonly Field<PersonData>[] = [
  { name: 'name', label: 'Name', kind: 'text', most: 80, missing: 'Give the name.' },
  { name: 'birthYear', label: 'Birth year', kind: 'whole', as: 'the year' },
  { name: 'note', label: 'Note', kind: 'text', most: 500 },
];

export const PERSON = formOf(PERSON_FIELDS);
