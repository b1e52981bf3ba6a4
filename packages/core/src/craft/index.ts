/** Every kind of knot, part and closure, and floss. What is not here is the room’s own. */
// Curves of cord.
export { byDepth } from './knot/by-depth.js';
export { lanesOf } from './knot/lanes.js';
export { NUMBERS, type NumberRow } from './knot/numbers.js';
// Knotted patterns.
export { CROSSING_FACTS, CROSSINGS, leftWorks, swaps, type Crossing } from './floss/crossing.js';
export {
  crossingOf,
  firstPlace,
  fitToStrands,
  insertRows,
  knotsInRow,
  MAX_ROWS,
  mirrorAcross,
  mirrorAlong,
  patternFaults,
  placeStep,
  removeRows,
  repeated,
  STRAND_LIMITS,
  withSign,
  type FlossPattern,
  type Lay,
} from './floss/pattern.js';
export {
  weavePicture,
  type Picture,
  type PictureOptions,
  type PictureWoven,
} from './floss/picture.js';
export { READY_PATTERNS, readyPattern, type ReadyPattern } from './floss/ready.js';
export {
  orderAfter,
  pathOf,
  repeatsToReturn,
  simulate,
  type FlossKnot,
  type Simulation,
} from './floss/simulate.js';
// Every kind of part.
export { readBand, writeBand, type LineFault, type WrittenBand } from './floss/text.js';
export { flossKnotAt, flossLane, wrapsOf } from './part/floss/drawing.js';
export { latticeFor, type FlossPart, type Lattice } from './part/floss/model.js';
export { PART_KINDS, partKind, type Part } from './part/registry.js';
// Every closure.
export { CLOSURE_KINDS, closureKind, type Closure } from './closure/registry.js';
