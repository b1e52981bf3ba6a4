/**
 * Inner perimeter in mm that a loop needs to let something through, before its cord has stretched.
 *
 * A disc of diameter D and thickness t passes when half the perimeter reaches round half its section:
 * P = 2 (D + t). A ball of diameter D: P = pi D. Anything else by its girth.
 *
 * @example loopFor({ shape: 'disc', diameter: 18, thickness: 4 }) // 44
 */
export const loopFor = (thing: {
  readonly shape: 'disc' | 'ball';
  readonly diameter: number;
  readonly thickness: number;
}): number =>
  thing.shape === 'ball' ? Math.PI * thing.diameter : 2 * (thing.diameter + thing.thickness);

/**
 * Cord in mm round a loop of inner perimeter P: P + pi d, along the cord's middle (Steiner's formula).
 * @example loopCord(44, 2) // 44 + 2 * Math.PI
 */
export const loopCord = (perimeter: number, d: number): number => perimeter + Math.PI * d;
