/** Of so many beads one breaks, has no hole or rolls away. Common practice, no source. */
export const BEADS_TO_A_SPARE = 20;

/**
 * Beads with spare ones.
 * @example withSpare(40) // 42
 * @example withSpare(41) // 44
 */
export const withSpare = (count: number, each = BEADS_TO_A_SPARE): number =>
  each > 0 ? count + Math.ceil(count / each) : count;

const INCH = 25.4;

/**
 * Cord that is sold by the inch: rounded up, and one inch more. Common practice, no source.
 * @param mm > 0
 * @returns inches
 * @example inchesToOrder(210) // 10
 */
export const inchesToOrder = (mm: number): number => Math.ceil(mm / INCH - 1e-9) + 1;
