import { PER_IMAGE } from './images.js';
import { Contacts, NX, NY, NZ, S, WATCH } from './contacts.js';
import type { Laid } from './laid.js';
import { NearPairs } from './near.js';
import { nearest } from './nearest.js';

const { PI, abs, max, min, sin, sqrt } = Math;

/** How much longer than the mean an edge may be. */
const LONGER = 1.5;
/**
 * Contacts of ropes with each other and with rods, for one round: where they touch is found once, and then each is
 * pushed apart, again and again, by what is still missing and never less than nothing.
 *
 * An edge stands for the arc through its ends: the curve that goes out over the edge by
 *
 *     s (1 - s) / 2 [ (2 - s) / 3 bow_i + (1 + s) / 3 bow_(i+1) ]       bow = second difference
 *
 * (the cubic through four points), so that even coarse polygons are as thick as the rope.
 */
export class Touching extends Contacts {
  private readonly near: NearPairs;
  /** How hard rods press on edges: by rod, its image, and slot. */
  private readonly rodPress: Float64Array;
  private readonly rodImages: number;
  /** How hard balls press on edges and each other: by ball, its image, and slot. */
  private readonly ballPress: Float64Array;
  private readonly ballAt = new Float64Array(3);
  private readonly normal = new Float64Array(3);
  private readonly closest = new Float64Array(2);

  constructor(laid: Laid) {
    super(laid);
    this.near = new NearPairs(laid, 0.35 * this.unit);
    const { rods = [], balls = [], repeats = [] } = laid.problem;
    this.rodImages = repeats[0] && repeats[0].axis !== 'x' ? laid.images.reach[0]! : 0;
    this.rodPress = new Float64Array(rods.length * (2 * this.rodImages + 1) * laid.slots);
    const seen = laid.images.count * (2 + balls.length);
    this.ballPress = new Float64Array(balls.length * seen * laid.slots);
    this.near.find();
  }

  /** Finds what touches, or nearly. */
  find(): void {
    if (this.near.stale) this.near.find();
    this.count = 0;
    const { near } = this;
    for (let p = 0; p < near.count; p++) this.seePair(p);
    this.seeRods();
    this.seeBalls();
  }

  private seePair(p: number): void {
    const { laid, near, closest } = this;
    const { x, bow } = laid;
    const i = near.a[p]!;
    const j = near.b[p]!;
    const si = laid.strandOf[i]!;
    const sj = laid.strandOf[j]!;
    const o = PER_IMAGE * near.image[p]!;
    const m = laid.images.numbers;
    const full = ((laid.diameter[si]! + laid.diameter[sj]!) / 2) * laid.thickness;
    const a = 3 * i;
    const b = 3 * j;
    // The second edge where its image is.
    const bx = image(m, o, x, b, 0);
    const by = image(m, o, x, b, 3);
    const bz = image(m, o, x, b, 6);
    const vx = turned(m, o, x, b, 0);
    const vy = turned(m, o, x, b, 3);
    const vz = turned(m, o, x, b, 6);
    const ux = x[a + 3]! - x[a]!;
    const uy = x[a + 4]! - x[a + 1]!;
    const uz = x[a + 5]! - x[a + 2]!;
    const rx = x[a]! - bx;
    const ry = x[a + 1]! - by;
    const rz = x[a + 2]! - bz;
    // Edges may be a little longer than the mean.
    const reach = full + WATCH * this.unit + LONGER * (laid.edge[si]! + laid.edge[sj]!);
    if (rx * rx + ry * ry + rz * rz > reach * reach) {
      near.press[p] = 0;
      return;
    }
    nearest(
      ux * ux + uy * uy + uz * uz,
      ux * vx + uy * vy + uz * vz,
      vx * vx + vy * vy + vz * vz,
      ux * rx + uy * ry + uz * rz,
      vx * rx + vy * ry + vz * rz,
      closest,
    );
    const s = closest[0]!;
    const t = closest[1]!;
    let least = full;
    const apart = near.apart[p]!;
    // On one rope; NaN on unlike ones.
    if (!Number.isNaN(apart)) {
      const arc = (abs(apart + t - s) * laid.edge[si]!) / full;
      if (arc < PI / 2) least = full * sin(arc);
    }
    const fs = (s * (1 - s) * (2 - s)) / 6;
    const gs = (s * (1 - s) * (1 + s)) / 6;
    const ft = (t * (1 - t) * (2 - t)) / 6;
    const gt = (t * (1 - t) * (1 + t)) / 6;
    const px = -fs * bow[a]! - gs * bow[a + 3]!;
    const py = -fs * bow[a + 1]! - gs * bow[a + 4]!;
    const pz = -fs * bow[a + 2]! - gs * bow[a + 5]!;
    const qx = -ft * bow[b]! - gt * bow[b + 3]!;
    const qy = -ft * bow[b + 1]! - gt * bow[b + 4]!;
    const qz = -ft * bow[b + 2]! - gt * bow[b + 5]!;
    const wx = vx * t - ux * s - rx + m[o]! * qx + m[o + 1]! * qy + m[o + 2]! * qz - px;
    const wy = vy * t - uy * s - ry + m[o + 3]! * qx + m[o + 4]! * qy + m[o + 5]! * qz - py;
    const wz = vz * t - uz * s - rz + m[o + 6]! * qx + m[o + 7]! * qy + m[o + 8]! * qz - pz;
    const far = sqrt(wx * wx + wy * wy + wz * wz) + 1e-12;
    if (far > least + WATCH * this.unit) {
      near.press[p] = 0;
      return;
    }
    const nx = wx / far;
    const ny = wy / far;
    const nz = wz / far;
    const mx = m[o]! * nx + m[o + 3]! * ny + m[o + 6]! * nz;
    const my = m[o + 1]! * nx + m[o + 4]! * ny + m[o + 7]! * nz;
    const mz = m[o + 2]! * nx + m[o + 5]! * ny + m[o + 8]! * nz;
    // What is missing to the least distance is LEVEL - (M . second) + (N . first), of the points on the edges.
    const level =
      least -
      (nx * (m[o + 9]! - px) + ny * (m[o + 10]! - py) + nz * (m[o + 11]! - pz)) -
      (mx * qx + my * qy + mz * qz);
    const k = this.room();
    const c = this.numbers;
    c[k + NX] = nx;
    c[k + NY] = ny;
    c[k + NZ] = nz;
    c[k + S] = s;
    this.second(k, mx, my, mz, t, wx, wy, wz);
    this.close(i, j, p, level, near.press[p]!);
  }

  private seeRods(): void {
    const { laid, closest } = this;
    const { x, bow } = laid;
    const { rods = [] } = laid.problem;
    let index = 0;
    for (const rod of rods) {
      for (let power = -this.rodImages; power <= this.rodImages; power++, index++) {
        const move = this.rodImages > 0 ? power * laid.images.shifts[0]! : 0;
        const ry = rod.y + move * (laid.images.axes[1] ?? 0);
        const rz = rod.z + move * (laid.images.axes[2] ?? 0);
        for (let s = 0; s < laid.strands; s++) {
          const least = (rod.radius + laid.diameter[s]! / 2) * laid.thickness;
          for (let i = laid.first[s]!; i < laid.first[s]! + laid.edges[s]!; i++) {
            const a = 3 * i;
            const py = x[a + 1]! - ry;
            const pz = x[a + 2]! - rz;
            const uy = x[a + 4]! - x[a + 1]!;
            const uz = x[a + 5]! - x[a + 2]!;
            const at = index * laid.slots + i;
            const reach = least + WATCH * this.unit + laid.edge[s]!;
            if (py * py + pz * pz > reach * reach) {
              this.rodPress[at] = 0;
              continue;
            }
            const t = min(1, max(0, -(py * uy + pz * uz) / (uy * uy + uz * uz + 1e-12)));
            closest[0] = t;
            const f = (t * (1 - t) * (2 - t)) / 6;
            const g = (t * (1 - t) * (1 + t)) / 6;
            const by = -f * bow[a + 1]! - g * bow[a + 4]!;
            const bz = -f * bow[a + 2]! - g * bow[a + 5]!;
            const wy = py + t * uy + by;
            const wz = pz + t * uz + bz;
            const far = sqrt(wy * wy + wz * wz) + 1e-12;
            if (far > least + WATCH * this.unit) {
              this.rodPress[at] = 0;
              continue;
            }
            // The edge is the second: it is pushed away from the rod.
            const k = this.room();
            const ny = wy / far;
            const nz = wz / far;
            this.numbers.fill(0, k + NX, k + NX + 3);
            this.numbers[k + S] = 0;
            this.second(k, 0, ny, nz, t, 0, wy, wz);
            const level = least + ny * (ry - by) + nz * (rz - bz);
            this.close(-1, i, at, level, this.rodPress[at]!);
          }
        }
      }
    }
  }

  /** A ball is a point of its own strand that keeps all edges out, and all other balls. */
  private seeBalls(): void {
    const { images, problem } = this.laid;
    const { balls = [] } = problem;
    let index = 0;
    for (let which = 0; which < balls.length; which++) {
      for (let image = 0; image < images.count; image++) {
        this.seeBall(which, image, 1, index++);
        if (image > 0) this.seeBall(which, image, -1, index++);
        for (let other = 0; other < balls.length; other++) {
          if (image > 0 || other > which) this.seeBallPair(which, other, image, index);
          index++;
        }
      }
    }
  }

  /**
   * What a ball keeps out: along its own strand, edges nearer than they are by then.
   *
   * @param way 1 where the edges stand for an image, -1 where the ball does
   */
  private seeBall(which: number, image: number, way: 1 | -1, index: number): void {
    const { laid, ballAt: c, normal } = this;
    const { x, bow } = laid;
    const ball = laid.problem.balls![which]!;
    const at = laid.slotOf(ball);
    const m = laid.images.numbers;
    const o = PER_IMAGE * image;
    // The ball as the edges see it.
    for (let k = 0; k < 3; k++) c[k] = x[3 * at + k]! - (way > 0 ? m[o + 9 + k]! : 0);
    turnBy(m, o, c, -way as 1 | -1);
    if (way < 0) for (let k = 0; k < 3; k++) c[k]! += m[o + 9 + k]!;
    for (let s = 0; s < laid.strands; s++) {
      const full = (ball.radius + laid.diameter[s]! / 2) * laid.thickness;
      for (let j = laid.first[s]!; j < laid.first[s]! + laid.edges[s]!; j++) {
        const slot = index * laid.slots + j;
        const b = 3 * j;
        const ux = x[b + 3]! - x[b]!;
        const uy = x[b + 4]! - x[b + 1]!;
        const uz = x[b + 5]! - x[b + 2]!;
        const rx = c[0]! - x[b]!;
        const ry = c[1]! - x[b + 1]!;
        const rz = c[2]! - x[b + 2]!;
        const uu = ux * ux + uy * uy + uz * uz;
        const t = min(1, max(0, (ux * rx + uy * ry + uz * rz) / uu));
        const apart =
          way > 0
            ? this.near.along(ball.strand, s, image, at, j)
            : -this.near.along(s, ball.strand, image, j, at);
        const arc = Number.isNaN(apart) ? Infinity : abs(apart + t) * laid.edge[s]!;
        const least = min(full, arc);
        const ft = (t * (1 - t) * (2 - t)) / 6;
        const gt = (t * (1 - t) * (1 + t)) / 6;
        const qx = -ft * bow[b]! - gt * bow[b + 3]!;
        const qy = -ft * bow[b + 1]! - gt * bow[b + 4]!;
        const qz = -ft * bow[b + 2]! - gt * bow[b + 5]!;
        const wx = ux * t - rx + qx;
        const wy = uy * t - ry + qy;
        const wz = uz * t - rz + qz;
        const far = sqrt(wx * wx + wy * wy + wz * wz) + 1e-12;
        // On its own cord inside the hole nothing is pushed: the cord lies there.
        if (arc < full / 2 || far > least + WATCH * this.unit) {
          this.ballPress[slot] = 0;
          continue;
        }
        const [nx, ny, nz] = [wx / far, wy / far, wz / far];
        normal.set([nx, ny, nz]);
        turnBy(m, o, normal, way);
        const moved =
          way > 0
            ? -(normal[0]! * m[o + 9]! + normal[1]! * m[o + 10]! + normal[2]! * m[o + 11]!)
            : nx * m[o + 9]! + ny * m[o + 10]! + nz * m[o + 11]!;
        const k = this.first(normal);
        this.second(k, nx, ny, nz, t, wx, wy, wz);
        const level = least - (nx * qx + ny * qy + nz * qz) + moved;
        this.close(at, j, -1 - slot, level, this.ballPress[slot]!);
      }
    }
  }

  /** Two balls, the second as an image. */
  private seeBallPair(which: number, other: number, image: number, index: number): void {
    const { laid, ballAt: c, normal } = this;
    const [one, two] = [laid.problem.balls![which]!, laid.problem.balls![other]!];
    const [i, j] = [laid.slotOf(one), laid.slotOf(two)];
    const m = laid.images.numbers;
    const o = PER_IMAGE * image;
    const slot = index * laid.slots;
    for (let k = 0; k < 3; k++) c[k] = laid.x[3 * j + k]!;
    turnBy(m, o, c, 1);
    for (let k = 0; k < 3; k++) c[k]! += m[o + 9 + k]! - laid.x[3 * i + k]!;
    const [wx, wy, wz] = [c[0]!, c[1]!, c[2]!];
    const least = (one.radius + two.radius) * laid.thickness;
    const far = sqrt(wx * wx + wy * wy + wz * wz) + 1e-12;
    if (far > least + WATCH * this.unit) {
      this.ballPress[slot] = 0;
      return;
    }
    normal.set([wx / far, wy / far, wz / far]);
    const level =
      least - (normal[0]! * m[o + 9]! + normal[1]! * m[o + 10]! + normal[2]! * m[o + 11]!);
    const k = this.first(normal);
    turnBy(m, o, normal, -1);
    this.second(k, normal[0]!, normal[1]!, normal[2]!, 0, wx, wy, wz);
    this.close(i, j, -1 - slot, level, this.ballPress[slot]!);
  }

  /** Begins a contact whose first is the point that an edge begins at. */
  private first(normal: Float64Array): number {
    const k = this.room();
    this.numbers.set(normal, k + NX);
    this.numbers[k + S] = 0;
    return k;
  }

  /** Keeps what pressed for the next round. */
  keep(): void {
    for (let n = 0; n < this.count; n++) {
      const pair = this.pair[n]!;
      const press = this.pressed(n);
      if (pair < 0) this.ballPress[-1 - pair] = press;
      else if (this.a[n]! < 0) this.rodPress[pair] = press;
      else this.near.press[pair] = press;
    }
  }
}

/** One coordinate of an image of a point; `row` is 0, 3 or 6. */
const image = (m: Float64Array, o: number, x: Float64Array, p: number, row: 0 | 3 | 6): number =>
  m[o + row]! * x[p]! +
  m[o + row + 1]! * x[p + 1]! +
  m[o + row + 2]! * x[p + 2]! +
  m[o + 9 + row / 3]!;

/** One coordinate of the image of an edge. */
const turned = (m: Float64Array, o: number, x: Float64Array, p: number, row: 0 | 3 | 6): number =>
  m[o + row]! * (x[p + 3]! - x[p]!) +
  m[o + row + 1]! * (x[p + 4]! - x[p + 1]!) +
  m[o + row + 2]! * (x[p + 5]! - x[p + 2]!);

/** Turns a vector as an image is turned, or back. */
function turnBy(m: Float64Array, o: number, v: Float64Array, way: 1 | -1): void {
  const [x, y, z] = [v[0]!, v[1]!, v[2]!];
  const [row, column] = way > 0 ? [3, 1] : [1, 3];
  for (let k = 0; k < 3; k++) {
    v[k] = m[o + row * k]! * x + m[o + row * k + column]! * y + m[o + row * k + 2 * column]! * z;
  }
}
