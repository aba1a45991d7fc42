import type { RemovalData } from '../api/client';
import { type Field, formOf } from '../parts/formOf';
import { GROUNDS } from '../vocabulary/wood';

/** What is entered of a tree that was taken out. */
export const REMOVAL_FIELDS: readonly Field<RemovalData>[] = [
  { name: 'on', label: 'Taken out on', kind: 'date', missing: 'Choose the day.' },
  {
    name: 'grounds',
    label: 'Grounds',
    kind: 'choice',
    none: 'Choose',
    options: GROUNDS,
    missing: 'Choose the grounds.',
  },
  {
    name: 'permission',
    label: 'Permission',
    hint: 'Whose leave, by what paper; or why none was wanted',
    kind: 'text',
    most: 500,
    missing: 'Say whose leave was asked, or why none was wanted.',
  },
  {
    name: 'removedBy',
    label: 'Taken out by',
    hint: 'A crew, a firm, the storm',
    kind: 'text',
    most: 200,
    missing: 'Say who took it out.',
  },
  {
    name: 'replacement',
    label: 'What replaces it',
    hint: 'A small young plant, headed low, one leader, two or three side shoots spread',
    kind: 'text',
    most: 500,
  },
  { name: 'note', label: 'Note', kind: 'text', most: 1000 },
];

export const REMOVAL = formOf(REMOVAL_FIELDS);
