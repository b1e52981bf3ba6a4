import { packedDiameter } from '@coiled-strand/rope';
import { packUnlike } from './pack-unlike.js';
import { CORD_KIND_FACTS, effectiveDiameter, type Cord } from './cord.js';

/** As near as cords count as alike, in mm. */
const ALIKE = 1e-6;

/**
 * Diameter in mm of the smallest round hole that holds these cords side by side: of cords that are alike by
 * the table, of two unlike ones exactly `d1 + d2`. More unlike ones are laid in the hole one by one, the
 * thickest first, each as deep in a corner as it goes (`packUnlike`), which is the smallest hole or a few per
 * cent more.
 *
 * @param diameters in mm
 * @example bundleDiameter([2, 2]) // 4
 * @example bundleDiameter([3, 0.5]) // 3.5
 */
export function bundleDiameter(diameters: readonly number[]): number {
  if (diameters.length === 0) return 0;
  const sorted = [...diameters].sort((a, b) => b - a);
  const [most, least] = [sorted[0]!, sorted.at(-1)!];
  if (most - least < ALIKE) return packedDiameter(diameters.length) * most;
  if (diameters.length === 2) return most + least;
  return packUnlike(sorted);
}

/**
 * What lies in a hole while a needle draws a cord through beside others: the cord is folded in the needle’s eye, and the
 * fine wire of that lies in the groove between its two halves.
 */
export const withFold = (cord: Cord, beside: readonly Cord[]): readonly Cord[] => [
  ...beside,
  cord,
  cord,
];

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
