import { stringify } from 'csv-stringify/browser/esm/sync';
import { saveFile } from './save-file';

export type Cell = string | number | null;

/** A table to be saved: what its columns are, with their units, and its rows. */
export interface Table {
  readonly head: readonly string[];
  readonly rows: readonly (readonly Cell[])[];
}

/**
 * A table as CSV (RFC 4180): numbers with a point, nothing for what is not known. A text that a spreadsheet would take
 * for a sum begins with an apostrophe.
 */
export const csvOf = ({ head, rows }: Table): string =>
  stringify([[...head], ...rows.map((row) => [...row])], {
    escape_formulas: true,
    record_delimiter: '\r\n',
  });

/** Hands a table to the browser to be saved. Spreadsheets tell by its first letter that it is UTF-8. */
export function saveCsv(name: string, table: Table): void {
  saveFile(name, 'text/csv;charset=utf-8', `\ufeff${csvOf(table)}`);
}
