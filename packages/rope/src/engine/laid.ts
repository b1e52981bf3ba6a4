import type { Point3 } from '../base/point.js';

import { evenly } from './curve.js';
import { Images, PER_IMAGE } from './images.js';
import type { Ball, RopeProblem, RopeStrand } from './problem.js';

const { abs, acos, ceil, hypot, max, min, round, sin, sqrt } = Math;

/** What may happen to a slot: moved freely, held, or moved together with its images. */
export const FREE = 0;
export const HELD = 1;
export const TIED = 2;

/** A shift that is found may become so much shorter than it was drawn. */
const SHORTER = 0.45;
/** More cells than this are never looked at: a cell is that much shorter than its cords are thick. */
const MAX_CELLS = 9;

/** Cells each way that a cord may touch: as many as it reaches over, and its thickness. */
function reachOf({ strands, repeats = [] }: RopeProblem): number[] {
  return repeats.map(({ axis, shift, push }) => {
    const k = 'xyz'.indexOf(axis) as 0 | 1 | 2;
    const along = strands.flatMap(({ points }) => points.map((point) => point[k]));
    const over = max(...along) - min(...along);
    const thick = max(...strands.map(({ diameter }) => diameter));
    const least = abs(shift) * (push === undefined ? 1 : SHORTER);
    return min(MAX_CELLS, ceil(over / abs(shift) + (1.2 * thick) / least));
  });
}

/**
 * Ropes laid as polygons of equal edges, in typed arrays.
 *
 * Every strand has its points in slots of their own, in a row. One that goes on (closed, or into the next cell) has
 * a slot before its first point and two after its last, which are images of points elsewhere and follow them.
 */
export class Laid {
  readonly images: Images;
  readonly strands: number;
  /** By strand: first slot of a point of its own, how many points and edges, diameter, tension, tightest bend. */
  readonly first: Int32Array;
  readonly points: Int32Array;
  readonly edges: Int32Array;
  readonly diameter: Float64Array;
  readonly tension: Float64Array;
  readonly radius: Float64Array;
  /** Strands that keep their shape and move as one. */
  readonly bodies: readonly number[];
  /** By strand: length of all its edges, and of one of them. */
  readonly length: Float64Array;
  readonly edge: Float64Array;
  /** By slot, three each: where it is, and the second difference there. */
  readonly x: Float64Array;
  readonly bow: Float64Array;
  readonly kind: Uint8Array;
  readonly strandOf: Int32Array;
  readonly slots: number;
  /** Images of points: the slot, whose it is, and by which image. */
  readonly ghost: Int32Array;
  readonly owner: Int32Array;
  readonly by: Int32Array;
  /** By slot: its number among the images of points, or -1. */
  private readonly ghostAt: Int32Array;
  /** Share of the full thickness that cords have by now. */
  thickness = 1;

  constructor(
    readonly problem: RopeProblem,
    edges: readonly number[],
  ) {
    const { strands, repeats = [] } = problem;
    this.images = new Images(
      repeats,
      reachOf(problem),
      max(0, ...strands.map(({ ends }) => (typeof ends === 'object' ? ends.after : 0))),
    );
    const n = strands.length;
    this.strands = n;
    this.edges = Int32Array.from(edges);
    this.points = Int32Array.from(strands, ({ ends }, i) => edges[i]! + (ends === 'held' ? 1 : 0));
    this.diameter = Float64Array.from(strands, ({ diameter }) => diameter);
    const isBody = ({ rigid, ends }: RopeStrand): boolean => !!rigid && ends === 'closed';
    this.bodies = strands.flatMap((strand, s) => (isBody(strand) ? [s] : []));
    this.tension = Float64Array.from(strands, (strand) =>
      isBody(strand) ? 0 : (strand.tension ?? 1),
    );
    this.radius = Float64Array.from(strands, (strand) =>
      isBody(strand) ? 0 : ((strand.bend ?? 1) * strand.diameter) / 2,
    );
    this.length = new Float64Array(n);
    this.edge = new Float64Array(n);
    this.first = new Int32Array(n);
    let slots = 0;
    strands.forEach(({ ends }, s) => {
      this.first[s] = slots + (ends === 'held' ? 0 : 1);
      slots += this.points[s]! + (ends === 'held' ? 0 : 3);
    });
    this.slots = slots;
    this.x = new Float64Array(3 * slots);
    this.bow = new Float64Array(3 * slots);
    this.kind = new Uint8Array(slots);
    this.strandOf = new Int32Array(slots);
    this.ghostAt = new Int32Array(slots).fill(-1);
    const ghosts: (readonly [slot: number, owner: number, image: number])[] = [];
    strands.forEach(({ ends, rigid }, s) => {
      const [from, count] = [this.first[s]!, this.points[s]!];
      const low = ends === 'held' ? from : from - 1;
      const high = ends === 'held' ? from + count : from + count + 2;
      this.strandOf.fill(s, low, high);
      if (ends === 'held') {
        this.kind[from] = HELD;
        this.kind[from + count - 1] = HELD;
        if (rigid) this.kind.fill(HELD, from, from + count);
        return;
      }
      const next = ends === 'closed' ? { joins: s, after: 0 } : ends;
      const on = this.imageFor(next.after);
      for (const k of [0, 1]) {
        ghosts.push([
          from + count + k,
          this.first[next.joins]! + (k % this.points[next.joins]!),
          on,
        ]);
      }
      const back = this.imageFor(-next.after);
      const last = from + count - 1;
      ghosts.push([this.first[next.joins]! - 1, last, back]);
    });
    this.ghost = Int32Array.from(ghosts, ([slot]) => slot);
    this.owner = Int32Array.from(ghosts, ([, owner]) => owner);
    this.by = Int32Array.from(ghosts, ([, , image]) => image);
    ghosts.forEach(([slot, owner], g) => {
      this.kind[slot] = TIED;
      this.kind[owner] = TIED;
      this.ghostAt[slot] = g;
    });
    this.spread();
  }

  private imageFor(after: number): number {
    const image = this.images.find(after);
    if (image === undefined) throw new RangeError(`a strand goes on ${after} cells further`);
    return image;
  }

  /** Lays the points of every strand along the curve that was drawn. */
  private spread(): void {
    const { strands } = this.problem;
    strands.forEach(({ points, ends }, s) => {
      const laid = evenly(
        points,
        this.edges[s]!,
        ends === 'held' ? undefined : (i) => this.drawn(s, i),
      );
      laid.forEach((point, i) => this.x.set(point, 3 * (this.first[s]! + i)));
    });
    this.follow();
  }

  /** The i-th point drawn of a strand, before its first and after its last in the cells where it goes on. */
  private drawn(strand: number, i: number): Point3 {
    const { strands } = this.problem;
    const { points, ends } = strands[strand]!;
    if (i >= 0 && i < points.length) return points[i]!;
    if (ends === 'held') throw new RangeError('a strand that is held does not go on');
    if (ends === 'closed') return points[(i + points.length) % points.length]!;
    if (i >= points.length)
      return this.moved(this.drawn(ends.joins, i - points.length), ends.after);
    const before = strands.findIndex(
      ({ ends: other }) => typeof other === 'object' && other.joins === strand,
    );
    const from = strands[before]!;
    return this.moved(
      this.drawn(before, i + from.points.length),
      -(from.ends as { readonly after: number }).after,
    );
  }

  private moved(point: Point3, power: number): Point3 {
    const m = this.images.numbers.subarray(PER_IMAGE * this.imageFor(power));
    const row = (k: number): number =>
      m[3 * k]! * point[0] + m[3 * k + 1]! * point[1] + m[3 * k + 2]! * point[2] + m[9 + k]!;
    return [row(0), row(1), row(2)];
  }

  /** The slot of the point that a ball sits on. */
  slotOf({ strand, along, leads: [from, to] }: Ball): number {
    const long = this.length[strand]!;
    const share = (from + along * max(0, long - from - to)) / long;
    return this.first[strand]! + round(min(1, max(0, share)) * this.edges[strand]!);
  }

  /** Middles of all balls. */
  ballPlaces(): Point3[] {
    return (this.problem.balls ?? []).map((ball): Point3 => {
      const at = 3 * this.slotOf(ball);
      return [this.x[at]!, this.x[at + 1]!, this.x[at + 2]!];
    });
  }

  /** Images go to where their points are. */
  follow(): void {
    for (let g = 0; g < this.ghost.length; g++) this.followOne(g);
  }

  private followOne(g: number): void {
    const { x } = this;
    const m = this.images.numbers;
    const [i, p, o] = [3 * this.ghost[g]!, 3 * this.owner[g]!, PER_IMAGE * this.by[g]!];
    for (let k = 0; k < 3; k++) {
      x[i + k] =
        m[o + 3 * k]! * x[p]! +
        m[o + 3 * k + 1]! * x[p + 1]! +
        m[o + 3 * k + 2]! * x[p + 2]! +
        m[o + 9 + k]!;
    }
  }

  /** Moves what a slot stands for, and its images with it; what is held stays. */
  push(slot: number, dx: number, dy: number, dz: number): void {
    const { x, kind } = this;
    if (kind[slot] === FREE) {
      x[3 * slot]! += dx;
      x[3 * slot + 1]! += dy;
      x[3 * slot + 2]! += dz;
    } else if (kind[slot] === TIED) this.pushTied(slot, dx, dy, dz);
  }

  private pushTied(slot: number, dx: number, dy: number, dz: number): void {
    const { x } = this;
    const g = this.ghostAt[slot]!;
    let point = slot;
    if (g < 0) {
      x[3 * slot]! += dx;
      x[3 * slot + 1]! += dy;
      x[3 * slot + 2]! += dz;
    } else {
      const m = this.images.numbers;
      const o = PER_IMAGE * this.by[g]!;
      point = this.owner[g]!;
      for (let k = 0; k < 3; k++) {
        x[3 * point + k]! += m[o + k]! * dx + m[o + 3 + k]! * dy + m[o + 6 + k]! * dz;
      }
    }
    for (let other = 0; other < this.owner.length; other++) {
      if (this.owner[other] === point) this.followOne(other);
    }
  }

  /** Lengths, and second differences at the ends of all edges; what is held does not bend. */
  measure(): void {
    const { x, bow } = this;
    for (let s = 0; s < this.strands; s++) {
      const from = this.first[s]!;
      let sum = 0;
      for (let i = from; i < from + this.edges[s]!; i++) {
        sum += hypot(
          x[3 * i + 3]! - x[3 * i]!,
          x[3 * i + 4]! - x[3 * i + 1]!,
          x[3 * i + 5]! - x[3 * i + 2]!,
        );
      }
      this.length[s] = sum;
      this.edge[s] = sum / this.edges[s]!;
      for (let i = from; i <= from + this.edges[s]!; i++) {
        if (this.kind[i] === HELD) continue;
        for (let k = 3 * i; k < 3 * i + 3; k++) bow[k] = x[k - 3]! - 2 * x[k]! + x[k + 3]!;
      }
    }
  }

  /**
   * Length of a strand as the smooth curve through its corners: the edge between two corners that turn by a and b is
   * the chord of an arc that turns by (a + b) / 2.
   */
  curveLength(s: number): number {
    const { x } = this;
    const from = this.first[s]!;
    const turn = (i: number): number => {
      if (this.kind[i] === HELD) return 0;
      let [uu, vv, uv] = [0, 0, 0];
      for (let k = 3 * i; k < 3 * i + 3; k++) {
        const [u, v] = [x[k]! - x[k - 3]!, x[k + 3]! - x[k]!];
        uu += u * u;
        vv += v * v;
        uv += u * v;
      }
      return acos(min(1, uv / sqrt(uu * vv)));
    };
    let sum = 0;
    let before = turn(from);
    for (let i = from; i < from + this.edges[s]!; i++) {
      const after = turn(i + 1);
      const half = (before + after) / 4;
      const chord = hypot(
        x[3 * i + 3]! - x[3 * i]!,
        x[3 * i + 4]! - x[3 * i + 1]!,
        x[3 * i + 5]! - x[3 * i + 2]!,
      );
      sum += half < 1e-6 ? chord : (chord * half) / sin(half);
      before = after;
    }
    return sum;
  }

  /** Points of a strand, in the order in which it runs; where it goes on, the first of what follows as well. */
  curve(s: number): Point3[] {
    const from = this.first[s]!;
    return Array.from({ length: this.edges[s]! + 1 }, (_, i): Point3 => {
      const k = 3 * (from + i);
      return [this.x[k]!, this.x[k + 1]!, this.x[k + 2]!];
    });
  }
}
