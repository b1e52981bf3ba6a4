import type { Cell, Table } from '../../../ui/shell/csv';
import type { FittingDto } from '@coiled-strand/contract';
import type { CopiedListId } from '@coiled-strand/workshop';
import { BOUGHT, COLUMNS, headOf, type Column } from './columns';

/** The value of a thing that belongs into a column; undefined where it has none. */
export const valueAt = (thing: unknown, { path }: Column): unknown =>
  path.reduce<unknown>((at, step) => (at as Record<string, unknown> | undefined)?.[step], thing);

function cellOf(thing: unknown, column: Column): Cell {
  const value = valueAt(thing, column);
  if (value === undefined || value === null) return null;
  const { holds } = column;
  if (holds.type === 'choice') {
    return holds.choices.find(({ id }) => id === value)?.label ?? (value as string);
  }
  if (holds.type === 'yes') return value === true ? 'yes' : 'no';
  return value as Cell;
}

const isBought = (fitting: object): boolean =>
  BOUGHT.some(({ entry }) => entry.type === (fitting as FittingDto).closure.type);

/** A list as a table; columns that nothing stands in are left out, but for those that a table needs. */
export function listTable(id: CopiedListId, all: readonly object[]): Table {
  const things = id === 'fittings' ? all.filter(isBought) : all;
  const columns = COLUMNS[id].filter(
    (column) => column.needed || things.some((thing) => cellOf(thing, column) !== null),
  );
  return {
    head: columns.map(headOf),
    rows: things.map((thing) => columns.map((column) => cellOf(thing, column))),
  };
}
