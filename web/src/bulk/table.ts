import type { FieldProblem } from '../api/client';

/** A table as it is held here while it is looked at and mended. */
export interface Rows {
  columns: string[];
  /** For each column the field it fills, or empty. */
  fields: string[];
  cells: string[][];
}

/** The same wrong thing, wherever it stands: mended once for all. */
export interface Wrong {
  field: string;
  value: string;
  says: string;
  /** The rows it stands in, from 0. */
  rows: number[];
}

/** The header is line 1. */
const HEADER_LINES = 2;
const LINE = /^\/lines\/(\d+)\/(\w+)$/;

/** As a file: one line a row, so that a line told as wrong is found again. */
export const toCsv = ({ columns, cells }: Rows): string =>
  [columns, ...cells]
    .map((row) =>
      row.map((cell) => '"' + cell.replace(/\s*\n\s*/g, ' ').replaceAll('"', '""') + '"').join(','),
    )
    .join('\n') + '\n';

/** What was refused, the same value of the same field together; what stands in no row is left out. */
export function wrongIn(table: Rows, errors: FieldProblem[]): Wrong[] {
  const found = new Map<string, Wrong>();
  for (const { pointer, detail } of errors) {
    const [, line, field] = LINE.exec(pointer) ?? [];
    if (!line || !field) continue;
    const row = Number(line) - HEADER_LINES;
    const column = table.fields.indexOf(field);
    const value = column < 0 ? '' : (table.cells[row]?.[column] ?? '').trim();
    const key = field + '\n' + value.toLowerCase() + '\n' + detail;
    const same = found.get(key);
    if (same) same.rows.push(row);
    else found.set(key, { field, value, says: detail, rows: [row] });
  }
  return [...found.values()];
}

/** The table with another value wherever this one stood; a field without a column gets one. */
export function mended(table: Rows, wrong: Wrong, value: string): Rows {
  const at = table.fields.indexOf(wrong.field);
  const column = at < 0 ? table.columns.length : at;
  const wide = at < 0;
  return {
    columns: wide ? [...table.columns, wrong.field] : table.columns,
    fields: wide ? [...table.fields, wrong.field] : table.fields,
    cells: table.cells.map((row, i) => {
      const full = Array.from({ length: Math.max(row.length, column + 1) }, (_, j) => row[j] ?? '');
      return wrong.rows.includes(i) ? full.map((cell, j) => (j === column ? value : cell)) : full;
    }),
  };
}

/** Without the rows in which this stands. */
export const without = (table: Rows, wrong: Wrong): Rows => ({
  ...table,
  cells: table.cells.filter((_, i) => !wrong.rows.includes(i)),
});

/** What was refused of a table and still stands in it after a change, by the lines of the changed one. */
export function stillWrong(before: Rows, after: Rows, errors: FieldProblem[]): FieldProblem[] {
  const dropped = before.cells.length !== after.cells.length;
  return errors.flatMap((one) => {
    const [, line, field] = LINE.exec(one.pointer) ?? [];
    if (!line || !field) return [];
    const row = Number(line) - HEADER_LINES;
    if (!dropped) {
      const at = (table: Rows) => table.cells[row]?.[table.fields.indexOf(field)] ?? '';
      return at(before) === at(after) ? [one] : [];
    }
    const now = after.cells.indexOf(before.cells[row]!);
    return now < 0 ? [] : [{ ...one, pointer: '/lines/' + (now + HEADER_LINES) + '/' + field }];
  });
}
