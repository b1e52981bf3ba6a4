import type { ClosureKind } from '../../base/kind/closure-kind.js';
import { breakawayClasp } from './breakaway-clasp/index.js';
import { coiledSlider } from './coiled-slider/index.js';
import { cordEnds } from './cord-ends/index.js';
import { glueInClasp } from './glue-in-clasp/index.js';
import { hookAndRing } from './hook-and-ring/index.js';
import { lariat } from './lariat/index.js';
import { lobster } from './lobster/index.js';
import { loopAndButton } from './loop-and-button/index.js';
import { loopAndKnot } from './loop-and-knot/index.js';
import { sideReleaseBuckle } from './side-release-buckle/index.js';
import { squareKnotSlider } from './square-knot-slider/index.js';
import { tieEnds } from './tie-ends/index.js';
import { toggle } from './toggle/index.js';
import { turksHeadSlider } from './turks-head-slider/index.js';
import { twoSlidingKnots } from './two-sliding-knots/index.js';
import { twoWayBead } from './two-way-bead/index.js';

/** Every closure there is. A new one is a folder beside this file and a line here. */
const KINDS = [
  sideReleaseBuckle,
  squareKnotSlider,
  coiledSlider,
  turksHeadSlider,
  twoSlidingKnots,
  twoWayBead,
  loopAndButton,
  loopAndKnot,
  lobster,
  toggle,
  hookAndRing,
  cordEnds,
  glueInClasp,
  breakawayClasp,
  tieEnds,
  lariat,
] as const;

/** Any closure of a piece. */
export type Closure = ReturnType<(typeof KINDS)[number]['make']>;

// What every kind takes is its own closure; the registry gives each what it has made itself.
export const CLOSURE_KINDS = KINDS as readonly unknown[] as readonly ClosureKind[];

const BY_TYPE = new Map(CLOSURE_KINDS.map((kind) => [kind.entry.type, kind]));

/** @throws RangeError for a type that no closure has */
export function closureKind(type: string): ClosureKind {
  const kind = BY_TYPE.get(type);
  if (!kind) throw new RangeError(`there is no closure “${type}”`);
  return kind;
}
