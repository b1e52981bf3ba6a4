import type { ClosureKind } from '../kind/closure-kind.js';
import { breakawayClasp, type BreakawayClasp } from './breakaway-clasp/index.js';
import { coiledSlider, type CoiledSlider } from './coiled-slider/index.js';
import { cordEnds, type CordEnds } from './cord-ends/index.js';
import { glueInClasp, type GlueInClasp } from './glue-in-clasp/index.js';
import { hookAndRing, type HookAndRing } from './hook-and-ring/index.js';
import { lariat, type Lariat } from './lariat/index.js';
import { lobster, type Lobster } from './lobster/index.js';
import { loopAndButton, type LoopAndButton } from './loop-and-button/index.js';
import { loopAndKnot, type LoopAndKnot } from './loop-and-knot/index.js';
import { sideReleaseBuckle, type BuckleClosure } from './side-release-buckle/index.js';
import { squareKnotSlider, type SquareKnotSlider } from './square-knot-slider/index.js';
import { tieEnds, type TieEnds } from './tie-ends/index.js';
import { toggle, type Toggle } from './toggle/index.js';
import { turksHeadSlider, type TurksHeadSlider } from './turks-head-slider/index.js';
import { twoSlidingKnots, type TwoSlidingKnots } from './two-sliding-knots/index.js';
import { twoWayBead, type TwoWayBead } from './two-way-bead/index.js';

/** Any closure of a piece. */
export type Closure =
  | BuckleClosure
  | LoopAndButton
  | LoopAndKnot
  | SquareKnotSlider
  | CoiledSlider
  | TurksHeadSlider
  | TwoSlidingKnots
  | TwoWayBead
  | Lobster
  | Toggle
  | HookAndRing
  | CordEnds
  | GlueInClasp
  | BreakawayClasp
  | TieEnds
  | Lariat;

/** Every closure there is. A new one is a folder beside this file and a line here. */
export const CLOSURE_KINDS: readonly ClosureKind[] = [
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
] as readonly ClosureKind[];

const BY_TYPE = new Map(CLOSURE_KINDS.map((kind) => [kind.entry.type, kind]));

/** @throws RangeError for a type that no closure has */
export function closureKind(type: string): ClosureKind {
  const kind = BY_TYPE.get(type);
  if (!kind) throw new RangeError(`there is no closure “${type}”`);
  return kind;
}
