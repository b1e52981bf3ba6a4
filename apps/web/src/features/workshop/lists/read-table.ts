import { LIST_DTOS, validateAs } from '@coiled-strand/contract';
import {
  sameCopy,
  EXAMPLE_CORD,
  parseLength,
  type FileFault,
  type LengthUnit,
} from '@coiled-strand/core';
import { COPIED_LISTS, type CopiedListId } from '@coiled-strand/workshop';
import { BOUGHT, COLUMNS, type Column } from './columns';
import type { Sheet } from './sheet';

/** Something put under a heading that the list knows, and in which unit a bare number is meant. */
interface Headed {
  readonly column: Column;
  readonly unit: LengthUnit | null;
}

export interface ReadRow {
  /** Line of the file, from 1. */
  readonly line: number;
  readonly name: string;
  /** The thing; null where something is wrong. */
  readonly value: object | null;
  /** Whether the list has it already, word for word. */
  readonly known: boolean;
  readonly faults: readonly string[];
}

export interface ReadTable {
  readonly rows: readonly ReadRow[];
  /** Headings that the list does not know; what stands under them is not read. */
  readonly strange: readonly string[];
  /** Columns that are needed and not there. */
  readonly lacking: readonly string[];
  /** Whether there is a length whose unit its heading does not tell. */
  readonly bareLengths: boolean;
}

const UNITS: Readonly<Record<string, LengthUnit>> = {
  mm: 'mm',
  cm: 'cm',
  in: 'in',
  inch: 'in',
  inches: 'in',
  m: 'm',
};
const plain = (words: string): string =>
  words
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

const UNIT_IN_HEAD = /\(([a-z]+)\)\s*$/i;

/** What each heading stands for in a list; null where it knows none. */
function headings(list: CopiedListId, head: readonly string[]): (Headed | null)[] {
  const taken = new Set<Column>();
  return head.map((words) => {
    const unit = UNITS[(UNIT_IN_HEAD.exec(words)?.[1] ?? '').toLowerCase()] ?? null;
    const asked = plain(unit === null ? words : words.replace(UNIT_IN_HEAD, ''));
    const named = ({ label, path, also = [] }: Column): boolean =>
      [label, path.at(-1)!, ...also].some((one) => plain(one) === asked);
    const column =
      COLUMNS[list].find((one) => !taken.has(one) && plain(one.label) === asked) ??
      COLUMNS[list].find((one) => !taken.has(one) && named(one));
    if (!column) return null;
    taken.add(column);
    return { column, unit };
  });
}

/** The list that a table is of: what it needs is there, or the most of it; null where next to nothing is. */
export function listOf({ head }: Sheet): CopiedListId | null {
  const share = (list: CopiedListId): number => {
    const found = headings(list, head).filter((one) => one !== null);
    const needed = found.filter(({ column }) => column.needed).length;
    if (needed < 2) return 0;
    // Of two lists that have all they need, the one that knows more of the headings.
    const known = found.length / (head.length + 1);
    return needed / COLUMNS[list].filter((one) => one.needed).length + known;
  };
  const best = COPIED_LISTS.reduce((a, b) => (share(b) > share(a) ? b : a));
  return share(best) > 0 ? best : null;
}

const YES = new Set(['yes', 'y', 'true', '1', 'x']);
const NO = new Set(['no', 'n', 'false', '0']);

type Taken = { readonly value: unknown } | { readonly fault: string };

/** What a cell says. */
function take({ column, unit }: Headed, cell: string, bare: LengthUnit): Taken {
  const { holds } = column;
  switch (holds.type) {
    case 'text':
      // Our own tables keep spreadsheets from taking a text for a sum.
      return { value: /^'[=+\-@]/.test(cell) ? cell.slice(1) : cell };
    case 'length': {
      const read = parseLength(cell, unit ?? bare);
      return read.ok ? { value: read.mm } : { fault: read.error.message };
    }
    case 'number': {
      const value = Number(cell.replace(',', '.'));
      return Number.isFinite(value) ? { value } : { fault: `“${cell}” is no number.` };
    }
    case 'yes': {
      const said = cell.toLowerCase();
      if (YES.has(said)) return { value: true };
      return NO.has(said) ? { value: false } : { fault: `“${cell}” is neither yes nor no.` };
    }
    case 'colour':
      return /^#?[0-9a-f]{6}$/i.test(cell)
        ? { value: cell.startsWith('#') ? cell : `#${cell}` }
        : { fault: `“${cell}” is no colour code such as #5b6b78.` };
    case 'choice': {
      const found = holds.choices.find(
        ({ id, label }) => plain(id) === plain(cell) || plain(label) === plain(cell),
      );
      return found
        ? { value: found.id }
        : { fault: `“${cell}” is none of: ${holds.choices.map(({ label }) => label).join(', ')}.` };
    }
  }
}

function put(thing: Record<string, unknown>, path: readonly string[], value: unknown): void {
  const [first, ...rest] = path;
  if (rest.length === 0) thing[first!] = value;
  else put((thing[first!] ??= {}) as Record<string, unknown>, rest, value);
}

/** Of what colour a thing is shown whose table tells it only in words. */
const UNDYED = '#8a8a8a';

/** What goes without saying. */
function complete(list: CopiedListId, thing: Record<string, unknown>): void {
  if (list === 'beads' && thing.height === undefined) thing.height = thing.length;
  if (list === 'cords' || list === 'beads') {
    const colour = thing.colour as Record<string, unknown> | undefined;
    if (colour && colour.hex === undefined) colour.hex = UNDYED;
  }
  if (list === 'fittings') {
    const closure = (thing.closure ?? {}) as Record<string, unknown>;
    const kind = BOUGHT.find(({ entry }) => entry.type === closure.type);
    if (!kind) return;
    // Measures have to be told; how it looks, and what is chosen in it, begins as on the bench.
    const usual = kind.make(EXAMPLE_CORD) as unknown as Record<string, unknown>;
    if (kind.fields.some(({ key }) => key === 'name')) closure.name ??= thing.name;
    for (const { key, type } of kind.fields) {
      const told = closure[key] !== undefined;
      const measure = type === 'length' || type === 'count';
      if (!told && (!measure || usual[key] === null)) closure[key] = usual[key];
    }
  }
}

/** What the rules say of a value, under the heading where it stands. */
function saidOf(list: CopiedListId, { path, message }: FileFault): string {
  const column = COLUMNS[list].find((one) => one.path.join('.') === path);
  return `${column?.label ?? path}: ${message}`;
}

/**
 * Things out of a table, each row by itself: what is good can be taken, what is bad says why.
 *
 * @param bare unit of lengths where neither cell nor heading tells one
 * @param there what the list has
 */
export function readTable(
  list: CopiedListId,
  { head, rows }: Sheet,
  bare: LengthUnit,
  there: readonly object[],
): ReadTable {
  const headed = headings(list, head);
  const columns = headed.flatMap((one) => (one === null ? [] : [one.column]));
  const lacking = COLUMNS[list].filter((one) => one.needed && !columns.includes(one));
  return {
    strange: head.filter((words, i) => headed[i] === null && words !== ''),
    lacking: lacking.map(({ label }) => label),
    bareLengths: headed.some((one) => one?.column.holds.type === 'length' && one.unit === null),
    rows: rows.map(({ line, cells }) => {
      const thing: Record<string, unknown> = {};
      const faults: string[] = [];
      headed.forEach((one, i) => {
        const cell = cells[i] ?? '';
        if (one === null || cell === '') return;
        const taken = take(one, cell, bare);
        if ('fault' in taken) faults.push(`${one.column.label}: ${taken.fault}`);
        else put(thing, one.column.path, taken.value);
      });
      const missing = COLUMNS[list].filter(
        (one) => one.needed && columns.includes(one) && isEmpty(cells, headed, one),
      );
      faults.push(...missing.map(({ label }) => `${label} is not told.`));
      complete(list, thing);
      if (faults.length === 0) {
        const checked = validateAs<object>(LIST_DTOS[list], thing);
        if (!checked.ok) faults.push(...checked.faults.map((fault) => saidOf(list, fault)));
      }
      const good = faults.length === 0;
      return {
        line,
        name: typeof thing.name === 'string' ? thing.name : '',
        value: good ? thing : null,
        known: good && there.some((other) => sameCopy(other, thing)),
        faults,
      };
    }),
  };
}

const isEmpty = (
  cells: readonly string[],
  headed: readonly (Headed | null)[],
  column: Column,
): boolean => (cells[headed.findIndex((one) => one?.column === column)] ?? '') === '';
