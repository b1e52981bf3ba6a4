import { type PartBase, type PartSite } from '../../../base/kind/part-kind.js';
import type { Run } from '../../../base/kind/run.js';
import { bundleOfRuns } from '../pick.js';

/** Two cords tied through each other: one knot as a stopper, or many in a row. */
export interface TwoCordPart extends PartBase {
  readonly kind: 'two-cord-knot';
  readonly units: number;
}

/** The two bundles that tie: the runs halved, in their order. */
export function bundles(site: PartSite): readonly [readonly Run[], readonly Run[]] {
  const half = Math.ceil(site.runs.length / 2);
  return [site.runs.slice(0, half), site.runs.slice(half)];
}

export const diameterOf = (site: PartSite): number => {
  const [a, b] = bundles(site);
  return (bundleOfRuns(a) + bundleOfRuns(b)) / 2;
};
