import type { CordId, End } from '../../base/action/action.js';
import { join, say, type Saying } from '../../base/measure/saying.js';
import type { Table } from './table.js';

/** Why something cannot be done as it was told. */
export interface Refusal {
  /** Stable name for programs. */
  readonly code: RefusalCode;
  readonly message: Saying;
}

export type RefusalCode =
  | 'not-ready'
  | 'not-folded'
  | 'not-held'
  | 'still-held'
  | 'closed-end'
  | 'not-planned'
  | 'out-of-order'
  | 'out-of-cord'
  | 'not-through'
  | 'not-tried'
  | 'idle'
  | 'wet'
  | 'not-fast'
  | 'harm'
  | 'not-there'
  | 'unused'
  | 'unfinished'
  | 'differs';

export const refuse = (code: RefusalCode, message: Saying): Refusal => ({ code, message });

/** `cord 2 (slate)`, `the slider cord`. */
export const cordCalled = (table: Table, id: CordId): Saying =>
  table.cords.get(id)?.called ?? `cord ${id}`;

/** `the end of cord 2 (slate)`, with the side where both are free. */
export const endCalled = (table: Table, end: End): Saying =>
  join(
    table.cords.get(end.cord)?.legs === 2
      ? `${end.half === 0 ? 'the first' : 'the second'} end of `
      : `the ${end.side === 'start' ? 'start' : 'end'} of `,
    cordCalled(table, end.cord),
  );

/** A clip comes off again: it is no knot. */
export const ONLY_CLIPPED = 'Only a clip holds an end: it needs a knot there.';
export const done = say`This has been done already.`;
