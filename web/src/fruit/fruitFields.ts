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
  {
    name: 'fruitSet',
    label: 'Set',
    kind: 'choice',
    none: 'not seen',
    options: { 0: '0 none', 1: '1', 2: '2', 3: '3', 4: '4', 5: '5 all' },
  },
  { name: 'thinned', label: 'Thinned off', kind: 'whole', as: 'the fruits' },
  { name: 'number', label: 'Fruits picked', kind: 'whole', as: 'the fruits' },
  { name: 'kilos', label: 'Picked', kind: 'number', unit: 'kg', as: 'kilos' },
  {
    name: 'meanFruitG',
    label: 'One weighs',
    kind: 'number',
    unit: 'g',
    as: 'the weight',
    range: [0.1, 5000],
  },
  {
    name: 'colour',
    label: 'Colour',
    kind: 'choice',
    none: 'not seen',
    options: { 0: '0 green', 1: '1', 2: '2', 3: '3', 4: '4', 5: '5 full' },
  },
  {
    name: 'spoiltShare',
    label: 'Spoilt',
    kind: 'number',
    unit: '%',
    as: 'the share',
    percent: true,
    range: [0, 100],
  },
  {
    name: 'reachKilos',
    label: 'Out of reach',
    kind: 'number',
    unit: 'kg',
    as: 'kilos',
    hint: 'for the birds',
  },
  { name: 'firstKilos', label: 'Of it first crop', kind: 'number', unit: 'kg', as: 'kilos', hint: 'figs' },
  { name: 'keptKilos', label: 'Kept', kind: 'number', unit: 'kg', as: 'kilos' },
  { name: 'sharedKilos', label: 'Shared', kind: 'number', unit: 'kg', as: 'kilos' },
  { name: 'givenKilos', label: 'Given away', kind: 'number', unit: 'kg', as: 'kilos' },
  { name: 'pressedKilos', label: 'Pressed', kind: 'number', unit: 'kg', as: 'kilos' },
  { name: 'note', label: 'Note', kind: 'text', most: 1000 },
];

export const FRUIT = formOf(FRUIT_FIELDS);

/** What is asked first; the rest is folded. */
export const FRUIT_FIRST = ['bloom', 'number', 'kilos', 'note'];
