import type { Step } from '../face/step.js';
import { sayCount } from '../measure/plural.js';
import type { Place } from './progress.js';

/** What a whole step is called out as: 'two half knots, left first, where the bump lies'. */
function called(step: Step): string {
  if (step.units === 1 && !step.sideOf) return lower(step.title);
  const units = sayCount(step.units, step.unitName ?? 'time');
  const side = step.sideOf?.(0);
  if (!side) return step.unitText ? lower(strip(step.unitText(0))) : units;
  const bump = step.unitName === 'half knot' ? ', where the bump lies' : '';
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
    const after = steps[index + 1];
    return `${sayCount(left, step.unitName ?? 'time')} more${after ? `, then ${called(after)}` : ''}`;
  }
  const next = steps[index + 1];
  return next ? called(next) : null;
}

/**
 * Which side the last unit came from and which is next, for hands that lost their place.
 *
 * @returns null where sides do not matter
 */
export function sidesAt(
  step: Step,
  unit: number,
): { readonly last: 'left' | 'right' | null; readonly next: 'left' | 'right' } | null {
  if (!step.sideOf) return null;
  // Before the first unit of a step that goes on, the last one was tied before it.
  const last = unit > 0 || (step.from ?? 0) > 0 ? step.sideOf(unit - 1) : null;
  return { last, next: step.sideOf(unit) };
}
