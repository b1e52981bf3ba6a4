import type { ClosureBase } from '../../../base/kind/closure-kind.js';

/** Two halves that click together, each with a bar for the cord. */
export interface BuckleClosure extends ClosureBase {
  readonly type: 'side-release-buckle';
  readonly name: string;
  /** Inner width in mm of the slot beside the bar: what the cords must pass side by side. */
  readonly slot: number;
  /** From bar to bar in mm when closed: what the buckle adds to the way round. */
  readonly barToBar: number;
  readonly thickness: number;
  /** Diameter in mm of the bar the cord goes round. */
  readonly bar: number;
  readonly colour: string;
}

/**
 * Cord in a lark's-head hitch on a bar, from the start of one core run round to the start of the
 * other: each leg goes once round the bar at the cord's centre line, and the bight bridges both legs.
 *
 *     2 * pi * (b + d) + 2 * d        b = bar, d = cord diameter under tension
 *
 * Assumed from the geometry; the bridge is taken as straight.
 * @returns mm
 * @example larksHeadCord(3, 3.6) // 48.67
 */
export const larksHeadCord = (bar: number, d: number): number => 2 * Math.PI * (bar + d) + 2 * d;

/** Cord in one leg's half turn round a bar: pi (b + d) / 2, in mm. */
export const turnCord = (bar: number, d: number): number => (Math.PI * (bar + d)) / 2;

/** Outer width of a half: the slot and a cheek of about a fifth of it on each side. */
export const buckleWidth = (buckle: Pick<BuckleClosure, 'slot'>): number => buckle.slot * 1.4;

/** Along-length measures of the two open halves in mm, from their bars outwards. */
export function halfLengths(buckle: Pick<BuckleClosure, 'barToBar'>): {
  readonly socket: number;
  readonly prongs: number;
} {
  // Closed, the body of the socket and the shoulder of the pronged half meet between the bars.
  return { socket: buckle.barToBar * 0.6, prongs: buckle.barToBar * 0.8 };
}
