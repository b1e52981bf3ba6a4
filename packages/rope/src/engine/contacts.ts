import type { Point3 } from '../base/point.js';

import { HELD, type Laid } from './laid.js';

const { max, min, sqrt } = Math;

/** Edges this much further apart than they may be, in diameters, are watched: a round may bring them to touch. */
export const WATCH = 0.06;
/** Share of what pressed before that a round begins with. */
const WARM = 0.95;
/** Numbers of a contact, in a row. */
const WIDE = 14;
export const [NX, NY, NZ, MX, MY, MZ, S, T, LEVEL, PRESS, EASE, WX, WY, WZ] = Array.from(
  { length: WIDE },
  (_, i) => i,
) as [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13];

/** Where edges touch, as rows of numbers, and how they are pushed apart. No allocation from round to round. */
export class Contacts {
  protected count = 0;
  protected numbers = new Float64Array(WIDE * 512);
  protected a = new Int32Array(512);
  protected b = new Int32Array(512);
  /** Where what pressed is kept: by pair, by rod and slot where there is no first edge, or -1 less by ball and slot. */
  protected pair = new Int32Array(512);
  protected readonly unit: number;

  constructor(protected readonly laid: Laid) {
    this.unit = min(...laid.diameter);
  }

  protected room(): number {
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

  /** Of a contact, what concerns its second edge. */
  protected second(
    k: number,
    mx: number,
    my: number,
    mz: number,
    t: number,
    wx: number,
    wy: number,
    wz: number,
  ): void {
    const c = this.numbers;
    c[k + MX] = mx;
    c[k + MY] = my;
    c[k + MZ] = mz;
    c[k + T] = t;
    c[k + WX] = wx;
    c[k + WY] = wy;
    c[k + WZ] = wz;
  }

  /** Ends a contact: whose edges they are, the first -1 where a rod stands there, and what it begins with. */
  protected close(i: number, j: number, pair: number, level: number, press: number): void {
    const { laid, numbers: c } = this;
    const k = WIDE * this.count;
    const s = c[k + S]!;
    const t = c[k + T]!;
    let give = i < 0 ? 0 : free(laid, i) * (1 - s) ** 2 + free(laid, i + 1) * s * s;
    give = give + free(laid, j) * (1 - t) ** 2 + free(laid, j + 1) * t * t;
    c[k + LEVEL] = level;
    c[k + PRESS] = press;
    c[k + EASE] = give > 1e-6 ? 1 / give : 0;
    this.a[this.count] = i;
    this.b[this.count] = j;
    this.pair[this.count] = pair;
    this.count += 1;
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

  /** How hard a contact presses. */
  protected pressed(n: number): number {
    return this.numbers[WIDE * n + PRESS]!;
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
