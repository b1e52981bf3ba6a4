/** Ropes drawn tight: curves, the engine, the knots of the catalogue, their tables, and the board for knots of one’s own. */
export type { Cell, CellStrand, KnownCurves } from './base/cell.js';
export { memoize, sameFields } from './base/memoize.js';
export type {
  Board,
  BoardBead,
  KnotMeasure,
  KnotSize,
  OwnKnot,
  TightKnot,
} from './base/own-knot.js';
export { packedDiameter } from './base/packed.js';
export type { Point, Point3 } from './base/point.js';
export { random, type Random } from './base/random.js';
export {
  acrossOf,
  knotInSpace,
  laidTo,
  mirroredLine,
  nearestOf,
  repeated,
  sized,
} from './curves/cells.js';
export { bundleOf, bundleShape, type CoreBundle } from './curves/hull.js';
export { aside, polylineLength, smoothLine, catmullRom, subdivided } from './curves/spline.js';
export {
  curveOfTurksHead,
  formulaOfTurksHead,
  turksHeadWidth,
  type TurksHead,
} from './curves/turks-head-curve.js';
export { ENGINE } from './engine/compute.js';
export { opening, type Moment } from './engine/opening.js';
export type { Recipe } from './engine/recipe.js';
export { thinned } from './engine/thinned.js';
export type { Progress } from './engine/tighten.js';
export { far } from './engine/touching-points.js';
export { CATALOGUE } from './knots/catalogue.js';
export {
  asCore,
  BOARD_LIMITS,
  boardFaults,
  crossings,
  inMirror,
  turnOver,
  withCord,
  withoutCord,
  type BoardCrossing,
} from './board/board.js';
export { fingerprint, fnv1a } from './board/fingerprint.js';
export { KNOWN_KNOTS, likenesses, type KnownKnot, type Likeness } from './board/known.js';
export { onBoard, inSpace } from './board/lift.js';
export { inFrame } from './board/size.js';
export { boardPlaces, drawBoard, leftAt, ownKnotFaults, type BoardVerdict } from './board/tight.js';
export { diagramOf, type LinkDiagram } from './link/diagram.js';
export { planarCode } from './link/planar-code.js';
export { asBoard, closedLayout } from './tying/closed.js';
export type { Go, LaidCrossing, TyingLayout } from './tying/layout.js';
export { mirror, type Lead, type Tying, type TyingStrand } from './tying/tying.js';
export { laidAt, type TyingStretch } from './tying/laid.js';
export { layoutOf, tellingOf, TYING_IDS, tyingOf } from './tying/tyings.js';
export { directionAt } from './board/goes.js';
export { carriedOut } from './tying/carry-out.js';
export { tyingOfKnot } from './tying/drawn.js';
export { slackIn } from './tying/open.js';
export { circleRound, drawTight, passing, tightOf, type TightTying } from './tying/tight.js';
export type { Telling } from './tying/words.js';
export { TIGHTENED_CURVES } from './tables/tightened-curves.js';
export { TIGHTENED, tightened, type TightenedName } from './tables/tightened.js';
