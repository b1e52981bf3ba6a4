import { account } from '../hands/account.js';
import type { Stop } from '../hands/follow.js';
import type { RefusalCode } from '../hands/refusal.js';
import { ANY_HAND, type Hand } from '../../base/learn/hand.js';
import type { Advice } from '../../base/measure/advice.js';
import { say } from '../../base/measure/saying.js';
import type { Piece } from '../../piece/piece.js';
import { idleCords } from '../checks.js';
import { draftPlan } from '../plan.js';
import type { Plan, PlanResult } from '../plan-types.js';
import type { Step } from '../../base/kind/step.js';
import type { Telling } from './habits.js';
import { carryOut, stepsFor } from './steps.js';

/** Where simulated hands come to a stop that follow the steps to the letter, and at which of them. */
interface FirstStop {
  readonly stop: Stop;
  readonly step: Step | null;
}

function at(stop: Stop, steps: readonly Step[]): FirstStop {
  let before = 0;
  const step = steps.find(({ actions = [] }) => {
    before += actions.length;
    return stop.action !== null && stop.action < before;
  });
  return { stop, step: step ?? null };
}

/**
 * Has hands make a piece to the letter.
 *
 * @returns null when they do not come to a stop, and the piece is as it was planned
 */
export function firstStop(piece: Piece, plan: Plan, telling: Telling): FirstStop | null {
  const { steps, finish, table, stop } = stepsFor(piece, plan, telling);
  if (stop) return at(stop, steps);
  const later = carryOut(table, finish);
  if (later) return at(later, finish);
  const [left] = account(table);
  return left ? { stop: { ...left, action: null }, step: null } : null;
}

/**
 * Has hands try a draft, before anything is cut.
 *
 * @param plan what `draftPlan` made of the piece
 * @returns the very same plan when hands can carry it out, or when there is none to try; otherwise one that
 *   says why not, first of all
 */
export function tryPlan(piece: Piece, plan: PlanResult): PlanResult {
  // A cord that no part ties is told of; until then there is nothing for hands to try.
  if (!plan.ok || plan.unmakeable || idleCords(piece).length > 0) return plan;
  const found = firstStop(piece, plan, { first: 'left', words: false });
  if (!found) return plan;
  return { ...plan, unmakeable: true, advice: [unmakeable(found), ...plan.advice] };
}

/**
 * A draft with what hands found of the same piece a moment ago, while it is still being moved.
 *
 * @param before a plan that hands have tried
 */
export function asBefore(draft: PlanResult, before: PlanResult): PlanResult {
  if (!draft.ok || draft.unmakeable || !before.ok || !before.unmakeable) return draft;
  return { ...draft, unmakeable: true, advice: [...before.advice.slice(0, 1), ...draft.advice] };
}

/**
 * Plans a piece: fit, layout, cut list with reasons, checks; and has hands try it, before anything is cut.
 * A pure function; the same code answers in the browser and on the server.
 *
 * @param piece lengths in mm
 * @param hand what was learnt of the hand that will make it
 * @returns the plan, or the errors that prevent one; warnings and notes come with both. A plan that hands
 *   cannot carry out says so
 * @throws RangeError when the piece names a kind of part or closure that does not exist
 */
export const planPiece = (piece: Piece, hand: Hand = ANY_HAND): PlanResult =>
  tryPlan(piece, draftPlan(piece, hand));

/** What else could be done, by why hands stop. */
const REMEDIES: Readonly<Partial<Record<RefusalCode, string>>> = {
  'not-fast': 'Tie a stopper knot behind it, or choose a closure that holds both ends.',
  'out-of-order': 'Move the part to the other end, or take the other part away from there.',
  'closed-end':
    'The end is taken already: choose another closure, or give the work a cord of its own.',
  'not-held': 'Have the cord laid in where the knots begin.',
  'not-folded': 'Fold the cord, or choose a closure for single cords.',
  'not-there': 'Use the cord single, so that it has an end there.',
  'not-planned': 'Give the bead a cord that goes through it.',
};

/** What is told of a piece that cannot be made as it stands. */
function unmakeable({ stop, step }: FirstStop): Advice {
  const { code, message } = stop;
  return {
    code: `hands.${code}`,
    severity: 'error',
    message:
      step === null
        ? say`Made to the letter it would not come out as planned: ${message}`
        : say`It cannot be made so. At “${step.title}”: ${message}`,
    remedy: REMEDIES[code] ?? 'Change the parts, the cords they are made with, or the closure.',
    path: step?.part === 'closure' ? 'closure' : 'parts',
    ...(step?.part === undefined ? {} : { part: step.part }),
  };
}
