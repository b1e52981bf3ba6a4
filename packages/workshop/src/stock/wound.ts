/**
 * How thick a spool is with so much cord on it: turns lie side by side and in layers straight above each other, so
 * that each millimetre of cord takes the square of its diameter of the spool’s section.
 *
 * @param length of cord in mm, >= 0
 * @param diameter of the cord in mm
 * @param spool its bare radius and the width between its flanges, in mm, above 0
 * @returns radius in mm
 * @example woundRadius(0, 1, { radius: 10, width: 40 }) // 10
 */
export const woundRadius = (
  length: number,
  diameter: number,
  { radius, width }: { readonly radius: number; readonly width: number },
): number => Math.sqrt(radius ** 2 + (length * diameter ** 2) / (Math.PI * width));

/**
 * How thick a hank is with so much cord in it: a ring whose section holds every turn, laid as on a spool.
 *
 * @param radius of the ring, to the middle of its section, in mm
 * @returns diameter of its section in mm
 * @example ringThickness(0, 1, 40) // 0
 */
export const ringThickness = (length: number, diameter: number, radius: number): number =>
  Math.sqrt((2 * length * diameter ** 2) / (Math.PI ** 2 * radius));
