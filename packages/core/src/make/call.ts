import type { Side } from '../kind/side.js';
import type { Step } from '../kind/step.js';
import { sayCount } from '../measure/plural.js';
import type { Place } from './progress.js';

const HALF_KNOT = 'half knot';

/**
 * Side of the last half knot before a step: its bump lies on the other one, where it came out. Null
 * where none is tied yet.
 */
function lastSide(steps: readonly Step[], index: number): Side | null {
  const before = steps
    .slice(0, index)
    .findLast((step) => step.unitName === HALF_KNOT && step.sideOf && step.part !== 'closure');
  return before?.sideOf?.(before.units - 1) ?? null;
}

/** What a whole step is called out as: 'two half knots, left first, where the bump lies'. */
function called(steps: readonly Step[], index: number): string {
  const step = steps[index]!;
  if (step.units === 1 && !step.sideOf) return lower(step.title);
  const units = sayCount(step.units, step.unitName ?? 'time');
  const side = step.sideOf?.(0);
  if (!side) return step.unitText ? lower(strip(step.unitText(0))) : units;
  const last = step.unitName === HALF_KNOT ? lastSide(steps, index) : null;
  const bump = last !== null && last !== side ? ', where the bump lies' : '';
  return `${units}, ${step.units > 1 ? `${side} first` : `from the ${side}`}${bump}`;
}

const strip = (text: string): string => text.replace(/^Next: /, '');
const lower = (text: string): string => text.slice(0, 1).toLowerCase() + text.slice(1);

/**
 * What comes after the unit at hand, as one would call it across the bench: the next bead, the rest of
 * the knots, or the next step.
 *
 * @returns null after the last step
 */
export function callNext(steps: readonly Step[], { index, unit }: Place): string | null {
  const step = steps[index];
  if (!step) return null;
  const left = step.units - unit - 1;
  if (left > 0) {
    if (step.unitText) return lower(strip(step.unitText(unit + 1)));
    const then = index + 1 < steps.length ? `, then ${called(steps, index + 1)}` : '';
    return `${sayCount(left, step.unitName ?? 'time')} more${then}`;
  }
  return index + 1 < steps.length ? called(steps, index + 1) : null;
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
  if (!step.sideOf) return null;
  // Before the first unit of a step that goes on, the last one was tied before it.
  const last = unit > 0 || (step.from ?? 0) > 0 ? step.sideOf(unit - 1) : null;
  return { last, next: step.sideOf(unit) };
}
