import { partKind, type Part } from '../craft/part/registry.js';
import type { Piece } from './piece.js';

/** Changes to the row of parts. Each returns a new piece and leaves what it does not touch. */

const withParts = (piece: Piece, parts: readonly Part[]): Piece => ({ ...piece, parts });

/** A name that no part of the piece has yet: `beads-2`. */
export function freshId(parts: readonly { readonly id: string }[], kind: string): string {
  const taken = new Set(parts.map((part) => part.id));
  if (!taken.has(kind)) return kind;
  for (let n = 2; ; n++) if (!taken.has(`${kind}-${n}`)) return `${kind}-${n}`;
}

export const insertPart = (piece: Piece, at: number, part: Part): Piece =>
  withParts(piece, [...piece.parts.slice(0, at), part, ...piece.parts.slice(at)]);

export const removePart = (piece: Piece, id: string): Piece =>
  withParts(
    piece,
    piece.parts.filter((part) => part.id !== id),
  );

export const changePart = (piece: Piece, id: string, change: (part: Part) => Part): Piece =>
  withParts(
    piece,
    piece.parts.map((part) => (part.id === id ? change(part) : part)),
  );

/** Moves a part to a place among the others, from 0. */
export function movePart(piece: Piece, id: string, to: number): Piece {
  const part = piece.parts.find((p) => p.id === id);
  if (!part) return piece;
  const rest = piece.parts.filter((p) => p !== part);
  const at = Math.max(0, Math.min(rest.length, to));
  return withParts(piece, [...rest.slice(0, at), part, ...rest.slice(at)]);
}

/** A copy right behind the part. */
export function duplicatePart(piece: Piece, id: string): Piece {
  const at = piece.parts.findIndex((part) => part.id === id);
  const part = piece.parts[at];
  if (!part) return piece;
  return insertPart(piece, at + 1, { ...part, id: freshId(piece.parts, part.kind) });
}

/** A part end for end. Twice is the part as it was. */
export const mirrorPart = (part: Part): Part => {
  const kind = partKind(part.kind);
  return kind.mirror ? (kind.mirror(part) as Part) : part;
};

/**
 * Makes the second half the mirror of the first: the parts before the middle are repeated behind it,
 * turned round. An odd middle part stays.
 *
 * @param middle index of the part that stays in the middle
 */
export function mirrorAbout(piece: Piece, middle: number): Piece {
  const before = piece.parts.slice(0, middle);
  const centre = piece.parts[middle];
  if (!centre) return piece;
  const after: Part[] = [];
  for (const part of [...before].reverse()) {
    const id = freshId([...before, centre, ...after], part.kind);
    after.push({ ...mirrorPart(part), id });
  }
  return withParts(piece, [...before, centre, ...after]);
}

/**
 * Repeats a stretch of parts behind itself.
 * @param from,to first and last index of the stretch
 * @param times how many copies more, >= 1
 */
export function repeatParts(piece: Piece, from: number, to: number, times: number): Piece {
  const stretch = piece.parts.slice(from, to + 1);
  const parts = [...piece.parts];
  let at = to + 1;
  for (let i = 0; i < times; i++) {
    for (const part of stretch) {
      parts.splice(at, 0, { ...part, id: freshId(parts, part.kind) });
      at += 1;
    }
  }
  return withParts(piece, parts);
}
