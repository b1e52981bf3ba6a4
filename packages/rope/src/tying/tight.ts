import type { Board, KeptTight, KnotMeasure } from '../base/own-knot.js';
import type { Point, Point3 } from '../base/point.js';

import { drawBoard } from '../board/tight.js';
import { acrossOf, repeated } from '../curves/cells.js';
import { polylineLength } from '../curves/spline.js';
import {
  curveOfTurksHead,
  formulaOfTurksHead,
  turksHeadWidth,
  type TurksHead,
} from '../curves/turks-head-curve.js';
import { TIGHTENED_CURVES } from '../tables/tightened-curves.js';
import { TIGHTENED } from '../tables/tightened.js';
import { TIGHT_TYINGS } from '../tables/tight-tyings.js';
import type { Tying } from './tying.js';

/** A knot drawn tight, in diameters of its cord. */
export interface TightTying {
  /** Cord that it takes in all, with what each strand goes on by. */
  readonly cord: number;
  readonly length: number;
  readonly width: number;
  /** The smallest round hole that it goes through lengthwise, drawn by its cord. */
  readonly passes: number;
  /** By how much any of these may be off, as a share. */
  readonly error: number;
}

/** Points of cords between two places along x, as seen from its end. */
const endOn = (curves: readonly (readonly Point3[])[], from: number, to: number): Point[] =>
  curves.flat().flatMap(([x, y, z]): Point[] => (x >= from && x <= to ? [[y, z]] : []));

/** Rounds in which the middle of the smallest circle is found. */
const ROUNDS = 600;

/**
 * Diameter of the smallest circle round points: the middle goes towards the furthest by ever less (M. Badoiu,
 * K. L. Clarkson, Smaller core-sets for balls, 2003).
 *
 * @example circleRound([[0, 0], [2, 0]]) // 2
 */
export function circleRound(points: readonly Point[]): number {
  const far = ([x, y]: Point, [u, v]: Point): number => Math.hypot(u - x, v - y);
  let middle: Point = points[0] ?? [0, 0];
  const furthest = (): Point =>
    points.reduce((a, b) => (far(middle, b) > far(middle, a) ? b : a), middle);
  for (let i = 1; i <= ROUNDS; i++) {
    const [u, v] = furthest();
    middle = [middle[0] + (u - middle[0]) / (i + 1), middle[1] + (v - middle[1]) / (i + 1)];
  }
  return 2 * far(middle, furthest());
}

/**
 * The smallest hole that a tight knot goes through along x, in diameters.
 *
 * @param length of the knot, which begins at x = 0
 */
export const passing = (curves: readonly (readonly Point3[])[], length: number): number =>
  1 + circleRound(endOn(curves, 0, length));

const table = TIGHTENED as Readonly<Record<string, { value: number; error: number } | undefined>>;

/** Numbers of a knot of the catalogue: `overhand.uses`, or of a family `diamond.length.3`. */
function read(
  cell: string,
  names: readonly string[],
): { value: number; error: number } | undefined {
  const [, family, of] = /^(.+)\.(\d)$/.exec(cell) ?? [];
  return names.flatMap((name) => {
    const own = family === undefined ? undefined : table[`${family}.${name}.${of!}`];
    return own ?? table[`${cell}.${name}`] ?? [];
  })[0];
}

/** A tying of the catalogue by its numbers there; null where these are of a unit among others like it. */
function ofCell(cell: string): TightTying | null {
  const [cord, length, width] = [
    read(cell, ['uses', 'beyond']),
    read(cell, ['length']),
    read(cell, ['width']),
  ];
  const curves = TIGHTENED_CURVES[cell]?.strands.map(({ line }) => line);
  if (!cord || !length || !width || !curves) return null;
  return {
    cord: cord.value,
    length: length.value,
    width: width.value,
    passes: passing(curves, length.value),
    error: Math.max(cord.error, length.error, width.error),
  };
}

/** Points of a line are rounded to hundredths of a diameter, and its length is that of its corners. */
const ROUNDED = 0.02;

/** So many cells of a knot of the catalogue that repeats along x; null for one that does not. */
function ofRepeats(name: string, cells: number): TightTying | null {
  const cell = TIGHTENED_CURVES[name];
  if (cell?.shift === undefined) return null;
  const lines = repeated(cell, cells);
  const length = cells * cell.shift;
  const [width] = acrossOf(lines);
  return {
    // A strand that goes on only some cells further is there that many times, and its line as long.
    cord: cells * cell.strands.reduce((sum, { line }) => sum + polylineLength(line), 0),
    length,
    width,
    passes: passing(lines, length),
    error: ROUNDED,
  };
}

/** Core that a Turk's head is told of, in diameters of its cord; and by how much another form than of three leads and four bights may be off. */
export const HEAD_CORE = 4;
const OFF = { computed: 0.03, formula: 0.1 } as const;

function ofHead(head: TurksHead): TightTying {
  const { leads, bights, passes } = head;
  const computed = leads === 3 && bights === 4;
  const wide = turksHeadWidth(head);
  return {
    cord: computed ? formulaOfTurksHead(passes, HEAD_CORE) : curveOfTurksHead(head, HEAD_CORE),
    length: wide,
    // Two layers of cord on the core.
    width: HEAD_CORE + 4,
    passes: HEAD_CORE + 4,
    error: computed ? OFF.computed : OFF.formula,
  };
}

function ofLayout({ size, passes }: KeptTight, slack = 0): TightTying {
  const share = ({ value, off }: KnotMeasure): number => (value > 0 ? off / value : 0);
  return {
    cord: size.uses.reduce((sum, { value }) => sum + value, 0),
    length: size.length.value,
    width: size.width.value,
    passes,
    error: Math.max(slack, ...[...size.uses, size.length, size.width].map(share)),
  };
}

/**
 * The numbers of a tying drawn tight; null for what holds nothing by itself, as a slip knot and a chain, and for what was
 * not drawn.
 */
export function tightOf(tying: Tying): TightTying | null {
  const kept = TIGHT_TYINGS[tying.numbersOf ?? tying.id];
  if (tying.head) return ofHead(tying.head);
  if (kept) return ofLayout(kept, tying.slack);
  const cell = tying.cell ?? tying.numbersOf;
  return cell === undefined ? null : (ofCell(cell) ?? ofRepeats(cell, tying.cells ?? 1));
}

/** Draws a layout tight. @returns null where it falls apart or has no room */
export function drawTight(board: Board): KeptTight | null {
  const rounds = drawBoard(board);
  let next = rounds.next();
  while (!next.done) next = rounds.next();
  if (next.value.how !== 'holds') return null;
  const { size, curves } = next.value.tight;
  return { size, passes: passing(curves, size.length.value) };
}
