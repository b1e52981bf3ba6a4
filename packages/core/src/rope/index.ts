/** Ropes drawn tight: curves, the engine, the knots of the catalogue, their tables, and the board for knots of one’s own. What is not here is the room’s own. */
// Knots that a maker draws.
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
export { fingerprint } from './board/fingerprint.js';
export { KNOWN_KNOTS, likenesses, type KnownKnot, type Likeness } from './board/known.js';
export { onBoard } from './board/lift.js';
export { laidBy, movesOf, type LaidStretch, type Move } from './board/moves.js';
export type { Moment } from './engine/opening.js';
export { CATALOGUE } from './knots/catalogue.js';
export { ENGINE } from './engine/compute.js';
export { thinned } from './engine/thinned.js';
export { boardPlaces, drawBoard, leftAt, ownKnotFaults, type BoardVerdict } from './board/tight.js';
export type { Progress } from './engine/tighten.js';
export { TIGHTENED_CURVES } from './tables/tightened-curves.js';
export { polylineLength, smoothLine } from './curves/spline.js';
