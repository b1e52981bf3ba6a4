import { techniqueIn } from './observe.js';
import {
  DRIFT_SPREAD,
  factorOf,
  PITCH_SPREAD,
  type Hand,
  type HandFactor,
} from '../base/learn/hand.js';
import { normalCdf } from '../base/learn/normal-cdf.js';
import { normalQuantile } from '../base/learn/normal-quantile.js';
import { KNOT_SPREAD } from '../base/kind/reason.js';
import type { Piece } from '../piece/piece.js';
import type { Plan } from '../plan/plan-types.js';
import { endsOf } from '../plan/end-lengths.js';
import { partStates, plus, type Amount, type PartState } from './rest.js';
import { RULER } from './ruler.js';

/** What was measured half way. Lengths in mm. */
export interface HalfWay {
  /** Units done of every part, by id. */
  readonly done: Readonly<Record<string, number>>;
  /** From the start of the parts to the last knot. */
  readonly length: number;
  /** Cord left of every strand beyond the last knot, all its ends together; null where not measured. */
  readonly left: readonly (number | null)[];
}

/** A factor of this make: median, and the standard deviation of its logarithm. */
export interface Guess {
  readonly factor: number;
  readonly sd: number;
}

export interface StrandForecast {
  /** From 1. */
  readonly number: number;
  /** Cord that is there for the rest: measured, or by the plan. */
  readonly available: number;
  /** Cord that the rest takes, at its median. */
  readonly needs: number;
  /** Cord that lasts at the confidence asked for. */
  readonly needsSurely: number;
  /** Probability that it lasts. */
  readonly lasts: number;
}

export interface Forecast {
  /** Length of a unit of this make, over the plan's. */
  readonly pitchFactor: Guess;
  /** Cord in a unit of this make, over the plan's. */
  readonly takeUpFactor: Guess;
  /** Length of all parts if tied on as planned: one in twenty, median, nineteen in twenty. */
  readonly length: { readonly low: number; readonly mid: number; readonly high: number };
  /** Units of filling parts that the planned length takes in this hand, and as many as were planned. */
  readonly fill: { readonly planned: number; readonly toLength: number } | null;
  readonly strands: readonly StrandForecast[];
  /** Probability that every strand lasts, tied on to the planned length. */
  readonly lasts: number;
  /** Where to stop at the latest so that the closure can surely be tied. */
  readonly latest: {
    readonly part: string;
    /** Units of that part. */
    readonly unit: number;
    /** Length of all work up to there. */
    readonly length: number;
    /** Whether that is the end: everything lasts. */
    readonly all: boolean;
  };
}

/** Prior of a factor of this make, on the logarithm and over the plan's. */
const prior = (spread: number): Log => ({ mean: 0, sd: spread });
interface Log {
  readonly mean: number;
  readonly sd: number;
}

/**
 * What a measured ratio says of the rest of this make: conjugate normal on the logarithm. The stretch measured
 * differs from the make by half of what a hand changes within one, and by the ruler; the rest by the other half.
 *
 * @param ratio measured over planned; null when there is nothing to measure yet
 * @param error of the ruler over what it measured
 * @param drift of the rest over the stretch measured
 */
function posterior(before: Log, ratio: number | null, error: number, drift: Log): Log {
  const each = drift.sd / Math.SQRT2;
  if (ratio === null || ratio <= 0) return { ...before, sd: Math.hypot(before.sd, each) };
  const variance = each ** 2 + error ** 2;
  const precision = 1 / before.sd ** 2 + 1 / variance;
  const make =
    (before.mean / before.sd ** 2 + (Math.log(ratio) + drift.mean / 2) / variance) / precision;
  return {
    mean: make + drift.mean / 2,
    sd: Math.hypot(Math.sqrt(1 / precision), each),
  };
}

const guess = ({ mean, sd }: Log): Guess => ({ factor: Math.exp(mean), sd: sd });

const sum = (numbers: readonly number[]): number => numbers.reduce((total, one) => total + one, 0);

interface Prior {
  readonly learnt: HandFactor | undefined;
  /** Spread of all hands in the cord. */
  readonly sd: number;
}

/** What was learnt of the technique that takes most of the work, or of that which makes most of its length. */
function priorOf(
  piece: Piece,
  states: readonly PartState[],
  hand: Hand,
  measure: 'take-up' | 'pitch' | 'drift',
): Prior {
  const main = [...states]
    .filter((state) => measure === 'take-up' || state.pitched)
    .sort((a, b) => weight(b) - weight(a))[0];
  const use = main?.plan.layout.uses.find(({ reason }) => reason.spread);
  const kind = piece.strands[(use?.strand ?? 1) - 1]?.cord.kind;
  return {
    learnt: main && kind && factorOf(hand, techniqueIn(main.plan), kind, measure),
    sd: use?.reason.spread ?? KNOT_SPREAD,
  };
}

/** How long a unit in the rest of a make is, over those that were measured. */
function driftOf(piece: Piece, states: readonly PartState[], hand: Hand): Log {
  const { learnt } = priorOf(piece, states, hand, 'drift');
  return learnt
    ? { mean: Math.log(learnt.factor), sd: learnt.spread }
    : { mean: 0, sd: DRIFT_SPREAD };
}
const weight = ({ cost, plan }: PartState): number =>
  sum(cost.strands.map((one) => one.knots)) * plan.layout.units;

const NO_CORD: Amount = { knots: 0, straight: 0 };
const NO_ENDS = { start: 0, end: 0 };
/** What a part takes of a strand, for each of its units. */
const costOf = ({ cost }: PartState, strand: number): Amount => cost.strands[strand] ?? NO_CORD;

/** Cord of a strand in parts done, or to be done. */
const cordIn = (
  states: readonly PartState[],
  strand: number,
  units: (state: PartState) => number,
): Amount =>
  states.reduce<Amount>(
    (total, state) => plus(total, costOf(state, strand), units(state)),
    NO_CORD,
  );

/**
 * Forecast half way, from the work so far and the cord that is left. Take-up and pitch of this make
 * are log-normal about the plan; what is measured updates them, and all that follows is tied with them.
 * One hand ties all strands, so they run short together: that all last is as likely as that the
 * scarcest does.
 *
 * @param hand what the plan was made with
 * @param confidence for where to stop at the latest, 0 < p < 1
 * @throws RangeError when the strands measured are not those of the plan, or a length is no length
 */
export function forecast(
  piece: Piece,
  plan: Plan,
  hand: Hand,
  half: HalfWay,
  confidence = piece.cutting.confidence,
): Forecast {
  if (half.left.length !== plan.strands.length) {
    throw new RangeError(`the plan has ${plan.strands.length} cords, not ${half.left.length}`);
  }
  if (!(half.length >= 0)) throw new RangeError('the work so far needs a length');
  const states = partStates(piece, plan, hand, half.done);
  const pitched = (units: (state: PartState) => number): number =>
    sum(states.map((s) => (s.pitched ? units(s) * s.cost.length : 0)));
  const rigid = (units: (state: PartState) => number): number =>
    sum(states.map((s) => (s.pitched ? 0 : units(s) * s.cost.length)));
  const done = (s: PartState): number => s.done;
  const left = (s: PartState): number => s.left;

  const grown = pitched(done);
  const came = half.length - rigid(done);
  const drift = driftOf(piece, states, hand);
  const pitchLog = posterior(
    prior(priorOf(piece, states, hand, 'pitch').learnt?.spread ?? PITCH_SPREAD),
    grown > 0 && came > 0 ? came / grown : null,
    RULER.work / Math.max(1, came),
    drift,
  );
  const pitchFactor = guess(pitchLog);

  const ends = endsOf(piece, plan);
  const endOf = (strand: number) => ends[strand] ?? NO_ENDS;
  const stretched = grown > 0 && came > 0 ? came / grown : 1;
  const straightDone = (strand: number): number =>
    sum(states.map((s) => costOf(s, strand).straight * s.done * (s.pitched ? stretched : 1)));
  const measured = plan.strands.flatMap(({ cut }, i) => {
    const cord = half.left[i] ?? null;
    return cord === null ? [] : [{ cord, cut, i }];
  });
  const knotsDone = sum(measured.map(({ i }) => cordIn(states, i, done).knots));
  const inKnots = sum(
    measured.map(({ cord, cut, i }) => cut - cord - endOf(i).start - straightDone(i)),
  );
  const takeUp = priorOf(piece, states, hand, 'take-up');
  const takeUpLog = posterior(
    prior(takeUp.learnt?.spread ?? takeUp.sd),
    knotsDone > 0 && inKnots > 0 ? inKnots / knotsDone : null,
    (RULER.cord * Math.sqrt(measured.length)) / Math.max(1, inKnots),
    // A hand that changes its pull changes the cord as well, by as much; which way is not known. Assumed.
    { mean: 0, sd: drift.sd },
  );
  const takeUpFactor = guess(takeUpLog);

  // To the planned length: parts that fill are tied as long as the rest needs.
  const fillPlanned = sum(states.map((s) => (s.pitched && s.fills ? s.left : 0)));
  const fillLength = sum(states.map((s) => (s.pitched && s.fills ? s.left * s.cost.length : 0)));
  const fixedPitched = pitched(left) - fillLength;
  const missing = plan.fit.length - half.length - rigid(left) - fixedPitched * pitchFactor.factor;
  const more = fillLength > 0 ? Math.max(0, missing / (fillLength * pitchFactor.factor)) : 1;
  const unitsLeft = (s: PartState): number => s.left * (s.pitched && s.fills ? more : 1);

  const z = normalQuantile(confidence);
  const strands = plan.strands.map((strand, i): StrandForecast => {
    const rest = cordIn(states, i, unitsLeft);
    const straight = sum(
      states.map(
        (s) => costOf(s, i).straight * unitsLeft(s) * (s.pitched ? pitchFactor.factor : 1),
      ),
    );
    const fixed = straight + endOf(i).end;
    const before = cordIn(states, i, done);
    const cord = half.left[i] ?? null;
    // Where it was not measured, what the knots before took is as unsure as what those to come take.
    const knots = rest.knots + (cord === null ? before.knots : 0);
    const available = cord ?? strand.cut - endOf(i).start - straightDone(i);
    const free = available - fixed;
    // Longer units are fewer: where parts fill, the rest varies with the pitch as well.
    const share = knots > 0 ? rest.knots / knots : 0;
    const sd = Math.hypot(takeUpLog.sd, fillLength > 0 ? share * pitchLog.sd : 0);
    const lasts =
      knots <= 1e-9
        ? free >= -1e-9
          ? 1
          : 0
        : free <= 0
          ? 0
          : normalCdf((Math.log(free / knots) - takeUpLog.mean) / sd);
    const given = cord === null ? before.knots * takeUpFactor.factor : 0;
    return {
      number: strand.number,
      available: available - given,
      needs: fixed + rest.knots * takeUpFactor.factor,
      needsSurely: fixed + knots * takeUpFactor.factor * Math.exp(z * sd) - given,
      lasts: strand.given ? 1 : lasts,
    };
  });

  const rest = pitched(left) * pitchFactor.factor;
  const mid = half.length + rigid(left) + rest;
  // The ruler's error is in the work so far and, with it, in the pitch that the rest is reckoned by.
  const ruler = grown > 0 && came > 0 ? RULER.work ** 2 * (1 + (2 * rest) / came) : 0;
  const band = normalQuantile(0.95) * Math.sqrt((rest * pitchLog.sd) ** 2 + ruler);
  return {
    pitchFactor,
    takeUpFactor,
    length: { low: mid - band, mid, high: mid + band },
    fill:
      fillLength > 0 ? { planned: fillPlanned, toLength: Math.round(fillPlanned * more) } : null,
    strands,
    lasts: Math.min(1, ...strands.map((strand) => strand.lasts)),
    latest: latestStop(plan, states, half, {
      pitchFactor: pitchFactor.factor,
      surely: takeUpFactor.factor * Math.exp(z * takeUpLog.sd),
      more,
      available: strands.map((strand, i) => strand.available - endOf(i).end),
    }),
  };
}

interface Pace {
  readonly pitchFactor: number;
  /** Take-up that is surely not exceeded. */
  readonly surely: number;
  /** Units of filling parts over those planned. */
  readonly more: number;
  /** Cord of every strand without what its end takes. */
  readonly available: readonly number[];
}

/** Goes on unit by unit until a strand would no longer be surely long enough for its end. */
function latestStop(
  plan: Plan,
  states: readonly PartState[],
  half: HalfWay,
  { pitchFactor, surely, more, available }: Pace,
): Forecast['latest'] {
  const cord = [...available];
  let length = half.length;
  let at = states.find((s) => s.left > 0) ?? states.at(-1)!;
  let unit = at.done;
  for (const state of states) {
    const grow = state.pitched ? pitchFactor : 1;
    const units = state.left * (state.pitched && state.fills ? more : 1);
    const takes = state.cost.strands.map(({ knots, straight }) => knots * surely + straight * grow);
    // A given strand is there already, whatever it takes.
    const short = (share: number): boolean =>
      takes.some((one, i) => !plan.strands[i]?.given && (cord[i] ?? 0) < one * share - 1e-9);
    for (let n = 0; n < units - 1e-9; n++) {
      const share = Math.min(1, units - n);
      if (short(share)) {
        return { part: at.plan.id, unit, length, all: false };
      }
      takes.forEach((one, i) => (cord[i] = (cord[i] ?? 0) - one * share));
      length += state.cost.length * grow * share;
      at = state;
      unit = state.done + n + 1;
    }
  }
  return { part: at.plan.id, unit, length, all: true };
}
