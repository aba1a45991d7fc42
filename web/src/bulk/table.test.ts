import { expect, it } from 'vitest';
import { mended, type Rows, toCsv, without, wrongIn } from './table';

const table: Rows = {
  columns: ['No', 'What', 'Rest'],
  fields: ['tag', 'species', ''],
  cells: [
    ['B-1', 'Appel', 'by the "gate"'],
    ['B-2', 'appel'],
    ['B-3', 'pear', 'two\nlines'],
  ],
};
const unknown = 'is no kind that is known';

it('puts the same wrong value together, wherever it stands', () => {
  const errors = [
    { pointer: '/lines/2/species', detail: unknown },
    { pointer: '/lines/3/species', detail: unknown },
    { pointer: '/lines/4/eastM', detail: 'is missing' },
    { pointer: '/fields', detail: 'names a field twice' },
  ];
  expect(wrongIn(table, errors)).toEqual([
    { field: 'species', value: 'Appel', says: unknown, rows: [0, 1] },
    { field: 'eastM', value: '', says: 'is missing', rows: [2] },
  ]);
});

it('mends all of them at once, in a column of its own where there was none', () => {
  const wrong = { field: 'species', value: 'Appel', says: unknown, rows: [0, 1] };
  expect(mended(table, wrong, 'apple').cells.map((row) => row[1])).toEqual(['apple', 'apple', 'pear']);
  const wider = mended(table, { field: 'eastM', value: '', says: 'is missing', rows: [2] }, '4');
  expect(wider.fields).toEqual(['tag', 'species', '', 'eastM']);
  expect(wider.cells.map((row) => row[3])).toEqual(['', '', '4']);
  expect(without(table, wrong).cells).toEqual([table.cells[2]]);
});

it('is a file with one line a row', () => {
  expect(toCsv(table).split('\n')).toEqual([
    '"No","What","Rest"',
    '"B-1","Appel","by the ""gate"""',
    '"B-2","appel"',
    '"B-3","pear","two lines"',
    '',
  ]);
});
