import { smoothLine } from '@coiled-strand/rope';
import type { DrawOptions, PartLayout } from '../../../base/kind/part-kind.js';
import type { Bounds, CordStroke, Point, Primitive } from '../../../base/kind/primitive.js';
import type { Run } from '../../../base/kind/run.js';
import { endsRight, leftWorks, swaps, type Crossing } from '../../floss/crossing.js';
import { orderAfter, type FlossKnot, type Simulation } from '../../floss/simulate.js';
import { edgeBumps } from '../../knot/edge.js';

import { strokeOf } from '../../knot/stroke.js';
import { latticeOf, tiedInOrder, type FlossPart, type Lattice } from './model.js';

/** Both wraps of a knot are drawn up to this many knots; beyond it they are too small to be told apart. */
const MAX_WITH_WRAPS = 1500;

/** Middle of a knot on the bench, in mm: rows run along x, places across. */
export const flossKnotAt = (
  { row, place }: FlossKnot,
  strands: number,
  { along, across }: Lattice,
  lay: string,
): Point => [(row + (lay === 'leader' ? 0.5 : 1)) * along, (place + 1 - strands / 2) * across];

/** Where a strand lies across the band when it is not in a knot. */
export const flossLane = (place: number, strands: number, across: number): number =>
  (place + 0.5 - strands / 2) * across;

/** How a wrap leans against the band, in radians, and half its length in diameters. */
const LEAN = 0.22;
const HALF_WRAP = 0.78;

/**
 * The wraps of one knot as they show: bars that lean the way of the worker, side by side along its row.
 * One that comes back bends round the strand it went about.
 *
 * @param count both wraps, or one for the two where they are too small to be told apart
 */
export function wrapsOf(
  [x, y]: Point,
  crossing: Crossing,
  { d, along, across }: Lattice,
  lay: string,
  count: 1 | 2,
): Point[][] {
  const sign = leftWorks(crossing) ? 1 : -1;
  const shifts = count === 2 ? [-0.25, 0.25] : [0];
  if (!swaps(crossing)) {
    return shifts.map((shift): Point[] => [
      [x - 0.7 * along, y + sign * across * (shift - 0.4)],
      [x, y + sign * across * (shift + 0.4)],
      [x + 0.7 * along, y + sign * across * (shift - 0.4)],
    ]);
  }
  const half = count === 2 ? HALF_WRAP * d : 0.4 * d;
  const [lx, ly] = [Math.cos(LEAN) * half, -sign * Math.sin(LEAN) * half];
  // A slanting row goes on by a place for every half row; a leader's lies straight across.
  const [stepX, stepY] = lay === 'leader' ? [0, across] : [along, sign * across];
  return shifts.map((shift): Point[] => {
    const [cx, cy] = [x + shift * stepX, y + shift * stepY];
    return [
      [cx - lx, cy - ly],
      [cx + lx, cy + ly],
    ];
  });
}

/** Lines of the wraps by strand, for some of the knots. */
function wrapLines(
  part: FlossPart,
  runs: readonly Run[],
  knots: readonly FlossKnot[],
  detailed: boolean,
  lattice: Lattice,
): Point[][][] {
  const lines: Point[][][] = runs.map(() => []);
  for (const knot of knots) {
    const at = flossKnotAt(knot, runs.length, lattice, part.lay);
    lines[knot.worker]?.push(...wrapsOf(at, knot.crossing, lattice, part.lay, detailed ? 2 : 1));
  }
  return lines;
}

const knotStrokes = (
  runs: readonly Run[],
  lines: readonly Point[][][],
  part: string,
  state: CordStroke['state'],
  swell: number,
): CordStroke[] =>
  runs.flatMap((run, i) => {
    const own = lines[i] ?? [];
    if (own.length === 0) return [];
    const stroke = strokeOf(run, `${part}-knots-${state}-${i}`, part, own, state, 'round');
    // Tightened floss lies flat and a little broader than round.
    return [{ ...stroke, diameter: stroke.diameter * swell }];
  });

/** The band on the bench: bare runs and turns at the edges below, every knot in its worker's colour. */
export function drawFloss(
  part: FlossPart,
  runs: readonly Run[],
  sim: Simulation,
  layout: PartLayout,
  { done }: DrawOptions,
): readonly Primitive[] {
  // As laid out: a hand that ties longer rows makes a longer band.
  const lattice = { ...latticeOf(part, runs), along: layout.pitch };
  const { along, across } = lattice;
  const detailed = sim.knots.length <= MAX_WITH_WRAPS;
  const swell = detailed ? 1.4 : 2.5;
  const bare: Point[][][] = runs.map(() => []);
  if (part.lay === 'crossing') {
    const knotted = new Uint8Array(sim.rows * sim.strands);
    for (const { row, place } of sim.knots) {
      const at = row * sim.strands + place;
      knotted[at] = knotted[at + 1] = 1;
    }
    for (let r = 0; r < sim.rows; r++) {
      orderAfter(sim, r).forEach((strand, p) => {
        if (knotted[r * sim.strands + p]) return;
        const y = flossLane(p, sim.strands, across);
        bare[strand]?.push([
          [r * along, y],
          [Math.min(layout.length, (r + 2) * along), y],
        ]);
      });
    }
  }
  const order = done >= sim.knots.length ? sim.knots : tiedInOrder(sim);
  const draw = (from: number, to: number, state: 'laid' | 'planned'): CordStroke[] =>
    from >= to
      ? []
      : knotStrokes(
          runs,
          wrapLines(part, runs, order.slice(from, to), detailed, lattice),
          part.id,
          state,
          swell,
        );
  return [
    ...knotStrokes(runs, bare, `${part.id}-bare`, done > 0 ? 'laid' : 'planned', 1).map(
      (stroke) => ({
        ...stroke,
        part: part.id,
      }),
    ),
    ...draw(Math.max(0, done), order.length, 'planned'),
    ...draw(0, Math.min(done, order.length), 'laid'),
  ];
}

/** The band from its edge: the knots at that edge, in the colours of those that tie them, on both faces. */
export function edgeOfFloss(
  part: FlossPart,
  runs: readonly Run[],
  sim: Simulation,
  layout: PartLayout,
): readonly Primitive[] {
  const { d } = latticeOf(part, runs);
  const along = layout.pitch;
  const first = new Map<number, FlossKnot>();
  for (const knot of sim.knots) {
    const seen = first.get(knot.row);
    if (seen === undefined || knot.place < seen.place) first.set(knot.row, knot);
  }
  const bySide = [d / 2, layout.thickness - d / 2];
  return bySide.flatMap((height, side) =>
    runs.flatMap((run, strand) => {
      const knots = [...first.values()].filter(({ worker }) => worker === strand);
      if (knots.length === 0) return [];
      const reach = part.lay === 'leader' ? 0.3 * along : 0.7 * along;
      const places = knots.map((knot) => ({
        at: flossKnotAt(knot, sim.strands, { d, along, across: 0 }, part.lay)[0],
        reach,
      }));
      const stroke = edgeBumps(run, part.id, `edge-${side}-${strand}`, places, height);
      return [{ ...stroke, diameter: Math.max(stroke.diameter, layout.thickness / 2) }];
    }),
  );
}

/** Rows and places about the next knot that its close-up shows. */
const SHOWN = { rows: 8, places: 5 } as const;

/** Room about the next knot: the rows above it, its neighbours, and its strands hanging down. */
export function frameOfKnot(part: FlossPart, runs: readonly Run[]): Bounds {
  const { along, across } = latticeOf(part, runs);
  const wide = (SHOWN.places + 1) * across;
  return { x: -wide, y: -SHOWN.rows * along, width: 2 * wide, height: (SHOWN.rows + 5) * along };
}

/** The next knot, hanging from the work done: its strands lie ready, the worker goes over. */
export function pictureOfKnot(
  part: FlossPart,
  runs: readonly Run[],
  sim: Simulation,
  unit: number,
): readonly Primitive[] {
  const order = tiedInOrder(sim);
  const next = order[Math.min(unit, order.length - 1)];
  if (next === undefined) return [];
  const lattice = latticeOf(part, runs);
  const { along, across } = lattice;
  const [x0, y0] = flossKnotAt(next, sim.strands, lattice, part.lay);
  // A narrow band stays where it is; on a broad one the picture goes along with the work.
  const narrow = sim.strands <= 2 * SHOWN.places + 2;
  const focus = narrow ? 0 : y0;
  const inSight = (place: number): boolean =>
    narrow || Math.abs(place - next.place) <= SHOWN.places;
  const near = ({ place, row }: FlossKnot): boolean =>
    inSight(place) && next.row - row <= SHOWN.rows;
  const done = order.slice(0, unit);
  // Where every strand came out of its last knot.
  const cameOut = runs.map((_, strand) => ({ place: strand, x: 0 }));
  for (const knot of done) {
    const right = endsRight(knot.crossing) ? 1 : 0;
    const x = flossKnotAt(knot, sim.strands, lattice, part.lay)[0] + along * 0.4;
    cameOut[knot.worker] = { place: knot.place + right, x };
    cameOut[knot.carried] = { place: knot.place + 1 - right, x };
  }
  const bottom = x0 + along * 5;
  const hang = ([x, y]: Point): Point => [y - focus, x - x0];
  const { worker, carried } = next;
  const strands = cameOut.flatMap(({ place, x }, s): CordStroke[] => {
    const run = runs[s];
    const y = flossLane(place, sim.strands, across);
    if (!run || s === worker || !inSight(place)) return [];
    const straight: Point[] = [
      [x, y],
      [bottom, s === carried ? y0 + (y - y0) * 0.4 : y],
    ];
    return [strokeOf(run, `picture-strand-${s}`, 'picture', [straight.map(hang)], 'laid', 'round')];
  });
  const side = leftWorks(next.crossing) ? 1 : -1;
  const working = runs[worker];
  const from = cameOut[worker];
  if (!working || !from) return [];
  const y = flossLane(from.place, sim.strands, across);
  const over = y0 + side * across * 1.1;
  const moving: Point[] = [
    [from.x, y],
    [x0 + along * 0.4, y],
    [x0 + along * 1.5, y0],
    [x0 + along * 1.3, over],
    [x0 + along * 0.4, over - side * across * 0.3],
    [x0 + along * 0.7, y0 - side * across * 0.2],
  ];
  return [
    ...strands,
    ...knotStrokes(
      runs,
      wrapLines(part, runs, done.filter(near), true, lattice).map((lines) =>
        lines.map((line) => line.map(hang)),
      ),
      'picture',
      'laid',
      1.4,
    ),
    strokeOf(
      working,
      'picture-moving',
      'picture',
      [smoothLine(moving, 8).map(hang)],
      'moving',
      'round',
    ),
  ];
}
