/** Drawings in millimetres, for screen, paper, SVG and space. What is not here is the room’s own. */
export { drawOpened, openableOf, openingOf, type Openable } from './drawing/opened.js';
// On paper.
export { stripMarks, type StripMark } from './paper/marks.js';
export {
  onSheets,
  PAPER_MARGIN,
  PAPERS,
  tilesOf,
  type PaperSize,
  type Tile,
} from './paper/sheets.js';
// Pieces in space.
export { drawMoveInSpace, movesInSpace, wayOf, type MoveScene } from './drawing/move.js';
export {
  drawInSpace,
  mirroredInSpace,
  strandAlone,
  type SpaceBead,
  type SpaceCord,
  type SpacePlate,
  type SpaceScene,
} from './drawing/space.js';
export { sampleClosure, type ClosureSample } from './drawing/sample-closure.js';
// Drawings, true to scale.
export { drawBench, roomOf, type BenchDrawing, type BenchLayer } from './drawing/bench.js';
export { drawHanging, type HangingPart, type HangingView } from './drawing/hanging.js';
export { drawClosed, type ClosedView } from './drawing/closed.js';
export { rulerTicks } from './drawing/ruler.js';
export { sampleOf, type Sample } from './drawing/sample.js';
export { stepPicture } from './drawing/step-picture.js';
export {
  beginningShown,
  tyingShown,
  tyingsShown,
  type MovePicture,
  type TyingShown,
} from './drawing/tying-picture.js';
export { beadPath } from './drawing/bead-path.js';
export { boundsOf } from './drawing/bounds.js';
export { pointsSeen, svgPath } from './drawing/svg-path.js';
export { svgOf } from './paper/svg.js';
