import { MAX_AT_ONCE } from '@coiled-strand/contract';
import { parse } from 'csv-parse/browser/esm/sync';

/** A table as it was read: what stands in its cells, line by line. */
export interface Sheet {
  readonly head: readonly string[];
  readonly rows: readonly { readonly line: number; readonly cells: readonly string[] }[];
}

const MARKS = [',', ';', '\t'] as const;

/** Which mark stands between the cells: the one that the first line has most of. */
const markOf = (text: string): string => {
  const [first = ''] = text.split(/\r\n|\r|\n/, 1);
  const count = (mark: string): number => first.split(mark).length;
  return MARKS.reduce((best, mark) => (count(mark) > count(best) ? mark : best));
};

/**
 * The cells of a CSV.
 *
 * @throws Error in plain words where it is none
 */
export function readSheet(text: string): Sheet {
  const records = parse(text, {
    bom: true,
    delimiter: markOf(text),
    info: true,
    relax_column_count: true,
    skip_empty_lines: true,
    trim: true,
  }) as unknown as { readonly record: string[]; readonly info: { readonly lines: number } }[];
  const [first, ...rest] = records;
  const rows = rest
    .map(({ record, info }) => ({ line: info.lines, cells: record }))
    .filter(({ cells }) => cells.some((cell) => cell !== ''));
  if (!first || rows.length === 0) {
    throw new Error('There is a line with headings and at least one line below it in a table.');
  }
  if (rows.length > MAX_AT_ONCE) {
    throw new Error(`At most ${MAX_AT_ONCE} lines are taken at once; these are ${rows.length}.`);
  }
  return { head: first.record, rows };
}
