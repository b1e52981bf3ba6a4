import { CORD_KIND_FACTS, effectiveDiameter, type Cord } from './cord.js';

/**
 * Diameter of the smallest circle that holds m equal circles, in their diameters.
 * Source: circle packing in a circle; up to 7 proven by Graham (1968) and Pirl (1969), more from
 * memory. Beyond the table: the area of the circles at a packing density of 0.75.
 */
const PACKED = [
  0, 1, 2, 2.1547, 2.4142, 2.7013, 3, 3, 3.3048, 3.6131, 3.8131, 3.9238, 4.0296,
] as const;

/** @example packedDiameter(4) // 2.4142 */
export const packedDiameter = (m: number): number => PACKED[m] ?? Math.sqrt(m / 0.75);

/**
 * Diameter in mm of the smallest round hole that holds these cords side by side. Unlike cords count as
 * as many equal ones of the same area, and never as less than the two thickest side by side (assumed).
 *
 * @param diameters in mm
 * @example bundleDiameter([2, 2]) // 4
 */
export function bundleDiameter(diameters: readonly number[]): number {
  if (diameters.length === 0) return 0;
  const sorted = [...diameters].sort((a, b) => b - a);
  const mean = Math.sqrt(diameters.reduce((sum, d) => sum + d * d, 0) / diameters.length);
  return Math.max(packedDiameter(diameters.length) * mean, (sorted[0] ?? 0) + (sorted[1] ?? 0));
}

/** goes: slips through; needle: with a needle, a thread to pull by, or a stiffened point; no: too thick. */
export type PassageAnswer = 'goes' | 'needle' | 'no';

export interface PassageResult {
  readonly answer: PassageAnswer;
  /** Diameter in mm that the cords need as they are, and squeezed. */
  readonly loose: number;
  readonly squeezed: number;
}

/**
 * Whether cords go through a hole together, each as often as it is listed.
 *
 * @param hole diameter in mm
 * @returns `goes` when the bundle fits as it is, `needle` when it fits squeezed by what its cords give
 */
export function passage(hole: number, cords: readonly Cord[]): PassageResult {
  const loose = bundleDiameter(cords.map(effectiveDiameter));
  const squeezed = bundleDiameter(
    cords.map((cord) => effectiveDiameter(cord) * (1 - CORD_KIND_FACTS[cord.kind].gives)),
  );
  // Sizes are labelled to a tenth of a millimetre; less than a hundredth decides nothing.
  const slack = 0.01;
  const answer = loose <= hole + slack ? 'goes' : squeezed <= hole + slack ? 'needle' : 'no';
  return { answer, loose, squeezed };
}
