import type { FruitData } from '../api/client';
import { type Field, formOf } from '../parts/formOf';

/** What is counted of a tree's year. */
export const FRUIT_FIELDS: readonly Field<FruitData>[] = [
  {
    name: 'bloom',
    label: 'Bloom',
    kind: 'choice',
    none: 'not seen',
    options: { 0: '0 none', 1: '1', 2: '2', 3: '3', 4: '4', 5: '5 all over' },
  },
  { name: 'number', label: 'Fruits picked', kind: 'whole', as: 'the fruits' },
  { name: 'kilos', label: 'Picked', kind: 'number', unit: 'kg', as: 'kilos' },
  { name: 'note', label: 'Note', kind: 'text', most: 1000 },
];

export const FRUIT = formOf(FRUIT_FIELDS);
