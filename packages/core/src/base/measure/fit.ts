import { whereFalling } from './root.js';
import { ringAngles, stretchesOf, type RoundPart, type Stretch } from './ring.js';

/**
 * Parts as they lie once the cord has stretched with wear: what is flexible is longer, beads and bars are
 * not.
 *
 * @param stretch break-in stretch as a fraction, >= 0
 */
export const wornIn = (parts: readonly RoundPart[], stretch: number): RoundPart[] =>
  parts.map((part) =>
    part.kind === 'flexible' ? { ...part, length: part.length * (1 + stretch) } : part,
  );

/** Length in mm that must be planned so that it is `worn` long once it has stretched. */
export const beforeStretch = (worn: number, stretch: number): number => worn / (1 + stretch);

/** The angle in radians that the parts of a ring take together on a body of inner radius r. */
export const turnAt = (
  parts: readonly RoundPart[],
  r: number,
  stretches?: readonly Stretch[],
): number => ringAngles(parts, r, stretches).reduce((sum, angle) => sum + angle, 0);

/** Radius in mm of the smallest body: on none at all a line without height has no angle. */
const MIN_RADIUS = 1e-6;

/** Whether the parts close round any body at all: too short and thick, and they do not. */
export const closesRound = (parts: readonly RoundPart[], turns = 1): boolean =>
  parts.length > 0 && turnAt(parts, MIN_RADIUS) >= 2 * Math.PI * turns;

/**
 * Inner circumference of a piece closed round a body, taken as a circle: the r at which the angles
 * of all parts add up to whole turns, times 2 pi. See `ringAngles`.
 *
 * For uniform flexible work of thickness t this is exactly length - pi t, for any convex body
 * (Steiner's formula for the parallel curve of a convex curve).
 *
 * @param parts at least one, in the order in which they go round; lengths > 0
 * @param turns whole turns round the body, >= 1
 * @returns inner circumference in mm
 * @throws RangeError when the parts do not reach round anything
 * @example innerCircumference([{ kind: 'flexible', length: 240, height: 6 }]) // 240 - 12 * Math.PI
 */
export function innerCircumference(parts: readonly RoundPart[], turns = 1): number {
  const want = 2 * Math.PI * turns;
  if (!closesRound(parts, turns)) {
    throw new RangeError('the piece is too short and thick to close round anything');
  }
  // The turn falls steadily with r, and by r = total length it is below 1 rad. It goes about as 1 / (r + h): its
  // inverse is nearly straight, and a few steps find the place.
  const stretches = stretchesOf(parts);
  const long = parts.reduce((sum, part) => sum + part.length, 0);
  const falls = (r: number): number => 1 / want - 1 / turnAt(parts, r, stretches);
  return 2 * Math.PI * whereFalling(falls, MIN_RADIUS, long, 1e-11 * (1 + long));
}

/** A flexible part whose length is asked for: height of its neutral line in mm. */
export interface Fill {
  readonly fill: number;
}
export type Slot = RoundPart | Fill;

const isFill = (slot: Slot): slot is Fill => 'fill' in slot;

/**
 * Length that each of several flexible parts of unlike thickness must have, all alike, so that a piece
 * closes on the wanted inner circumference.
 *
 * @param circumference wanted inner circumference in mm, > 0
 * @param slots parts in the order in which they go round, those that fill among them, at least one
 * @returns length in mm of each that fills; negative when the others are too long already
 * @example shareFor(200, [{ fill: 6 }, { fill: 6 }]) // 100 + 6 * Math.PI
 */
export function shareFor(circumference: number, slots: readonly Slot[], turns = 1): number {
  const r = circumference / (2 * Math.PI);
  const want = 2 * Math.PI * turns;
  const at = (length: number): RoundPart[] =>
    slots.map((slot) => (isFill(slot) ? { kind: 'flexible', length, height: slot.fill } : slot));
  const stretches = stretchesOf(at(0));
  const filled = (length: number): number => turnAt(at(length), r, stretches);
  const perLength = slots.filter(isFill).reduce((sum, { fill }) => sum + 1 / (r + fill), 0);
  const none = filled(0);
  if (none >= want) return (want - none) / perLength;
  // Long enough to lie on the body, each mm takes the same angle, and one step of Newton's is exact; a short
  // stretch between two beads hangs free, and takes less. The turn grows with the length: bisection is safe.
  let low = 0;
  let high = Number.POSITIVE_INFINITY;
  let length = (want - none) / perLength;
  for (let i = 0; i < 100; i++) {
    const off = want - filled(length);
    if (Math.abs(off) < 1e-13 * want) break;
    if (off > 0) low = length;
    else high = length;
    const next = length + off / perLength;
    length = next > low && next < high ? next : high < Infinity ? (low + high) / 2 : 2 * length;
    if (high - low < 1e-10) break;
  }
  return length;
}

/**
 * Length of one flexible part that makes a piece close on the wanted inner circumference, the other
 * parts being given. It lies between the last of them and the first.
 *
 * @param circumference wanted inner circumference in mm, > 0
 * @param height height of the flexible part's neutral line in mm
 * @param others the parts already fixed
 * @returns length in mm; negative when the others are too long already
 * @example flexibleLengthFor(200, 6, []) // 200 + 12 * Math.PI
 */
export const flexibleLengthFor = (
  circumference: number,
  height: number,
  others: readonly RoundPart[],
  turns = 1,
): number => shareFor(circumference, [...others, { fill: height }], turns);
