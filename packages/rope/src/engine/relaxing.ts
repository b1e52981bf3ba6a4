import { Bending } from './bending.js';
import { FREE, HELD, type Laid } from './laid.js';
import { RigidBody } from './rigid.js';
import { Touching } from './touching.js';

const { abs, max, min, sqrt } = Math;

/** Share of its way that a point keeps from round to round. */
const MOMENTUM = 0.9;
/** Furthest that a point goes in a round, in diameters, and that a shift grows or shrinks, as a share. */
const STRIDE = 0.05;
const SHIFT_STRIDE = 0.002;
/** As for points, for a shift; and how far it gives way, against a point. */
const SHIFT_MOMENTUM = 0.8;
const SHIFT_GIVES = 0.05;
/** Sweeps over contacts and bends in a round. */
const SWEEPS = 8;
/** Ropes that grow by more than so much in a round have gone too far: their momentum is taken away. */
const GROWS = 1 + 2e-6;

/**
 * Draws ropes tight, round by round: tension pulls every point, momentum carries it on, and then contacts, bends and
 * plates push back until nothing is missing.
 */
export class Relaxing {
  readonly touching: Touching;
  readonly bending: Bending;
  private readonly bodies: readonly RigidBody[];
  private readonly before: Float64Array;
  private readonly speed: Float64Array;
  private readonly shiftSpeed: Float64Array;
  private readonly hardest: number;

  constructor(readonly laid: Laid) {
    this.touching = new Touching(laid);
    this.bending = new Bending(laid);
    this.bodies = laid.bodies.map((s) => new RigidBody(laid, s));
    this.before = new Float64Array(laid.x.length);
    this.speed = new Float64Array(laid.x.length);
    this.shiftSpeed = new Float64Array(laid.images.shifts.length);
    // Stiff ropes push back harder than they are pulled: they are pulled less in a round.
    const stiffest = max(...laid.radius.map((radius, s) => (2 * radius) / laid.diameter[s]!));
    this.hardest = max(...laid.tension) * stiffest ** 2;
    laid.measure();
  }

  /** @param step how far tension pulls a corner in a round: share of its second difference */
  round(step: number): void {
    const { laid, before, speed, touching, bending } = this;
    const { x, kind } = laid;
    const long = total(laid.length);
    before.set(x);
    const give = this.give(step);
    for (let s = 0; s < laid.strands; s++) {
      const pull = (give * laid.tension[s]!) / laid.edge[s]!;
      // Never so far that thin ropes, or coarse edges, could jump through each other.
      const stride = STRIDE * laid.diameter[s]! * min(1, 2 * laid.thickness);
      for (let i = laid.first[s]!; i < laid.first[s]! + laid.points[s]!; i++) {
        if (kind[i] === HELD) continue;
        const k = 3 * i;
        // The second differences are those of the round before: all points move at once.
        let u = MOMENTUM * speed[k]! + pull * laid.bow[k]!;
        let v = MOMENTUM * speed[k + 1]! + pull * laid.bow[k + 1]!;
        let w = MOMENTUM * speed[k + 2]! + pull * laid.bow[k + 2]!;
        const far = sqrt(u * u + v * v + w * w);
        if (far > stride) {
          const less = stride / far;
          u *= less;
          v *= less;
          w *= less;
        }
        x[k] = before[k]! + u;
        x[k + 1] = before[k + 1]! + v;
        x[k + 2] = before[k + 2]! + w;
      }
    }
    laid.follow();
    touching.find();
    bending.warm();
    touching.warm();
    this.keepShapes();
    for (let sweep = 0; sweep < SWEEPS; sweep++) {
      bending.sweep();
      touching.sweep();
      this.betweenPlates();
      this.keepShapes();
    }
    touching.keep();
    for (let k = 0; k < x.length; k++) speed[k] = x[k]! - before[k]!;
    laid.measure();
    const now = total(laid.length);
    if (now > long * GROWS) speed.fill(0);
    this.shift(step);
  }

  /** How far a force moves a point in a round: what presses is told as such a way. */
  private give(step: number): number {
    return (step * this.laid.edge[0]!) / this.hardest;
  }

  private keepShapes(): void {
    if (this.bodies.length === 0) return;
    for (const body of this.bodies) body.keep();
    this.laid.follow();
  }

  private betweenPlates(): void {
    const { between } = this.laid.problem;
    if (between === undefined) return;
    const { x, kind } = this.laid;
    for (let i = 0; i < kind.length; i++) {
      if (kind[i] !== FREE) continue;
      x[3 * i + 2] = min(between, max(-between, x[3 * i + 2]!));
    }
  }

  /**
   * Shifts that are found: ropes pull a cell shorter, contacts push it longer. The whole cell goes along:
   *
   *     tension   sum of T e_a^2 / e      less contacts   sum of F w_a^2 / w      and bends the other way
   */
  private shift(step: number): void {
    const { laid } = this;
    const { repeats = [] } = laid.problem;
    repeats.forEach(({ push }, r) => {
      if (push === undefined) return;
      const [ax, ay, az] = [
        laid.images.axes[3 * r]!,
        laid.images.axes[3 * r + 1]!,
        laid.images.axes[3 * r + 2]!,
      ];
      const { x } = laid;
      let pull = 0;
      let all = 0;
      for (let s = 0; s < laid.strands; s++) {
        let sum = 0;
        for (let i = laid.first[s]!; i < laid.first[s]! + laid.edges[s]!; i++) {
          const k = 3 * i;
          sum +=
            ((x[k + 3]! - x[k]!) * ax +
              (x[k + 4]! - x[k + 1]!) * ay +
              (x[k + 5]! - x[k + 2]!) * az) **
            2;
        }
        pull += (laid.tension[s]! * sum) / laid.edge[s]!;
        all += laid.tension[s]! * laid.length[s]!;
      }
      const give = this.give(step);
      pull -= (this.touching.pushAlong(ax, ay, az) - this.bending.pullAlong(ax, ay, az)) / give;
      const now = laid.images.shifts[r]!;
      const force = -(pull + push * now) / (all + abs(push) * now);
      const speed = SHIFT_MOMENTUM * this.shiftSpeed[r]! + SHIFT_GIVES * give * force;
      this.shiftSpeed[r] = min(SHIFT_STRIDE, max(-SHIFT_STRIDE, speed));
      this.grow(r, 1 + this.shiftSpeed[r]);
    });
  }

  private grow(r: number, by: number): void {
    const { laid } = this;
    const { x } = laid;
    laid.images.shifts[r]! *= by;
    for (let k = 0; k < 3; k++) {
      if (laid.images.axes[3 * r + k] === 0) continue;
      for (let i = k; i < x.length; i += 3) x[i]! *= by;
    }
    laid.images.place();
    laid.follow();
    laid.measure();
  }
}

export const total = (numbers: Float64Array): number => {
  let sum = 0;
  for (const one of numbers) sum += one;
  return sum;
};
