export {
  random,
  type Random,
  memoize,
  type Board,
  type BoardBead,
  type KnotMeasure,
  type KnotSize,
  type OwnKnot,
  type TightKnot,
} from '@coiled-strand/rope';
/** Lengths and their spoken forms, girths, materials, actions, what hands are known for, and the faces of kinds. What is not here is the room’s own. */
// Lengths, sentences with values in them, and how a piece fits a body.
export type { Advice } from './measure/advice.js';
export { EASE_LABELS, EASE_RULES, easeAmount, type Ease, type EaseRule } from './measure/ease.js';
export { formatLength } from './measure/format-length.js';
export { handGirth, WEAR_SITES, type WearSite } from './measure/girth.js';
export { parseLength, type LengthError } from './measure/parse-length.js';
export { countOf, oneOf, pluralOf, sayCount } from './measure/plural.js';
export { cordLength, inSentence, join, say, type Saying } from './measure/saying.js';
export { meanOf, type Measured } from './measure/places.js';

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
export {
  STRIPE_WIDTH,
  type BeadSolid,
  type Bounds,
  type CordStroke,
  type Drawing,
  type Plate,
  type Point,
  type Point3,
  type Primitive,
} from './kind/primitive.js';
export {
  KNOT_SPREAD,
  PLAIT_SPREAD,
  sumOf,
  type Passage,
  type Reason,
  type Use,
} from './kind/reason.js';

export { LEG_ROLES, type LegRole, type Run } from './kind/run.js';
export {
  callAt,
  isFirstTied,
  sideAt,
  tiedAt,
  type Caution,
  type Wait,
  type Step,
  type Tied,
} from './kind/step.js';

export { commonWorkingEnds } from './material/working-end.js';
// What is learnt of a hand, and how sure it is.
export type { Learnt } from './learn/belief.js';
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
export { tellTerm, type TermId } from './measure/terms.js';
export type { Copy } from './material/copy.js';
export { evenness, MIN_SWATCHES, type Evenness } from './learn/evenness.js';
// What the workshop builds on.
export { normalQuantile } from './learn/normal-quantile.js';
export { GLUE_CURES } from './kind/waits.js';
export { secondsOf } from './action/seconds.js';
