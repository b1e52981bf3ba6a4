import {
  latticeFor,
  firstPlace,
  placeStep,
  type FlossPart,
  type Lattice,
  type Lay,
  type Point,
} from '@coiled-strand/core';

/** Width in pixels of the strip at the left where the strands are laid in order. */
export const HEADS = 64;
/** Pixels above the first and below the last strand. */
const EDGE = 14;

/** The band on the screen: its lattice in pixels, and where it begins. */
export interface LoomView {
  readonly lay: Lay;
  readonly strands: number;
  /** Rows of one repeat, which can be changed, and all that are drawn: it goes on as it will be. */
  readonly rows: number;
  readonly drawn: number;
  readonly lattice: Lattice;
  /** Size in pixels of the whole band with the strip of strands. */
  readonly width: number;
  readonly height: number;
}

/** Pixels from strand to strand for a size of the loom, 1 to 5. */
const CELLS = [0, 11, 15, 20, 27, 36] as const;
export const ZOOMS = { min: 1, max: 5 } as const;

/** Short repeats are drawn over and over, up to about this many rows. */
const ROWS_DRAWN = 44;
export const repeatsDrawn = ({ rows }: Pick<FlossPart, 'rows'>): number =>
  Math.max(1, Math.ceil(ROWS_DRAWN / rows.length));

export function loomView(part: FlossPart, strands: number, zoom: number): LoomView {
  const unit = latticeFor(part, 1);
  const scale = CELLS[zoom as 1] / unit.across;
  const lattice = { d: scale, along: unit.along * scale, across: unit.across * scale };
  return {
    lay: part.lay,
    strands,
    rows: part.rows.length,
    drawn: repeatsDrawn(part) * part.rows.length,
    lattice,
    width: HEADS + (repeatsDrawn(part) * part.rows.length + 2) * lattice.along,
    height: strands * lattice.across + 2 * EDGE,
  };
}

/** The size at which a band of so many strands is seen whole, and its strands can be touched. */
export const zoomFor = (strands: number): number =>
  strands <= 12 ? 4 : strands <= 20 ? 3 : strands <= 32 ? 2 : 1;

/** From the middle line of the band to pixels of the loom. */
export const middleOf = (view: LoomView): number => view.height / 2;

export interface KnotPlace {
  readonly row: number;
  /** Number of the knot within its row, from the left edge. */
  readonly knot: number;
}

/** Middle of a knot in pixels of the loom. */
export function pointOf({ lay, strands, lattice, height }: LoomView, at: KnotPlace): Point {
  const place = firstPlace(lay, at.row) + at.knot * placeStep(lay);
  return [
    HEADS + (at.row + (lay === 'leader' ? 0.5 : 1)) * lattice.along,
    height / 2 + (place + 1 - strands / 2) * lattice.across,
  ];
}

/** The knot under a point of the loom; null beside the band. */
export function knotUnder(
  view: LoomView,
  rows: readonly string[],
  [x, y]: Point,
): KnotPlace | null {
  const { lay, strands, lattice, height } = view;
  const along = (x - HEADS) / lattice.along - (lay === 'leader' ? 0.5 : 1);
  const across = (y - height / 2) / lattice.across + strands / 2 - 1;
  let best: KnotPlace | null = null;
  let nearest = 1;
  // A nought of the other sign would be another row: + 0 makes it the same.
  for (const row of [Math.floor(along) + 0, Math.ceil(along) + 0]) {
    const signs = rows[row];
    if (signs === undefined) continue;
    const knot = Math.round((across - firstPlace(lay, row)) / placeStep(lay)) + 0;
    if (knot < 0 || knot >= signs.length) continue;
    const place = firstPlace(lay, row) + knot * placeStep(lay);
    // Knots of slanting rows are diamonds; those of straight ones squares.
    const [dx, dy] = [Math.abs(along - row), Math.abs(across - place)];
    const far = lay === 'leader' ? 2 * Math.max(dx, dy) : dx + dy;
    if (far <= nearest) {
      nearest = far;
      best = { row, knot };
    }
  }
  return best;
}

/** The strand whose head is under a point; null elsewhere. */
export function headUnder({ strands, lattice, height }: LoomView, [x, y]: Point): number | null {
  if (x >= HEADS) return null;
  const place = Math.floor((y - height / 2) / lattice.across + strands / 2);
  return place >= 0 && place < strands ? place : null;
}

/**
 * The knot next to another: `along` to the next row, `across` within its row or, where rows stand by
 * turns, to the nearest of the next.
 */
export function stepFrom(
  rows: readonly string[],
  { row, knot }: KnotPlace,
  by: { readonly along?: number; readonly across?: number },
): KnotPlace {
  const to = Math.max(0, Math.min(rows.length - 1, row + (by.along ?? 0)));
  const last = (rows[to]?.length ?? 1) - 1;
  return { row: to, knot: Math.max(0, Math.min(last, knot + (by.across ?? 0))) };
}
