import { memoize, type OwnKnot } from '@coiled-strand/rope';

import type { Bead } from '../base/material/bead.js';
import { partKind, type Part } from '../craft/part/registry.js';

import type { Piece, PieceBead, PieceKnot } from './piece.js';

/** A way to look things of a piece up by their ids, worked out once for each list. */
const lookup = <T extends { readonly id: string }>(
  what: string,
): ((list: readonly T[]) => (id: string) => T) =>
  memoize((list: readonly T[]) => {
    const things = new Map(list.map((thing) => [thing.id, thing]));
    return (id: string): T => {
      const thing = things.get(id);
      if (!thing) throw new RangeError(`the piece has no ${what} “${id}”`);
      return thing;
    };
  });

const lookupBead = lookup<PieceBead>('bead');
const lookupKnot = lookup<PieceKnot>('knot');
const NO_KNOTS: readonly PieceKnot[] = [];

/**
 * Looks beads up by their id.
 * @returns a function that throws a RangeError for an id the piece has no bead for
 */
export const beadsById = ({ beads }: Pick<Piece, 'beads'>): ((id: string) => Bead) =>
  lookupBead(beads);

/**
 * Looks knots up by their id.
 * @returns a function that throws a RangeError for an id the piece has no knot for
 */
export const knotsById = ({ knots = NO_KNOTS }: Pick<Piece, 'knots'>): ((id: string) => OwnKnot) =>
  lookupKnot(knots);

/** Ids of knots that a part names. */
export function knotIdsOf(part: Part): readonly string[] {
  const values = part as unknown as Readonly<Record<string, unknown>>;
  return partKind(part.kind).fields.flatMap((field) =>
    field.type === 'knot' ? [values[field.key] as string] : [],
  );
}

/** Ids of beads that a part names, in its order. */
export function beadIdsOf(part: Part): readonly string[] {
  const values = part as unknown as Readonly<Record<string, unknown>>;
  return partKind(part.kind).fields.flatMap((field) => {
    if (field.type === 'beads') return values[field.key] as readonly string[];
    const id = field.type === 'bead' ? (values[field.key] as string | undefined) : undefined;
    return id === undefined ? [] : [id];
  });
}
