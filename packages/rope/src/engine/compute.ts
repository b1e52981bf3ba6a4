import type { Cell } from '../base/cell.js';

import type { Recipe } from './recipe.js';
import { thinned } from './thinned.js';
import { tighten, USUAL, type Drawn, type Progress } from './tighten.js';

/** Raised whenever the engine computes otherwise than before. */
export const ENGINE = 1;

/** A number that was computed. */
export interface Computed {
  readonly value: number;
  /** Relative: 0.01 is 1 %. */
  readonly error: number;
  /** Edges of the finest polygon, of all ropes; rounds until it was at rest. */
  readonly points: number;
  readonly rounds: number;
}

/**
 * Order in which numbers settle as polygons become finer: edges that stand for arcs leave out what grows with the
 * third to fourth power of their length, and bends that begin and end at once take from that.
 */
const ORDER = 3;
/** A refinement that moves a number by more than this share has found another way for the cords to lie. */
const FAR = 0.02;
/** Least error in numbers that come of a length, as a share: what is left when ropes are called at rest. */
const MIN_ERROR = 3e-4;
/** Of numbers read from a single polygon, and of polygons that did not come to rest. */
const SINGLE = 0.01;
const RESTLESS = 0.005;

/**
 * Where a number goes as the polygon becomes ever finer, by Richardson's extrapolation from the last two:
 *
 *     v = v2 + (v2 - v1) / (r^3 - 1)        r = edges of the second over those of the first
 *
 * and by how much it may be off: as far as it was carried, or as the last refinement moved it by half. Where that
 * moved it by more than 2 % the cords lie otherwise, and nothing is carried on.
 *
 * @example extrapolate(10, 10, 1.4).value // 10
 */
export function extrapolate(
  coarse: number,
  fine: number,
  finer: number,
): { readonly value: number; readonly off: number } {
  if (Math.abs(fine - coarse) > FAR * Math.abs(fine)) {
    return { value: fine, off: Math.abs(fine - coarse) };
  }
  const carried = (fine - coarse) / (finer ** ORDER - 1);
  return { value: fine + carried, off: Math.max(Math.abs(carried), Math.abs(fine - coarse) / 2) };
}

const sum = (numbers: readonly number[]): number => numbers.reduce((a, b) => a + b, 0);

/** The numbers of a knot from the polygons that were drawn tight. */
export function readOff(recipe: Recipe, drawn: readonly Drawn[]): Record<string, Computed> {
  const last = drawn.at(-1);
  if (!last) return {};
  const before = drawn.at(-2);
  const now = recipe.read(last);
  const then = before && recipe.read(before);
  const finer = before ? sum(last.edges) / sum(before.edges) : 1;
  const rest = drawn.slice(-2).every(({ settled }) => settled) ? 0 : RESTLESS;
  return Object.fromEntries(
    Object.entries(now).map(([name, fine]) => {
      const coarse = then?.[name];
      const { value, off } =
        coarse === undefined || finer < 1.05
          ? { value: fine, off: SINGLE * Math.abs(fine) }
          : extrapolate(coarse, fine, finer);
      const share = value === 0 ? 0 : off / Math.abs(value);
      const error = Math.max(share, MIN_ERROR, recipe.error ?? 0) + rest;
      return [name, { value, error, points: sum(last.edges), rounds: last.rounds }];
    }),
  );
}

/** Draws a knot tight and reads its numbers off; between rounds it can be left. */
export function* compute(recipe: Recipe): Generator<Progress, Record<string, Computed>, void> {
  const drawn = yield* tighten(recipe.problem(), { ...USUAL, ...recipe.care });
  return readOff(recipe, drawn);
}

/** A curve that is kept may be this far off where points are left out, in diameters. */
const KEPT = 0.015;

/** The curves of a knot that is tight, as they are kept: its cell, for one that repeats along x. */
export function cellOf({ laid, shifts }: Drawn): Cell {
  const { strands, repeats = [], rods = [] } = laid.problem;
  const [repeat] = repeats;
  const along = repeat?.axis === 'x';
  return {
    strands: strands.map(({ ends }, s) => ({
      line: thinned(laid.curve(s), KEPT),
      ...(typeof ends === 'object' ? ends : {}),
    })),
    ...(along && { shift: shifts[0]! }),
    ...(along && repeat.turn !== undefined && { turn: repeat.turn }),
    ...(along && repeat.mirror !== undefined && { mirror: repeat.mirror }),
    ...(rods.length > 0 && { rods }),
  };
}

/** All of it at once: the numbers of a knot, and its curves. */
export function computeWhole(recipe: Recipe): {
  readonly numbers: Record<string, Computed>;
  readonly cell: Cell;
} {
  const drawn = allOf(tighten(recipe.problem(), { ...USUAL, ...recipe.care }));
  return { numbers: readOff(recipe, drawn), cell: cellOf(drawn.at(-1)!) };
}

/** How a number that is told compares with what one polygon more says. */
export interface Finer {
  readonly name: string;
  readonly stated: Computed;
  readonly finest: number;
  /** Whether the finest lies within the error that was stated. */
  readonly within: boolean;
}

/** Draws a knot with one polygon more than its numbers are told from, and holds those against it. */
export function finer(recipe: Recipe): Finer[] {
  const care = { ...USUAL, ...recipe.care };
  const drawn = allOf(tighten(recipe.problem(), { ...care, polygons: care.polygons + 1 }));
  const finest = recipe.read(drawn.at(-1)!);
  return Object.entries(readOff(recipe, drawn.slice(0, -1))).map(([name, stated]) => {
    const off = Math.abs(finest[name]! - stated.value);
    return {
      name,
      stated,
      finest: finest[name]!,
      within: off <= Math.abs(stated.value) * stated.error,
    };
  });
}

/** Runs a computation that can be left to its end. */
export function allOf<T>(steps: Generator<unknown, T, void>): T {
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}
