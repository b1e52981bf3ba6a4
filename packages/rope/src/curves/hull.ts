import { packedDiameter } from '../base/packed.js';

/** How the bare core lies inside the work. */
export type CoreBundle = 'one' | 'two-flat' | 'three-flat' | 'four-flat' | 'two-by-two' | 'round';

export interface BundleShape {
  /** Perimeter of the convex hull of the round cores, in working-cord diameters. */
  readonly perimeter: number;
  readonly width: number;
  readonly thickness: number;
}

/** Up to four cores lie side by side; more are pulled into a round bundle. */
export const bundleOf = (cores: number): CoreBundle =>
  (['one', 'one', 'two-flat', 'three-flat', 'four-flat'] as const)[cores] ?? 'round';

const flat = (n: number, ratio: number): BundleShape => ({
  perimeter: (2 * (n - 1) + Math.PI) * ratio,
  width: n * ratio,
  thickness: ratio,
});

/**
 * Convex hull of equal round cores: a circle, a stadium, a rounded square, or the round bundle. Around
 * k circles in a convex ring the hull is one circle's circumference plus the runs between centres.
 *
 * @param ratio core diameter / working cord diameter, > 0
 * @param cores number of cores, read only for a round bundle
 * @returns measures in working-cord diameters
 * @example bundleShape('two-flat', 1).perimeter // 2 + Math.PI
 */
export function bundleShape(bundle: CoreBundle, ratio: number, cores = 1): BundleShape {
  switch (bundle) {
    case 'one':
      return flat(1, ratio);
    case 'two-flat':
      return flat(2, ratio);
    case 'three-flat':
      return flat(3, ratio);
    case 'four-flat':
      return flat(4, ratio);
    case 'two-by-two':
      return { perimeter: (4 + Math.PI) * ratio, width: 2 * ratio, thickness: 2 * ratio };
    case 'round': {
      const across = packedDiameter(cores) * ratio;
      return { perimeter: Math.PI * across, width: across, thickness: across };
    }
  }
}
