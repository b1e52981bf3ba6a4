/** One part of a closed piece on its way round the body. All lengths in mm. */
export interface RoundPart {
  readonly kind: 'flexible' | 'rigid' | 'beads';
  /** Length along the piece, > 0. */
  readonly length: number;
  /** Height of the neutral line above the skin, >= 0: half the thickness of work lying on it. */
  readonly height: number;
  /** For beads: how many equal ones share the length. 1 when left out. */
  readonly count?: number;
}

/**
 * Angle in radians that a part takes on a round body of inner radius r.
 *
 *     flexible: l / (r + h)
 *     rigid:    2 atan(l / (2 (r + h)))     it touches the body at its middle, a tangent on both sides
 *     n beads:  2 n asin(p / (2 (r + h)))   p = l / n; their centres are the corners of a polygon
 */
export function angleOf(part: RoundPart, r: number): number {
  const line = r + part.height;
  switch (part.kind) {
    case 'flexible':
      return part.length / line;
    case 'rigid':
      return 2 * Math.atan(part.length / (2 * line));
    case 'beads': {
      const n = part.count ?? 1;
      // On a body smaller than a bead the polygon degenerates: half a turn each is the most there is.
      return 2 * n * Math.asin(Math.min(1, part.length / n / (2 * line)));
    }
  }
}

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

/** The angle in radians that parts take together on a body of inner radius r. */
export const anglesOf = (parts: readonly RoundPart[], r: number): number => turnAt(parts, r);

const turnAt = (parts: readonly RoundPart[], r: number): number =>
  parts.reduce((sum, part) => sum + angleOf(part, r), 0);

/** Whether the parts close round any body at all: too short and thick, and they do not. */
export const closesRound = (parts: readonly RoundPart[], turns = 1): boolean =>
  parts.length > 0 && turnAt(parts, 0) >= 2 * Math.PI * turns;

/**
 * Inner circumference of a piece closed round a body, taken as a circle: the r at which the angles
 * of all parts add up to whole turns, times 2 pi.
 *
 *     flexible: l / (r + h)      rigid: 2 atan(l / (2 (r + h)))      sum = 2 pi * turns
 *
 * For uniform flexible work of thickness t this is exactly length - pi t, for any convex body
 * (Steiner's formula for the parallel curve of a convex curve).
 *
 * @param parts at least one; lengths > 0
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
  // The turn falls steadily with r, and by r = total length it is below 1 rad: bisection is safe.
  let low = 0;
  let high = parts.reduce((sum, part) => sum + part.length, 0);
  while (high - low > 1e-10 * (1 + high)) {
    const middle = (low + high) / 2;
    if (turnAt(parts, middle) > want) low = middle;
    else high = middle;
  }
  return Math.PI * (low + high);
}

/**
 * Length that each of several flexible parts of unlike thickness must have, all alike, so that a piece
 * closes on the wanted inner circumference: x = angle left over / sum of 1 / (r + h).
 *
 * @param heights height of each part's neutral line in mm, at least one
 * @param others the parts already fixed
 * @returns length in mm of each; negative when the others are too long already
 * @example shareFor(200, [6, 6], []) // 100 + 6 * Math.PI
 */
export function shareFor(
  circumference: number,
  heights: readonly number[],
  others: readonly RoundPart[],
  turns = 1,
): number {
  const r = circumference / (2 * Math.PI);
  const perLength = heights.reduce((sum, height) => sum + 1 / (r + height), 0);
  return (2 * Math.PI * turns - turnAt(others, r)) / perLength;
}

/**
 * Length of one flexible part that makes a piece close on the wanted inner circumference, the other
 * parts being given: the angle they leave over, times the radius of its neutral line.
 *
 * @param circumference wanted inner circumference in mm, > 0
 * @param height height of the flexible part's neutral line in mm
 * @param others the parts already fixed
 * @returns length in mm; negative when the others are too long already
 * @example flexibleLengthFor(200, 6, []) // 200 + 12 * Math.PI
 */
export function flexibleLengthFor(
  circumference: number,
  height: number,
  others: readonly RoundPart[],
  turns = 1,
): number {
  return shareFor(circumference, [height], others, turns);
}
