/** What other packages use of the core, by its folders. What is not here is the core’s own. */

// Lengths, sentences with values in them, and how a piece fits a body.
export type { Advice } from './measure/advice.js';
export { EASE_LABELS, EASE_RULES, easeAmount, type Ease, type EaseRule } from './measure/ease.js';
export { formatLength } from './measure/format-length.js';
export { handGirth, WEAR_SITES, type WearSite } from './measure/girth.js';
export { parseLength, type LengthError } from './measure/parse-length.js';
export { countOf, oneOf, pluralOf, sayCount } from './measure/plural.js';
export { cordLength, inSentence, join, say, type Saying } from './measure/saying.js';
export { meanOf, type Measured } from './measure/places.js';
export { random, type Random } from './measure/random.js';
export { parseReading, type Reading } from './measure/reading.js';
export { otherSide, type Side } from './measure/side.js';
export { IN_MM, speak, speakLength, type SpokenUnits } from './measure/speak.js';
export { isImperial, LENGTH_UNITS, type LengthUnit } from './measure/units.js';

// Cords, beads and what goes through a hole.
export { BEAD_SHAPES, type Bead, type BeadShape } from './material/bead.js';
export {
  CORD_KIND_FACTS,
  CORD_KINDS,
  type Colour,
  type Cord,
  type CordKind,
} from './material/cord.js';
export {
  END_SCHOOLS,
  END_TREATMENTS,
  endsFor,
  suitsEnd,
  type EndHabits,
  type EndKind,
  type EndTreatment,
} from './material/ends.js';
export { passage, type PassageAnswer } from './material/passage.js';
export { PRACTICE_LABELS, PRACTICES, type Practice } from './material/practice.js';

// What every part and closure says of itself, and the shapes, steps and reasons it says it in.
export type { ClosureBase, ClosureKind } from './kind/closure-kind.js';
export { ID_PATTERN, MAX_ROW, type Field } from './kind/field.js';
export {
  TENSIONS,
  type PartBase,
  type PartEntry,
  type PartKind,
  type PartSite,
  type Tension,
} from './kind/part-kind.js';
export type {
  BeadSolid,
  Bounds,
  CordStroke,
  Drawing,
  Plate,
  Point,
  Point3,
  Primitive,
} from './kind/primitive.js';
export {
  KNOT_SPREAD,
  PLAIT_SPREAD,
  sumOf,
  type Passage,
  type Reason,
  type Use,
} from './kind/reason.js';
export { memoize } from './kind/memoize.js';
export { LEG_ROLES, type LegRole, type Run } from './kind/run.js';
export { callAt, sideAt, type Caution, type Step } from './kind/step.js';

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
export { drawOpened, openableOf, openingOf, type Openable } from './drawing/opened.js';
export type { Moment } from './rope/opening.js';
export { CATALOGUE } from './rope/knots/catalogue.js';
export { ENGINE } from './rope/compute.js';
export { thinned } from './rope/thinned.js';
export { boardPlaces, drawBoard, leftAt, ownKnotFaults, type BoardVerdict } from './board/tight.js';
export type {
  Board,
  BoardBead,
  KnotMeasure,
  KnotSize,
  OwnKnot,
  TightKnot,
} from './kind/own-knot.js';
export type { Progress } from './rope/tighten.js';

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
export { TIGHTENED_CURVES } from './knot/tightened-curves.js';

// Curves of cord.
export { byDepth } from './knot/by-depth.js';
export { polylineLength, smoothLine } from './knot/spline.js';
export { lanesOf } from './knot/lanes.js';
export { NUMBERS, type NumberRow } from './knot/numbers.js';
export { LAST_ACTIONS } from './material/working-end.js';

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
  type Simulation,
} from './floss/simulate.js';

// Every kind of part.
export { readBand, writeBand, type LineFault, type WrittenBand } from './floss/text.js';
export { flossKnotAt, flossLane, wrapsOf } from './part/floss/drawing.js';
export { latticeFor, type FlossPart, type Lattice } from './part/floss/model.js';
export { PART_KINDS, partKind, type Part } from './part/registry.js';

// Every closure.
export { CLOSURE_KINDS, closureKind, type Closure } from './closure/registry.js';

// What is learnt of a hand, and how sure it is.
export type { Learnt } from './learn/belief.js';
export { shortestEnd, type FingerEnd } from './plan/shortest-end.js';
export { planCost, type PlanCost } from './plan/cost.js';
export type { RuleBeside } from './kind/rule-of-thumb.js';
export type { Source } from './kind/reason.js';
export { ENDS_SPREAD, ENDS_WERE, type EndsWere } from './learn/own-ends.js';
export {
  ANY_HAND,
  DRIFT_SPREAD,
  handOf,
  lessonsFrom,
  type Hand,
  type HandKey,
  type Lesson,
  MEASURES,
  type Measure,
  type Observation,
  PITCH_SPREAD,
  TIME_SPREAD,
} from './learn/hand.js';

// The piece as the maker lays it out.
export { changes, TOPICS, type Change, type Topic } from './piece/changes.js';
export { sameCopy, sameDocument } from './piece/same.js';
export type { Copy } from './material/copy.js';
export { STRAND_WAYS, strandWay } from './piece/strand-ways.js';
export { alternated, graded, inBlocks, mirrored } from './piece/arrange.js';
export {
  changePart,
  duplicatePart,
  freshId,
  insertPart,
  mirrorAbout,
  movePart,
  removePart,
  repeatParts,
} from './piece/edit.js';
export { EXAMPLE_BAND, EXAMPLE_CORD, EXAMPLE_PIECE } from './piece/example.js';
export {
  cordsOfBand,
  insertStrand,
  layColours,
  layReady,
  placesOf,
  recolourPlace,
  removeStrand,
  withPattern,
  layWritten,
  withSingleStrands,
  withStrandCount,
} from './piece/loom.js';
export { beadIdsOf, beadsById, knotIdsOf, knotsById } from './piece/palette.js';
export { kindOfTechnique, techniqueLabel } from './piece/technique.js';
export type { Cutting, Piece, PieceBead, PieceKnot, Strand, Wear, Wearer } from './piece/piece.js';
export { runsOf } from './piece/runs.js';
export { sitesOf } from './piece/sites.js';

// The plan: fit, cut list, advice.
export { costOfWaste } from './plan/cost-of-waste.js';
export { draftPlan } from './plan/plan.js';
export { asBefore, planPiece, tryPlan } from './steps/plan-piece.js';
export { tellPiece } from './steps/tell-piece.js';
export { inSizes, ofSize, RUN, RUN_GIRTHS, type Sized } from './steps/sizes.js';
export type { AuxiliaryPlan, PartPlan, Plan, PlanResult, StrandPlan } from './plan/plan-types.js';

// Pieces to begin with.
export { templateById, TEMPLATES, type Template } from './template/templates.js';

// Layouts that are proposed.
export {
  proposeLayouts,
  type LayoutWish,
  type Proposal,
  type RowGap,
  type RowOrder,
} from './layout/propose.js';

// Making: steps, progress, forecasts, and what a record teaches.
export { secondsBesides, tyingSeconds } from './make/bench-time.js';
export { callNext, sidesAt } from './make/call.js';
export { forecast, type Forecast, type HalfWay } from './make/forecast.js';
export { firstSideFor } from './steps/habits.js';
export { observe } from './make/observe.js';
export { compareOutcome, type Compared, type Outcome } from './make/outcome.js';
export {
  actionsAt,
  actionsBefore,
  doneByPart,
  finishFrom,
  placeOf,
  reachedBy,
  startPlace,
  stepPlaceOf,
  totalActions,
  type Place,
  type Reached,
  type StepPlace,
} from './make/progress.js';
export type { Between, MakeRecord } from './make/record.js';
export { remedies, type Remedy } from './make/remedies.js';
export { makeSteps } from './steps/steps.js';
export { sampleClosure, type ClosureSample } from './drawing/sample-closure.js';
export { evenness, MIN_SWATCHES, type Evenness } from './learn/evenness.js';
export { MIN_SWATCH, observeSwatch, swatchTechniques } from './make/swatch.js';

// Drawings, true to scale.
export { drawBench, roomOf, type BenchDrawing, type BenchLayer } from './drawing/bench.js';
export { drawHanging, type HangingPart, type HangingView } from './drawing/hanging.js';
export { drawClosed, type ClosedView } from './drawing/closed.js';
export { rulerTicks } from './drawing/ruler.js';
export { sampleOf, type Sample } from './drawing/sample.js';
export { stepPicture } from './drawing/step-picture.js';
export { beadPath } from './drawing/bead-path.js';
export { boundsOf } from './drawing/bounds.js';
export { pointsSeen, svgPath } from './drawing/svg-path.js';
export { svgOf } from './paper/svg.js';

// The open file format.
export {
  fileNameOf,
  pieceFileName,
  readPieceFile,
  toPieceFile,
  wrapperFaults,
  type FileFault,
  type PieceFile,
} from './format/piece-file.js';
export { PIECE_FORMAT, PIECE_FORMAT_VERSION } from './format/version.js';
export { upgradeFile, upgradePiece } from './format/upgrade.js';

// What the workshop builds on.
export { normalQuantile } from './learn/normal-quantile.js';
export { GLUE_CURES } from './kind/waits.js';
export { secondsOf } from './action/seconds.js';
