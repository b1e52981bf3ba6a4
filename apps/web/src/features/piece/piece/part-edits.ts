import {
  sameCopy,
  runsOf,
  changePart,
  duplicatePart,
  freshId,
  insertPart,
  knotIdsOf,
  mirrorAbout,
  movePart,
  partKind,
  removePart,
  repeatParts,
  type Bead,
  type OwnKnot,
  type Part,
  type Piece,
  type PieceBead,
} from '@coiled-strand/core';
import type { KnotView } from '@coiled-strand/contract';
import { useSelection } from '../bench/selection-store';
import { usePiece } from './piece-store';

/** Edits of the parts of the piece on the bench, for pointer, touch and keys alike. */

const edit = (change: (piece: Piece) => Piece, mergeKey?: string): void =>
  usePiece.getState().edit(change, mergeKey);
const now = (): Piece | undefined => usePiece.getState().history?.now;
const select = (id: string | null): void => useSelection.getState().select(id);

export const partActions = {
  move: (id: string, to: number): void => edit((piece) => movePart(piece, id, to)),
  remove: (id: string): void => {
    const parts = now()?.parts ?? [];
    const at = parts.findIndex((part) => part.id === id);
    edit((piece) => withoutIdleKnots(removePart(piece, id)));
    select(parts[at + 1]?.id ?? parts[at - 1]?.id ?? null);
  },
  duplicate: (id: string): void => {
    edit((piece) => duplicatePart(piece, id));
    const parts = now()?.parts ?? [];
    select(parts[parts.findIndex((part) => part.id === id) + 1]?.id ?? id);
  },
  mirror: (id: string): void =>
    edit((piece) =>
      mirrorAbout(
        piece,
        piece.parts.findIndex((part) => part.id === id),
      ),
    ),
};

/** Repeats a part and the one before it, a usual pair of bead and knots. */
export const repeatPair = (id: string, times: number): void =>
  edit((piece) => {
    const at = piece.parts.findIndex((part) => part.id === id);
    return repeatParts(piece, Math.max(0, at - 1), at, times);
  });

/** A part with a length of its own; null gives it back to the fit. */
export const withPartLength = (piece: Piece, id: string, length: number | null): Piece =>
  changePart(piece, id, (part) => {
    const freed = 'units' in part && 'length' in part ? { units: null } : {};
    return { ...part, ...freed, length } as Part;
  });

export const setPartField = (id: string, key: string, value: unknown): void =>
  edit((piece) => changePart(piece, id, (part) => ({ ...part, [key]: value })));

/** A short name for a bead, from its own: `wood-12`. */
function beadId(bead: Bead, taken: readonly PieceBead[]): string {
  const base = `${bead.shape}-${String(bead.length).replace('.', '-')}`.slice(0, 30);
  return freshId(taken, base);
}

/** The same bead, whatever a piece calls it. */
const sameBead = (one: Bead, other: Bead): boolean =>
  sameCopy({ ...one, id: undefined }, { ...other, id: undefined });

/** The piece with a bead among its beads, and the id it has there. */
export function withBead(piece: Piece, bead: Bead): { piece: Piece; id: string } {
  const same = piece.beads.find((own) => sameBead(own, bead));
  if (same) return { piece, id: same.id };
  const id = beadId(bead, piece.beads);
  return { piece: { ...piece, beads: [...piece.beads, { ...bead, id }] }, id };
}

/** The same knot at the same version, whatever a piece calls it. */
const sameKnot = (one: OwnKnot, { id, version }: KnotView): boolean =>
  one.origin === id && one.version === version;

/** The piece with a knot among its knots as it is now, and the id it has there. */
export function withKnot(piece: Piece, knot: KnotView): { piece: Piece; id: string } {
  const { knots = [] } = piece;
  const same = knots.find((own) => sameKnot(own, knot));
  if (same) return { piece, id: same.id };
  const id = freshId(knots, 'knot');
  const { id: origin, version, value } = knot;
  return { piece: { ...piece, knots: [...knots, { ...value, id, origin, version }] }, id };
}

/** Where a new part goes: behind the selected one, else before what fills the end, else last. */
export function placeForNew(piece: Piece): number {
  const { part } = useSelection.getState();
  const at = piece.parts.findIndex((p) => p.id === part);
  if (at >= 0) return at + 1;
  const last = piece.parts.at(-1);
  return last && partKind(last.kind).fills(last) ? piece.parts.length - 1 : piece.parts.length;
}

/** Adds a part of a kind, from a bead where it needs one; the new part is selected. */
export function addPart(kindId: string, at?: number, bead?: Bead, knot?: KnotView): void {
  const piece = now();
  if (!piece) return;
  const kind = partKind(kindId);
  const wanted = bead ?? piece.beads[0];
  const { piece: strung, id: beadName } =
    kind.entry.needsBead && wanted
      ? withBead(piece, wanted)
      : { piece, id: piece.beads[0]?.id ?? '' };
  const tied = knot ? withKnot(strung, knot) : null;
  const withIt = tied?.piece ?? strung;
  const id = freshId(withIt.parts, kindId);
  const cord = withIt.strands[0]?.cord;
  if (!cord) return;
  const part = kind.make({
    id,
    bead: beadName,
    cord,
    runs: runsOf(withIt).length,
    ...(tied ? { knot: tied.id } : {}),
  }) as Part;
  edit(() => insertPart(withIt, at ?? placeForNew(piece), part));
  select(id);
}

/** The value of a part that holds a row of beads; undefined where none does. */
export const rowOf = (part: Part): string | undefined =>
  partKind(part.kind).fields.find((field) => field.type === 'beads')?.key;

/** The part with a bead more at the end of its row. */
function strung(part: Part, bead: string): Part {
  const key = rowOf(part);
  if (key === undefined) return part;
  const row = (part as unknown as Readonly<Record<string, readonly string[]>>)[key] ?? [];
  return { ...part, [key]: [...row, bead] };
}

/**
 * Strings a bead at a seam: into the row that lies beside it, or as a part of its own.
 *
 * @param seam index among the parts
 */
export function stringBead(bead: Bead, seam?: number): void {
  const piece = now();
  if (!piece) return;
  const { part: selected } = useSelection.getState();
  const at = seam ?? placeForNew(piece);
  const beside = seam === undefined ? piece.parts.find((part) => part.id === selected) : undefined;
  if (beside && rowOf(beside) !== undefined) {
    appendBead(beside.id, bead);
    return;
  }
  addPart('beads', at, bead);
}

/** Changes one value of a part to a bead, which becomes one of the piece's where it is not yet. */
export const setPartBead = (id: string, key: string, bead: Bead): void =>
  edit((piece) => {
    const { piece: withIt, id: name } = withBead(piece, bead);
    return changePart(withIt, id, (part) => ({ ...part, [key]: name }));
  });

/** Changes one value of a part to a knot of the workshop, as it is now. */
export const setPartKnot = (id: string, key: string, knot: KnotView): void =>
  edit((piece) => {
    const { piece: withIt, id: name } = withKnot(piece, knot);
    return withoutIdleKnots(changePart(withIt, id, (part) => ({ ...part, [key]: name })));
  });

/** The piece without knots that none of its parts is tied as. */
function withoutIdleKnots(piece: Piece): Piece {
  const used = new Set(piece.parts.flatMap(knotIdsOf));
  const { knots } = piece;
  return knots?.every((knot) => used.has(knot.id)) === false
    ? { ...piece, knots: knots.filter((knot) => used.has(knot.id)) }
    : piece;
}

/** Adds a bead behind the row of a part. */
export const appendBead = (id: string, bead: Bead): void =>
  edit((piece) => {
    const { piece: withIt, id: name } = withBead(piece, bead);
    return changePart(withIt, id, (part) => strung(part, name));
  });
