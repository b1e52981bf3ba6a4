import { roomOf, type BenchDrawing, type BenchLayer, type Bounds } from '@coiled-strand/core';
import type { PartPlace } from './part-places';
import { RULER_HEIGHT } from './ruler';

/** A stretch of the bench that lies in a row of its own. */
export interface FoldedRow {
  /** Millimetres at the left edge of the row, and between which it is this row that is looked at. */
  readonly x: number;
  readonly from: number;
  readonly to: number;
  /** From the top of the bench, and how high it is, rule and all, in pixels. */
  readonly offset: number;
  readonly height: number;
  /** Pixel line of the piece's middle in the row. */
  readonly middle: number;
  /** Id of the part of which nothing but more of the same lies here: it is only told; null where it is drawn. */
  readonly skips: string | null;
}

export interface Folded {
  readonly scale: number;
  readonly rows: readonly FoldedRow[];
}

/** Pixels at both ends of a row in which it is seen how it goes on. */
export const EDGE_PX = 28;
/** Knots can be told from each other from so many pixels for a millimetre. */
const GOOD_SCALE = 4.5;
/** A row is no higher than this, and there are no more of them. */
const ROW_PX = 150;
const MAX_ROWS = 6;
/** Room above and below the piece in its row. */
const PAD_PX = 14;
const MIN_PX = 52;
/** Height of a row that is only told. */
export const TOLD_PX = 34;

/** Layers of which something lies between two places, in mm. */
export const layersBetween = (
  layers: readonly BenchLayer[],
  from: number,
  to: number,
): readonly BenchLayer[] =>
  layers.filter(({ x, shapes }) => {
    const room = roomOf(shapes);
    return room !== null && x + room.x < to && x + room.x + room.width > from;
  });

/** How far what lies between two places reaches above and below the middle, in mm. */
function reachBetween(layers: readonly BenchLayer[], from: number, to: number) {
  let [top, bottom] = [-1, 1];
  for (const { shapes } of layersBetween(layers, from, to)) {
    const room = roomOf(shapes)!;
    top = Math.min(top, room.y);
    bottom = Math.max(bottom, room.y + room.height);
  }
  return { top, bottom };
}

interface Stretch {
  readonly from: number;
  readonly to: number;
  readonly skips: string | null;
}

/** Stretches of the bench, all as long as a row; what lies inside one part alone is one stretch with its neighbours. */
function stretches(
  start: number,
  each: number,
  count: number,
  places: readonly PartPlace[],
): readonly Stretch[] {
  const out: Stretch[] = [];
  for (let i = 0; i < count; i++) {
    const [from, to] = [start + i * each, start + (i + 1) * each];
    const inside = places.find((place) => place.from < from && place.to > to);
    const last = out.at(-1);
    if (inside && last?.skips === inside.id) out[out.length - 1] = { ...last, to };
    else out.push({ from, to, skips: inside?.id ?? null });
  }
  return out;
}

const usableIn = (width: number): number => Math.max(80, width - 2 * EDGE_PX);
const longOf = (bounds: Bounds): number => Math.max(1, bounds.width);

/** Pixels for a millimetre at which a bench of so many pixels is folded. */
export function foldedScale(bounds: Bounds, width: number): number {
  const whole = usableIn(width) / longOf(bounds);
  return Math.min(
    Math.max(whole, GOOD_SCALE),
    Math.max(whole, (ROW_PX - 2 * PAD_PX) / Math.max(2, bounds.height)),
    MAX_ROWS * whole,
  );
}

/**
 * The bench in rows below each other, each with its own stretch of the rule: a long thin piece is seen large enough to
 * tell its knots. It is broken where a part goes on and on: that is told, with true measures, and not drawn.
 *
 * @param width of the bench in pixels
 * @param first pixels above the piece in the first row, which are left to the tools
 * @param places of parts that may be broken
 */
export function fold(
  { layers, bounds }: BenchDrawing,
  width: number,
  first: number,
  places: readonly PartPlace[] = [],
): Folded {
  const usable = usableIn(width);
  const long = longOf(bounds);
  const scale = foldedScale(bounds, width);
  const count = Math.max(1, Math.ceil((long * scale) / usable - 1e-6));
  let offset = 0;
  const rows = stretches(bounds.x, usable / scale, count, places).map((stretch, i): FoldedRow => {
    const { from, to, skips } = stretch;
    const { top, bottom } = reachBetween(layers, from, to);
    const above = (i === 0 ? first : PAD_PX) - top * scale;
    const room = Math.max(MIN_PX + (i === 0 ? first : 0), above + bottom * scale + PAD_PX);
    const height = skips === null ? room + RULER_HEIGHT : TOLD_PX;
    const row = { x: from - EDGE_PX / scale, from, to, skips, offset, height, middle: above };
    offset += height;
    return row;
  });
  return { scale, rows };
}
