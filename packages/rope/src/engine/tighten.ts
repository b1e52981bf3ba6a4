import type { Point3 } from '../base/point.js';
import { random } from '../base/random.js';

import { HELD, Laid } from './laid.js';
import type { RopeProblem } from './problem.js';
import { Relaxing, total } from './relaxing.js';
import { Touching } from './touching.js';

const { PI, abs, max, min, round, sin } = Math;

/** How finely ropes are laid, and how long it is tried. */
export interface Care {
  /** Edges of the first polygon, in diameters of each rope; each of the others is finer by FINER. */
  readonly edge: number;
  /** How many polygons, >= 1; three tell how far the length may be off. */
  readonly polygons: number;
  /** Most rounds with one polygon. */
  readonly rounds: number;
  /** Rounds in which thin ropes grow to their thickness. */
  readonly ramp: number;
  /** At rest: the length changes by less than this share in a hundred rounds. */
  readonly still: number;
}

export const USUAL: Care = { edge: 0.36, polygons: 3, rounds: 12_000, ramp: 600, still: 3e-5 };
const FINER = 1.4;
/** The polygon that finds the way, against the first that counts. */
const ROUGHER = 1.4;

const FEWEST_EDGES = 8;
const MAX_EDGES = 3000;

const STEP = 0.15;
const LAST_STEP = 0.012;
/** The polygon that finds the way need not come to rest as well. */
const WAY_STILL = 5e-4;
/** It is looked so often, in rounds; settled, nothing overlaps by more, in diameters. */
const LOOK = 100;
/** So many times longer than they were drawn, ropes have blown apart. */
const SWOLLEN = 4;
const OVERLAP = 1e-3;
/** Ropes begin as thick as this share of what the curve that was drawn bears. */
const BEARS = 0.9;
const THINNEST = 0.02;

export interface Progress {
  readonly polygon: number;
  readonly round: number;
  /** Of all ropes, each in its diameters. */
  readonly length: number;
  readonly thickness: number;
  readonly overlap: number;
  /** What there is by now, for who leaves or looks on. */
  readonly soFar: () => Drawn;
}

/** A polygon that was drawn tight. */
export interface Drawn {
  readonly laid: Laid;
  readonly edges: readonly number[];
  /** By strand, along the curve. */
  readonly lengths: readonly number[];
  readonly shifts: readonly number[];
  readonly overlap: number;
  readonly bend: number;
  readonly rounds: number;
  /** By what share the length last changed in a hundred rounds. */
  readonly still: number;
  readonly settled: boolean;
  /** There was no room: ropes were pushed out of each other ever further. */
  readonly burst: boolean;
}

/** Draws a problem tight, polygon after polygon; between rounds it may be stopped with what it has. */
export function* tighten(
  problem: RopeProblem,
  care: Care = USUAL,
): Generator<Progress, Drawn[], void> {
  const drawn: Drawn[] = [];
  let now = problem;
  let first: Drawn | undefined;
  // The first polygon only finds the way: what was drawn is far longer than what it becomes.
  for (let polygon = -1; polygon < care.polygons; polygon++) {
    const fine = polygon < 0 ? care.edge * ROUGHER : care.edge / FINER ** polygon;
    const before = drawn.at(-1) ?? first;
    const edges = now.strands.map((strand, s) =>
      min(
        MAX_EDGES,
        max(
          FEWEST_EDGES,
          round((before?.lengths[s] ?? curveOf(now, s)) / (fine * strand.diameter)),
        ),
      ),
    );
    const laid = new Laid(now, edges);
    if (polygon < 0) nudge(laid);
    const one = yield* settle(laid, care, polygon);
    if (one.burst) return [...drawn, one];
    if (polygon < 0) first = one;
    else drawn.push(one);
    now = {
      ...problem,
      strands: problem.strands.map((strand, s) => ({
        ...strand,
        points:
          laid.problem.strands[s]!.ends === 'held' ? laid.curve(s) : laid.curve(s).slice(0, -1),
      })),
      ...(problem.repeats && {
        repeats: problem.repeats.map((repeat, r) => ({ ...repeat, shift: one.shifts[r]! })),
      }),
    };
  }
  return drawn;
}

const curveOf = (problem: RopeProblem, s: number): number => {
  const laid = new Laid(
    problem,
    problem.strands.map(() => LOOKED_AT),
  );
  laid.measure();
  return laid.length[s]!;
};

function* settle(laid: Laid, care: Care, polygon: number): Generator<Progress, Drawn, void> {
  laid.measure();
  const relaxing = new Relaxing(laid);
  const begin = polygon < 0 ? bears(laid, relaxing.touching) : 1;
  laid.thickness = begin;
  let step = polygon < 0 ? STEP : STEP / 2;
  const long = total(laid.length) + total(laid.diameter);
  let last = Infinity;
  let round = 0;
  let overlap = 1;
  let still = 1;
  let settled = false;
  let burst = false;
  const soFar = (): Drawn => ({
    laid,
    edges: [...laid.edges],
    lengths: Array.from(laid.length, (_, s) => laid.curveLength(s)),
    shifts: [...laid.images.shifts],
    overlap,
    bend: relaxing.bending.tightest(),
    rounds: round,
    still,
    settled,
    burst,
  });
  const look = (): Progress => {
    overlap = relaxing.touching.overlap();
    const length = total(laid.length);
    return { polygon, round, length, thickness: laid.thickness, overlap, soFar };
  };
  const rest = polygon < 0 ? max(WAY_STILL, care.still) : care.still;
  if (polygon < 0) yield look();
  for (; round < care.rounds; round++) {
    const share = begin < 1 ? min(1, round / care.ramp) : 1;
    laid.thickness = begin + (1 - begin) * share;
    relaxing.round(step);
    if ((round + 1) % LOOK !== 0) continue;
    const now = look();
    still = abs(now.length / last - 1);
    last = now.length;
    yield now;
    burst = !(now.length < SWOLLEN * long);
    if (burst) break;
    if (share < 1 || still >= rest) continue;
    if (polygon < 0) break;
    if (step > LAST_STEP) step = max(LAST_STEP, step / 3);
    else if (overlap < OVERLAP) {
      settled = true;
      break;
    }
  }
  return soFar();
}

/** Waves that a drawn curve is shaken by, and how far, in diameters: perfect symmetry stands on its head for long. */
const WAVES = 4;
const SHAKEN = 0.03;

function nudge(laid: Laid): void {
  const { normal, uniform } = random(7);
  for (let s = 0; s < laid.strands; s++) {
    // A body keeps the shape that it begins with.
    if (laid.bodies.includes(s)) continue;
    const far = SHAKEN * laid.diameter[s]!;
    const held = laid.problem.strands[s]!.ends === 'held';
    for (let k = 0; k < 3; k++) {
      for (let wave = 1; wave <= WAVES; wave++) {
        const [high, phase] = [far * normal(), 2 * PI * uniform()];
        for (let i = 0; i < laid.points[s]!; i++) {
          const slot = laid.first[s]! + i;
          if (laid.kind[slot] === HELD) continue;
          const share = i / laid.edges[s]!;
          laid.x[3 * slot + k]! +=
            high * (held ? sin(PI * wave * share) : sin(2 * PI * wave * share + phase));
        }
      }
    }
  }
  laid.follow();
}

/** Share of their thickness that ropes can have where they were drawn. */
function bears(laid: Laid, touching: Touching): number {
  for (let share = 1; share > THINNEST; share *= 0.9) {
    laid.thickness = share;
    touching.find();
    if (touching.overlap() <= 0) return share < 1 ? share * BEARS : 1;
  }
  return THINNEST;
}

/** Where ropes were drawn through each other, so that even thin ones overlap; null where they were not. */
export function touchesAsDrawn(problem: RopeProblem): Point3 | null {
  const laid = new Laid(
    problem,
    problem.strands.map(() => LOOKED_AT),
  );
  laid.measure();
  const touching = new Touching(laid);
  laid.thickness = THINNEST;
  touching.find();
  return touching.deepest();
}

/** Edges in which a drawn curve is looked at for cords that go through each other. */
const LOOKED_AT = 240;
