/**
 * Rounds a cut up to the maker's step: cord cannot be glued back on.
 *
 * @param mm length >= 0 in mm
 * @param step step > 0 in mm
 * @returns the smallest multiple of the step that is not below `mm`
 *
 * @example roundUpToStep(2432, 50) // 2450
 */
export function roundUpToStep(mm: number, step: number): number {
  if (!(step > 0)) throw new RangeError(`the rounding step must be above 0 mm, not ${step}`);
  // A sum of parts may land a few ulps above a whole step; that is no reason to cut a step more.
  const steps = mm / step;
  return Math.ceil(steps - 1e-9 * Math.max(1, steps)) * step;
}
