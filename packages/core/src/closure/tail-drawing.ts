import type { ClosureSite } from '../face/closure-kind.js';
import type { Primitive } from '../face/primitive.js';
import { flipped, moved, straightRuns } from '../knot/stroke.js';
import { stopper, type StopperForm } from '../knot/stopper.js';
import { bundleOfRuns } from '../part/pick.js';
import { knotStrokes } from '../part/stopper-knot/drawing.js';

/** End in mm drawn beyond a stopper. */
const STUB = 4;

/**
 * Both tails lying out from the body at their true length, each to its stopper knot.
 * @param form the stopper at their ends; none when null
 */
export function drawTails(
  site: ClosureSite,
  tail: number,
  length: number,
  form: StopperForm | null,
  state: 'laid' | 'planned',
): Primitive[] {
  const bundle = bundleOfRuns(site.runs);
  const knot = form ? knotStrokes(form, site.runs, 'closure-stop', 'closure', 0, 0, state) : null;
  const beyond = form ? stopper(form, bundle).length + STUB : STUB;
  const right: Primitive[] = [
    ...moved(knot?.below ?? [], tail),
    ...straightRuns(site.runs, 'closure', 0, tail + beyond, state).map((stroke) => ({
      ...stroke,
      ends: 'round' as const,
    })),
    ...moved(knot?.above ?? [], tail),
  ];
  const named = (shapes: readonly Primitive[], side: string): Primitive[] =>
    shapes.map((shape) => ({ ...shape, key: `${shape.key}-${side}` }));
  return [...named(flipped(right), 'start'), ...moved(named(right, 'end'), length)];
}
