import {
  type Cell,
  type KnownCurves,
  type OwnKnot,
  inSpace as liftedOffBoard,
  inFrame,
  acrossOf,
  repeated,
  opening,
  type Moment,
  type Recipe,
} from '@coiled-strand/rope';

import type { PartLayout } from '../../base/kind/part-kind.js';
import type { Point3 } from '../../base/kind/primitive.js';

import type { Piece } from '../../piece/piece.js';
import { placedPart } from '../../plan/placed-parts.js';
import type { Plan } from '../../plan/plan-types.js';

import { partScene, tightCell, type SpaceScene } from './space.js';

/** The knot of a part that can be seen opened out: one of the catalogue by its name, or one that a maker drew. */
export type Openable =
  | { readonly of: 'catalogue'; readonly id: string }
  | { readonly of: 'board'; readonly id: string; readonly knot: OwnKnot };

/**
 * Which knot of a part can be seen opened out.
 *
 * @param known the curves of knots that were drawn tight
 * @returns null where it has none whose curves are known
 */
export function openableOf(
  piece: Piece,
  plan: Plan,
  id: string,
  known: KnownCurves,
): Openable | null {
  const placed = placedPart(piece, plan, id);
  if (!placed) return null;
  const { part, kind, site, layout } = placed;
  const knot = kind.inSpace?.cell(part, site, layout) ?? null;
  if (knot === null) return null;
  if (typeof knot !== 'string') return { of: 'board', ...knot };
  const cell = known[knot];
  return cell && kind.inSpace?.draw(part, site, layout, cell, 1)
    ? { of: 'catalogue', id: knot }
    : null;
}

/**
 * The way of a knot from loose to tight, the widest moment first.
 *
 * @param catalogue the knots that the program computes
 */
export function* openingOf(
  openable: Openable,
  catalogue: readonly Recipe[],
): Generator<unknown, readonly Moment[], void> {
  const moments: Moment[] = [];
  const recipe =
    openable.of === 'catalogue' ? catalogue.find(({ id }) => id === openable.id) : undefined;
  if (openable.of === 'catalogue' && !recipe) return moments;
  const problem = recipe
    ? recipe.problem()
    : liftedOffBoard((openable as { knot: OwnKnot }).knot.board);
  for (const moment of opening(problem, recipe?.care)) {
    moments.push(moment);
    yield;
  }
  return recipe ? moments : turnedAsTight(moments, problem.strands);
}

/** Moments of a board turned as its knot is kept when it is tight: along the piece from x = 0. */
function turnedAsTight(
  moments: readonly Moment[],
  strands: Parameters<typeof inFrame>[1],
): Moment[] {
  const tight = moments.at(-1);
  if (!tight) return [];
  const all = moments.flatMap(({ strands: own, beads }) => [
    ...own.flatMap(({ line }) => line),
    ...beads,
  ]);
  const { more } = inFrame(
    tight.strands.map(({ line }) => line),
    strands,
    all,
  );
  let i = 0;
  const next = (points: readonly Point3[]): Point3[] => points.map(() => more[i++]!);
  return moments.map((moment) => ({
    ...moment,
    strands: moment.strands.map((strand) => ({ ...strand, line: next(strand.line) })),
    beads: next(moment.beads),
  }));
}

/** What goes straight along the piece, within this of it, leads to the knot: the cosine of the angle. */
const LEADS = 0.97;

/** From where to where along x a knot lies: all of a cell that repeats, else where its cords do not go straight on. */
function reachOf({ strands, shift }: Cell): readonly [number, number] {
  if (shift !== undefined) return [0, shift];
  let [from, to] = [Infinity, -Infinity];
  for (const { line } of strands) {
    line.slice(1).forEach((q, i) => {
      const p = line[i]!;
      const long = Math.hypot(q[0] - p[0], q[1] - p[1], q[2] - p[2]);
      if (Math.abs(q[0] - p[0]) > LEADS * long) return;
      from = Math.min(from, p[0], q[0]);
      to = Math.max(to, p[0], q[0]);
    });
  }
  return from < to ? [from - 0.5, to + 0.5] : [0, 1];
}

const longOf = (cell: Cell): number => {
  const [from, to] = reachOf(cell);
  return to - from;
};

/** How wide and thick a cell is where it repeats; a knot that stands alone is as large as it is. */
function acrossIn(cell: Cell): readonly [number, number] {
  return cell.shift === undefined ? [1, 1] : acrossOf(repeated(cell, 1));
}

/** A part laid as much wider and thicker as its knot is at a moment, and so many times as long. */
function laidOpen(layout: PartLayout, tight: Cell, moment: Cell, along: number): PartLayout {
  const [wide, high] = acrossIn(tight);
  const [openWide, openHigh] = acrossIn(moment);
  return {
    ...layout,
    length: layout.length * along,
    width: (layout.width * openWide) / wide,
    thickness: (layout.thickness * openHigh) / high,
    beads: layout.beads.map((bead) => ({ ...bead, at: bead.at * along })),
  };
}

/** A knot of one's own with the curves of a moment. */
function knotAt(knot: OwnKnot, { strands, beads }: Moment, long: number, from: number): OwnKnot {
  const moved = ([x, y, z]: Point3): Point3 => [x - from, y, z];
  const { tight } = knot;
  const { size } = tight;
  return {
    ...knot,
    tight: {
      ...tight,
      curves: strands.map(({ line }) => line.map(moved)),
      beads: beads.map(moved),
      size: { ...size, length: { ...size.length, value: long } },
    },
  };
}

/**
 * A part in space with its knot as it was at a moment on its way from loose to tight, in mm from x = 0.
 *
 * @param openable what `openableOf` says of this part
 * @param known the curves of knots that were drawn tight
 */
export function drawOpened(
  piece: Piece,
  plan: Plan,
  id: string,
  openable: Openable,
  moment: Moment,
  known: KnownCurves,
): SpaceScene {
  const { part, site, layout } = placedPart(piece, plan, id)!;
  if (openable.of === 'board') {
    const kept = tightCell(openable.knot);
    const [from, to] = reachOf(moment);
    const open = { ...site, knot: () => knotAt(openable.knot, moment, to - from, from) };
    const by = (to - from) / longOf(kept);
    return partScene(part, open, laidOpen(layout, kept, moment, by), kept, 0, by);
  }
  const tight = known[openable.id]!;
  const by = longOf(moment) / longOf(tight);
  return partScene(part, site, laidOpen(layout, tight, moment, by), moment, 0, by);
}
