/** What other packages use of the core, room by room. */
export * from './base/index.js';
export {
  asCore,
  BOARD_LIMITS,
  type BoardCrossing,
  boardFaults,
  boardPlaces,
  type BoardVerdict,
  CATALOGUE,
  crossings,
  drawBoard,
  ENGINE,
  fingerprint,
  fnv1a,
  inMirror,
  KNOWN_KNOTS,
  type KnownKnot,
  leftAt,
  type Likeness,
  likenesses,
  type Moment,
  onBoard,
  ownKnotFaults,
  polylineLength,
  type Progress,
  smoothLine,
  thinned,
  TIGHTENED_CURVES,
  turnOver,
  withCord,
  withoutCord,
} from '@coiled-strand/rope';
export * from './craft/index.js';
export * from './piece/index.js';
export * from './plan/index.js';
export * from './make/index.js';
export * from './view/index.js';
