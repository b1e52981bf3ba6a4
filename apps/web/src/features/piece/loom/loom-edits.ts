import {
  fitToStrands,
  insertRows,
  insertStrand,
  layReady,
  mirrorAcross,
  mirrorAlong,
  recolourPlace,
  removeRows,
  removeStrand,
  repeated,
  runsOf,
  MAX_ROWS,
  withPattern,
  withSign,
  withStrandCount,
  type Cord,
  type FlossPart,
  type FlossPattern,
  type Piece,
} from '@coiled-strand/core';
import { usePiece } from '../piece/piece-store';
import type { KnotPlace } from './view';

/** Edits on the loom, for pointer and keys alike; each is one step of undo. */

const edit = (change: (piece: Piece) => Piece, mergeKey?: string): void =>
  usePiece.getState().edit(change, mergeKey);

const onPattern = (
  id: string,
  change: (pattern: FlossPattern, strands: number) => FlossPattern,
  mergeKey?: string,
): void =>
  edit((piece) => {
    const part = piece.parts.find((p) => p.id === id);
    if (part?.kind !== 'knotted-floss') return piece;
    const next = change({ lay: part.lay, rows: part.rows }, runsOf(piece).length);
    return next.rows.length > MAX_ROWS ? piece : withPattern(piece, id, next);
  }, mergeKey);

export const loomEdits = {
  sign: (id: string, { row, knot }: KnotPlace, sign: string, mergeKey?: string): void =>
    onPattern(id, (pattern) => withSign(pattern, row, knot, sign), mergeKey),
  /** Rows that do not fit the strands are cut short or tied on. */
  fit: (id: string): void => onPattern(id, fitToStrands),
  addRows: (id: string, at: number): void => onPattern(id, (pattern) => insertRows(pattern, at)),
  removeRows: (id: string, at: number): void => onPattern(id, (pattern) => removeRows(pattern, at)),
  mirrorAcross: (id: string): void => onPattern(id, mirrorAcross),
  mirrorAlong: (id: string): void => onPattern(id, mirrorAlong),
  repeat: (id: string): void => onPattern(id, (pattern) => repeated(pattern, 2)),
  addStrand: (id: string, place: number): void => edit((piece) => insertStrand(piece, id, place)),
  removeStrand: (id: string, place: number): void =>
    edit((piece) => removeStrand(piece, id, place)),
  recolour: (id: string, place: number, cord: Cord): void =>
    edit((piece) => recolourPlace(piece, id, place, cord)),
  strands: (id: string, count: number): void => edit((piece) => withStrandCount(piece, id, count)),
  /** A ready pattern, on as many strands as it needs where these do not do. */
  ready: (id: string, ready: string, strands: number, text: string): void =>
    edit((piece) => {
      const enough = runsOf(piece).length === strands ? piece : withStrandCount(piece, id, strands);
      return layReady(enough, id, ready, { text }) ?? piece;
    }),
};

/** Signs in the order in which a click turns them. */
const TURNS: Readonly<Record<FlossPart['lay'], string>> = { crossing: '><)(.', leader: '-|' };
export const nextSign = (lay: FlossPart['lay'], sign: string): string => {
  const turns = TURNS[lay];
  return turns[(turns.indexOf(sign) + 1) % turns.length]!;
};

/** The part with a pattern that its strands can tie, to be drawn while it is being mended. */
export const drawable = (part: FlossPart, strands: number): FlossPart => ({
  ...part,
  ...fitToStrands(part, strands),
});
