import type { Point3 } from '../kind/primitive.js';
import { PER_IMAGE } from './images.js';
import { HELD, type Laid } from './laid.js';
import { NearPairs } from './near.js';
import { nearest } from './nearest.js';

const { PI, abs, max, min, sin, sqrt } = Math;

/** Edges this much further apart than they may be, in diameters, are watched: a round may bring them to touch. */
const WATCH = 0.06;
/** How much longer than the mean an edge may be. */
const LONGER = 1.5;
/** Share of what pressed before that a round begins with. */
const WARM = 0.95;
/** Numbers of a contact, in a row: see `see`. */
const WIDE = 14;
const [NX, NY, NZ, MX, MY, MZ, S, T, LEVEL, PRESS, EASE, WX, WY, WZ] = Array.from(
  { length: WIDE },
  (_, i) => i,
) as [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13];

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
export class Touching {
  private readonly near: NearPairs;
  private count = 0;
  private numbers = new Float64Array(WIDE * 512);
  private a = new Int32Array(512);
  private b = new Int32Array(512);
  private pair = new Int32Array(512);
  /** How hard rods press on edges: by rod, its image, and slot. */
  private readonly rodPress: Float64Array;
  private readonly rodImages: number;
  private readonly closest = new Float64Array(2);
  private readonly unit: number;

  constructor(private readonly laid: Laid) {
    this.unit = min(...laid.diameter);
    this.near = new NearPairs(laid, 0.35 * this.unit);
    const { rods = [], repeats = [] } = laid.problem;
    this.rodImages = repeats[0] && repeats[0].axis !== 'x' ? laid.images.reach[0]! : 0;
    this.rodPress = new Float64Array(rods.length * (2 * this.rodImages + 1) * laid.slots);
    this.near.find();
  }

  /** Finds what touches, or nearly. */
  find(): void {
    if (this.near.stale) this.near.find();
    this.count = 0;
    const { near } = this;
    for (let p = 0; p < near.count; p++) this.seePair(p);
    this.seeRods();
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
    const k = this.room();
    const c = this.numbers;
    c[k + NX] = nx;
    c[k + NY] = ny;
    c[k + NZ] = nz;
    c[k + MX] = m[o]! * nx + m[o + 3]! * ny + m[o + 6]! * nz;
    c[k + MY] = m[o + 1]! * nx + m[o + 4]! * ny + m[o + 7]! * nz;
    c[k + MZ] = m[o + 2]! * nx + m[o + 5]! * ny + m[o + 8]! * nz;
    c[k + S] = s;
    c[k + T] = t;
    // What is missing to the least distance is LEVEL - (M . second) + (N . first), of the points on the edges.
    c[k + LEVEL] =
      least -
      (nx * (m[o + 9]! - px) + ny * (m[o + 10]! - py) + nz * (m[o + 11]! - pz)) -
      (c[k + MX]! * qx + c[k + MY]! * qy + c[k + MZ]! * qz);
    c[k + PRESS] = near.press[p]!;
    const f0 = free(laid, i);
    const f1 = free(laid, i + 1);
    const g0 = free(laid, j);
    const g1 = free(laid, j + 1);
    const give = f0 * (1 - s) ** 2 + f1 * s * s + g0 * (1 - t) ** 2 + g1 * t * t;
    c[k + EASE] = give > 1e-6 ? 1 / give : 0;
    c[k + WX] = wx;
    c[k + WY] = wy;
    c[k + WZ] = wz;
    this.a[this.count] = i;
    this.b[this.count] = j;
    this.pair[this.count] = p;
    this.count += 1;
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
            const c = this.numbers;
            const ny = wy / far;
            const nz = wz / far;
            c[k + NX] = 0;
            c[k + NY] = 0;
            c[k + NZ] = 0;
            c[k + MX] = 0;
            c[k + MY] = ny;
            c[k + MZ] = nz;
            c[k + S] = 0;
            c[k + T] = t;
            c[k + LEVEL] = least + ny * (ry - by) + nz * (rz - bz);
            c[k + PRESS] = this.rodPress[at]!;
            const give = free(laid, i) * (1 - t) ** 2 + free(laid, i + 1) * t * t;
            c[k + EASE] = give > 1e-6 ? 1 / give : 0;
            c[k + WX] = 0;
            c[k + WY] = wy;
            c[k + WZ] = wz;
            this.a[this.count] = -1;
            this.b[this.count] = i;
            this.pair[this.count] = at;
            this.count += 1;
          }
        }
      }
    }
  }

  private room(): number {
    if (this.count === this.a.length) {
      const n = 2 * this.count;
      const numbers = new Float64Array(WIDE * n);
      numbers.set(this.numbers);
      this.numbers = numbers;
      [this.a, this.b, this.pair] = [this.a, this.b, this.pair].map((from) => {
        const out = new Int32Array(n);
        out.set(from);
        return out;
      }) as [Int32Array<ArrayBuffer>, Int32Array<ArrayBuffer>, Int32Array<ArrayBuffer>];
    }
    return WIDE * this.count;
  }

  /** Begins with what pressed before. */
  warm(): void {
    const c = this.numbers;
    for (let n = 0; n < this.count; n++) {
      const k = WIDE * n;
      const press = c[k + PRESS]! * WARM;
      c[k + PRESS] = press;
      if (press > 0) this.move(n, press);
    }
  }

  /** Pushes every contact apart by what is missing, once. */
  sweep(): void {
    const c = this.numbers;
    const { x } = this.laid;
    for (let n = 0; n < this.count; n++) {
      const k = WIDE * n;
      const t = c[k + T]!;
      const b = 3 * this.b[n]!;
      let missing =
        c[k + LEVEL]! -
        c[k + MX]! * (x[b]! + t * (x[b + 3]! - x[b]!)) -
        c[k + MY]! * (x[b + 1]! + t * (x[b + 4]! - x[b + 1]!)) -
        c[k + MZ]! * (x[b + 2]! + t * (x[b + 5]! - x[b + 2]!));
      if (this.a[n]! >= 0) {
        const s = c[k + S]!;
        const a = 3 * this.a[n]!;
        missing +=
          c[k + NX]! * (x[a]! + s * (x[a + 3]! - x[a]!)) +
          c[k + NY]! * (x[a + 1]! + s * (x[a + 4]! - x[a + 1]!)) +
          c[k + NZ]! * (x[a + 2]! + s * (x[a + 5]! - x[a + 2]!));
      }
      const press = max(0, c[k + PRESS]! + missing * c[k + EASE]!);
      const more = press - c[k + PRESS]!;
      if (more === 0) continue;
      c[k + PRESS] = press;
      this.move(n, more);
    }
  }

  private move(n: number, by: number): void {
    const c = this.numbers;
    const k = WIDE * n;
    const { laid } = this;
    if (this.a[n]! >= 0) {
      const i = this.a[n]!;
      const s = c[k + S]!;
      const p = -by * (1 - s);
      const q = -by * s;
      laid.push(i, p * c[k + NX]!, p * c[k + NY]!, p * c[k + NZ]!);
      laid.push(i + 1, q * c[k + NX]!, q * c[k + NY]!, q * c[k + NZ]!);
    }
    const j = this.b[n]!;
    const t = c[k + T]!;
    const p = by * (1 - t);
    const q = by * t;
    laid.push(j, p * c[k + MX]!, p * c[k + MY]!, p * c[k + MZ]!);
    laid.push(j + 1, q * c[k + MX]!, q * c[k + MY]!, q * c[k + MZ]!);
  }

  /** Keeps what pressed for the next round. */
  keep(): void {
    for (let n = 0; n < this.count; n++) {
      const to = this.a[n]! >= 0 ? this.near.press : this.rodPress;
      to[this.pair[n]!] = this.numbers[WIDE * n + PRESS]!;
    }
  }

  /** Sum of what presses times how far apart it holds along an axis: the push of the contacts on a shift. */
  pushAlong(ax: number, ay: number, az: number): number {
    const c = this.numbers;
    let sum = 0;
    for (let n = 0; n < this.count; n++) {
      const k = WIDE * n;
      if (c[k + PRESS]! <= 0) continue;
      const along = c[k + WX]! * ax + c[k + WY]! * ay + c[k + WZ]! * az;
      const far = sqrt(c[k + WX]! ** 2 + c[k + WY]! ** 2 + c[k + WZ]! ** 2) + 1e-12;
      sum += (c[k + PRESS]! * along * along) / far;
    }
    return sum;
  }

  /** What is missing to the least distance in a contact, in the unit of the points. */
  private missing(n: number): number {
    const c = this.numbers;
    const { x } = this.laid;
    const k = WIDE * n;
    const s = c[k + S]!;
    const t = c[k + T]!;
    const b = 3 * this.b[n]!;
    let missing = c[k + LEVEL]!;
    for (let d = 0; d < 3; d++)
      missing -= c[k + MX + d]! * (x[b + d]! + t * (x[b + 3 + d]! - x[b + d]!));
    if (this.a[n]! < 0) return missing;
    const a = 3 * this.a[n]!;
    for (let d = 0; d < 3; d++)
      missing += c[k + NX + d]! * (x[a + d]! + s * (x[a + 3 + d]! - x[a + d]!));
    return missing;
  }

  /** Deepest overlap of all, in diameters of the thinnest rope; below 0 where nothing touches. As of `find`. */
  overlap(): number {
    let most = -WATCH;
    for (let n = 0; n < this.count; n++) most = max(most, this.missing(n) / this.unit);
    return most;
  }

  /** Where ropes are deepest in each other or in a rod; null where nothing overlaps. */
  deepest(): Point3 | null {
    let [most, at] = [0, -1];
    for (let n = 0; n < this.count; n++) {
      const missing = this.missing(n);
      if (missing > most) [most, at] = [missing, n];
    }
    if (at < 0) return null;
    const { x } = this.laid;
    const b = 3 * this.b[at]!;
    return [x[b]!, x[b + 1]!, x[b + 2]!];
  }
}

const free = ({ kind }: Laid, slot: number): number => (kind[slot] === HELD ? 0 : 1);

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
