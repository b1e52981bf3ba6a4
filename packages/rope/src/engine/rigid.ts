import type { Laid } from './laid.js';

const { abs, cos, hypot, sin } = Math;

/** Turns that a body is brought closer by in a round; it begins with how it stood in the round before. */
const TURNS = 3;

/**
 * A closed strand that keeps its shape: contacts push its points one by one, and then the body goes where its points
 * went on the mean, and turns as they did. The turn R is the one for which sum |R t_i - (x_i - c)|^2 is least, t_i =
 * points of the body at rest, c = middle of the points, found by Müller, Bender, Chentanez, Macklin: A robust method
 * to extract the rotational part of deformations (2016).
 */
export class RigidBody {
  private readonly rest: Float64Array;
  private readonly from: number;
  private readonly count: number;
  /** Unit quaternion w, x, y, z. */
  private readonly turned = Float64Array.of(1, 0, 0, 0);
  private readonly matrix = new Float64Array(9);
  private readonly moments = new Float64Array(9);

  constructor(
    private readonly laid: Laid,
    strand: number,
  ) {
    this.from = 3 * laid.first[strand]!;
    this.count = laid.points[strand]!;
    this.rest = laid.x.slice(this.from, this.from + 3 * this.count);
    for (let k = 0; k < 3; k++) {
      const middle = mean(this.rest, k, this.count);
      for (let i = 0; i < this.count; i++) this.rest[3 * i + k]! -= middle;
    }
  }

  /** Puts the points back to the shape, where they lie on the mean. */
  keep(): void {
    const { rest, from, count, moments, matrix: m } = this;
    const { x } = this.laid;
    const [cx, cy, cz] = [0, 1, 2].map((k) => mean(x, from + k, count)) as [number, number, number];
    moments.fill(0);
    for (let i = 0; i < 3 * count; i += 3) {
      const [u, v, w] = [x[from + i]! - cx, x[from + i + 1]! - cy, x[from + i + 2]! - cz];
      for (let k = 0; k < 3; k++) {
        moments[k]! += u * rest[i + k]!;
        moments[3 + k]! += v * rest[i + k]!;
        moments[6 + k]! += w * rest[i + k]!;
      }
    }
    this.turn();
    for (let i = 0; i < 3 * count; i += 3) {
      const [u, v, w] = [rest[i]!, rest[i + 1]!, rest[i + 2]!];
      x[from + i] = cx + m[0]! * u + m[1]! * v + m[2]! * w;
      x[from + i + 1] = cy + m[3]! * u + m[4]! * v + m[5]! * w;
      x[from + i + 2] = cz + m[6]! * u + m[7]! * v + m[8]! * w;
    }
  }

  /** Turns the body towards its points: about sum r_k x a_k, r_k and a_k = columns of the turn and of the moments. */
  private turn(): void {
    const { moments: a, matrix: m, turned: q } = this;
    for (let step = 0; step < TURNS; step++) {
      this.asMatrix();
      let [ox, oy, oz, dot] = [0, 0, 0, 0];
      for (let k = 0; k < 3; k++) {
        const [rx, ry, rz] = [m[k]!, m[3 + k]!, m[6 + k]!];
        const [ax, ay, az] = [a[k]!, a[3 + k]!, a[6 + k]!];
        ox += ry * az - rz * ay;
        oy += rz * ax - rx * az;
        oz += rx * ay - ry * ax;
        dot += rx * ax + ry * ay + rz * az;
      }
      const far = hypot(ox, oy, oz) / (abs(dot) + 1e-12);
      if (far < 1e-12) break;
      const s = sin(far / 2) / hypot(ox, oy, oz);
      const [w, i, j, k] = [cos(far / 2), s * ox, s * oy, s * oz];
      const [qw, qi, qj, qk] = [q[0]!, q[1]!, q[2]!, q[3]!];
      q[0] = w * qw - i * qi - j * qj - k * qk;
      q[1] = w * qi + i * qw + j * qk - k * qj;
      q[2] = w * qj - i * qk + j * qw + k * qi;
      q[3] = w * qk + i * qj - j * qi + k * qw;
      const long = hypot(q[0], q[1], q[2], q[3]);
      for (let n = 0; n < 4; n++) q[n]! /= long;
    }
    this.asMatrix();
  }

  private asMatrix(): void {
    const { matrix: m, turned } = this;
    const [w, i, j, k] = [turned[0]!, turned[1]!, turned[2]!, turned[3]!];
    m[0] = 1 - 2 * (j * j + k * k);
    m[1] = 2 * (i * j - k * w);
    m[2] = 2 * (i * k + j * w);
    m[3] = 2 * (i * j + k * w);
    m[4] = 1 - 2 * (i * i + k * k);
    m[5] = 2 * (j * k - i * w);
    m[6] = 2 * (i * k - j * w);
    m[7] = 2 * (j * k + i * w);
    m[8] = 1 - 2 * (i * i + j * j);
  }
}

/** Mean of every third number, from one on. */
function mean(of: Float64Array, from: number, count: number): number {
  let sum = 0;
  for (let i = 0; i < count; i++) sum += of[from + 3 * i]!;
  return sum / count;
}
