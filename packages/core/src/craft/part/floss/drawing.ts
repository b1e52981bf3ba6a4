import { smoothLine } from '@coiled-strand/rope';
import type { DrawOptions, PartLayout } from '../../../base/kind/part-kind.js';
import type { Bounds, CordStroke, Point, Primitive } from '../../../base/kind/primitive.js';
import type { Run } from '../../../base/kind/run.js';
import { endsRight, leftWorks, swaps, type Crossing } from '../../floss/crossing.js';
import { orderAfter, type Simulation } from '../../floss/simulate.js';
import { edgeBumps } from '../../knot/edge.js';

import { strokeOf } from '../../knot/stroke.js';
import { latticeOf, tiedInOrder, type FlossPart, type Lattice } from './model.js';

/** Both wraps of a knot are drawn up to this many knots; beyond it they are too small to be told apart. */
const MAX_WITH_WRAPS = 1500;

/** Middle of a knot on the bench, in mm: rows run along x, places across. */
export const flossKnotAt = (
  sim: Simulation,
  k: number,
  { along, across }: Lattice,
  lay: string,
): Point => [
  (sim.row[k]! + (lay === 'leader' ? 0.5 : 1)) * along,
  (sim.place[k]! + 1 - sim.strands / 2) * across,
];

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
  sim: Simulation,
  knots: Iterable<number>,
  detailed: boolean,
  lattice: Lattice,
): Point[][][] {
  const lines: Point[][][] = runs.map(() => []);
  for (const k of knots) {
    lines[sim.worker[k]!]!.push(
      ...wrapsOf(
        flossKnotAt(sim, k, lattice, part.lay),
        sim.crossing[k]!,
        lattice,
        part.lay,
        detailed ? 2 : 1,
      ),
    );
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
    if (lines[i]!.length === 0) return [];
    const stroke = strokeOf(run, `${part}-knots-${state}-${i}`, part, lines[i]!, state, 'round');
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
  const detailed = sim.count <= MAX_WITH_WRAPS;
  const swell = detailed ? 1.4 : 2.5;
  const bare: Point[][][] = runs.map(() => []);
  if (part.lay === 'crossing') {
    const knotted = new Uint8Array(sim.rows * sim.strands);
    for (let k = 0; k < sim.count; k++) {
      const at = sim.row[k]! * sim.strands + sim.place[k]!;
      knotted[at] = knotted[at + 1] = 1;
    }
    for (let r = 0; r < sim.rows; r++) {
      const order = orderAfter(sim, r);
      for (let p = 0; p < sim.strands; p++) {
        if (knotted[r * sim.strands + p]) continue;
        const y = flossLane(p, sim.strands, across);
        bare[order[p]!]!.push([
          [r * along, y],
          [Math.min(layout.length, (r + 2) * along), y],
        ]);
      }
    }
  }
  const all = done >= sim.count;
  const order = all ? null : tiedInOrder(sim);
  const range = function* (from: number, to: number): Generator<number> {
    for (let i = from; i < to; i++) yield order ? order[i]! : i;
  };
  const draw = (from: number, to: number, state: 'laid' | 'planned'): CordStroke[] =>
    from >= to
      ? []
      : knotStrokes(
          runs,
          wrapLines(part, runs, sim, range(from, to), detailed, lattice),
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
    ...draw(Math.max(0, done), sim.count, 'planned'),
    ...draw(0, Math.min(done, sim.count), 'laid'),
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
  const first = new Map<number, number>();
  for (let k = 0; k < sim.count; k++) {
    const seen = first.get(sim.row[k]!);
    if (seen === undefined || sim.place[k]! < sim.place[seen]!) first.set(sim.row[k]!, k);
  }
  const bySide = [d / 2, layout.thickness - d / 2];
  return bySide.flatMap((height, side) =>
    runs.flatMap((run, strand) => {
      const knots = [...first.values()].filter((k) => sim.worker[k] === strand);
      if (knots.length === 0) return [];
      const reach = part.lay === 'leader' ? 0.3 * along : 0.7 * along;
      const places = knots.map((k) => ({
        at: flossKnotAt(sim, k, { d, along, across: 0 }, part.lay)[0],
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
  const next = order[Math.min(unit, sim.count - 1)];
  if (next === undefined) return [];
  const lattice = latticeOf(part, runs);
  const { along, across } = lattice;
  const [x0, y0] = flossKnotAt(sim, next, lattice, part.lay);
  // A narrow band stays where it is; on a broad one the picture goes along with the work.
  const narrow = sim.strands <= 2 * SHOWN.places + 2;
  const focus = narrow ? 0 : y0;
  const inSight = (place: number): boolean =>
    narrow || Math.abs(place - sim.place[next]!) <= SHOWN.places;
  const near = (k: number): boolean =>
    inSight(sim.place[k]!) && sim.row[next]! - sim.row[k]! <= SHOWN.rows;
  const done = [...order.subarray(0, unit)];
  // Where every strand came out of its last knot.
  const place = Array.from({ length: sim.strands }, (_, i) => i);
  const from = Array.from({ length: sim.strands }, () => 0);
  for (const k of done) {
    const p = sim.place[k]!;
    const crossing = sim.crossing[k]!;
    const right = endsRight(crossing) ? 1 : 0;
    place[sim.worker[k]!] = p + right;
    place[sim.carried[k]!] = p + 1 - right;
    const [x] = flossKnotAt(sim, k, lattice, part.lay);
    from[sim.worker[k]!] = from[sim.carried[k]!] = x + along * 0.4;
  }
  const bottom = x0 + along * 5;
  const hang = ([x, y]: Point): Point => [y - focus, x - x0];
  const [worker, carried] = [sim.worker[next]!, sim.carried[next]!];
  const strands = runs.flatMap((run, s): CordStroke[] => {
    const y = flossLane(place[s]!, sim.strands, across);
    if (s === worker || !inSight(place[s]!)) return [];
    const straight: Point[] = [
      [from[s]!, y],
      [bottom, s === carried ? y0 + (y - y0) * 0.4 : y],
    ];
    return [strokeOf(run, `picture-strand-${s}`, 'picture', [straight.map(hang)], 'laid', 'round')];
  });
  const side = leftWorks(sim.crossing[next]!) ? 1 : -1;
  const y = flossLane(place[worker]!, sim.strands, across);
  const over = y0 + side * across * 1.1;
  const moving: Point[] = [
    [from[worker]!, y],
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
      wrapLines(part, runs, sim, done.filter(near), true, lattice).map((lines) =>
        lines.map((line) => line.map(hang)),
      ),
      'picture',
      'laid',
      1.4,
    ),
    strokeOf(
      runs[worker]!,
      'picture-moving',
      'picture',
      [smoothLine(moving, 8).map(hang)],
      'moving',
      'round',
    ),
  ];
}
