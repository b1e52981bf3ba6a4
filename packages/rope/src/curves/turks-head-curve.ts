/** Leads (strands side by side) and bights (scallops at each edge) of a Turk's head. */
export interface TurksHead {
  readonly leads: number;
  readonly bights: number;
  /** How many times the cord follows round, side by side with itself. */
  readonly passes: number;
}

/**
 * Width in cord diameters: three leads lie 2.2 m + 0.85 wide; each further lead adds what a third of
 * the way between does (assumed for others than three).
 *
 * @example turksHeadWidth({ leads: 3, bights: 4, passes: 3 }) // 7.45
 */
export const turksHeadWidth = ({ leads, passes }: TurksHead): number =>
  ((2.2 * passes + 0.85) * (leads + 1)) / 4;

/** Steps in which the curve is measured. */
const SAMPLES = 2000;

/**
 * Cord in all passes of a Turk's head that lies on a cylinder as a closed curve, in cord diameters:
 *
 *     the length of  z = A sin(B t), angle = L t  at radius D/2 + 1,  A = (width - 1) / 2
 *
 * @param cylinder diameter D in cord diameters, > 0
 */
export function curveOfTurksHead(knot: TurksHead, cylinder: number): number {
  const { leads, bights, passes } = knot;
  const A = (turksHeadWidth(knot) - 1) / 2;
  const radius = cylinder / 2 + 1;
  let length = 0;
  for (let i = 0; i < SAMPLES; i++) {
    const t = (2 * Math.PI * (i + 0.5)) / SAMPLES;
    length += Math.hypot(A * bights * Math.cos(bights * t), radius * leads);
  }
  return ((length * 2 * Math.PI) / SAMPLES) * passes;
}

/**
 * Cord in one of three leads and four bights, drawn tight, in cord diameters:
 *
 *     3 pi m (D + 1.5 + 4.6 / (D + 1) + (m - 1)(0.22 + 2 / D))
 *
 * @param passes m, >= 1
 * @param cylinder diameter D in cord diameters, > 0
 */
export const formulaOfTurksHead = (passes: number, cylinder: number): number =>
  3 *
  Math.PI *
  passes *
  (cylinder + 1.5 + 4.6 / (cylinder + 1) + (passes - 1) * (0.22 + 2 / cylinder));
