import { callAt, sideAt, type Step } from '../base/kind/step.js';
import { inSentence, onSide, say, several, type Saying } from '../base/measure/saying.js';
import type { Side } from '../base/measure/side.js';
import type { Place } from './progress.js';

/**
 * Side of the last unit before a step that shows by its bump where it came from: the bump lies on the
 * other side, where it came out. Null where none is tied yet.
 */
function lastSide(steps: readonly Step[], index: number): Side | null {
  const before = steps.slice(0, index).findLast((step) => step.bumps);
  return before ? sideAt(before, before.units - 1) : null;
}

/** What a whole step is called out as: 'two half knots, left first, where the bump lies'. */
function called(steps: readonly Step[], index: number): Saying {
  const step = steps[index]!;
  const side = sideAt(step, 0);
  if (step.units === 1 && side === null) return inSentence(step.title);
  const units = several(step.units, step.unitName ?? 'time');
  if (side === null) return inSentence(callAt(step, 0) ?? [units]);
  const last = step.bumps ? lastSide(steps, index) : null;
  const bump = last !== null && last !== side ? ', where the bump lies' : '';
  return say`${units}, ${step.units > 1 ? say`${onSide(side)} first` : say`from the ${onSide(side)}`}${bump}`;
}

/**
 * What comes after the unit at hand, as one would call it across the bench: the next bead, the rest of
 * the knots, or the next step.
 *
 * @returns null after the last step
 */
export function callNext(steps: readonly Step[], { index, unit }: Place): Saying | null {
  const step = steps[index];
  if (!step) return null;
  const next = index + 1 < steps.length ? called(steps, index + 1) : null;
  const left = step.units - unit - 1;
  if (left <= 0) return next;
  const call = callAt(step, unit + 1);
  if (call !== null) return inSentence(call);
  const more = say`${several(left, step.unitName ?? 'time')} more`;
  return next === null ? more : say`${more}, then ${next}`;
}

/**
 * Which side the last unit came from and which is next, for hands that lost their place.
 *
 * @returns null where sides do not matter
 */
export function sidesAt(
  step: Step,
  unit: number,
): { readonly last: Side | null; readonly next: Side } | null {
  const next = sideAt(step, unit);
  if (next === null) return null;
  // Before the first unit of a step that goes on, the last one was tied before it.
  return { last: unit > 0 || (step.from ?? 0) > 0 ? sideAt(step, unit - 1) : null, next };
}
