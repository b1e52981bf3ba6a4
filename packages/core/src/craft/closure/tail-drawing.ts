import { knotInRuns } from '../part/pick.js';
import type { ClosureSite } from '../../base/kind/closure-kind.js';
import type { Primitive } from '../../base/kind/primitive.js';
import type { Run } from '../../base/kind/run.js';
import { lanesOf } from '../knot/lanes.js';
import { asThing, flipped, moved, straightRuns } from '../knot/stroke.js';
import { type StopperForm } from '../knot/stopper.js';
import { plaitStrokes } from '../part/plait/drawing.js';
import type { Plaiting } from '../part/plait/model.js';
import { knotStrokes } from '../part/stopper-knot/drawing.js';

/** End in mm drawn beyond a stopper. */
const STUB = 4;

/** One knot in all of them, or a knot in each. */
function stoppers(
  site: ClosureSite,
  form: StopperForm,
  state: 'laid' | 'planned',
  each: boolean,
): ReturnType<typeof knotStrokes> {
  if (!each) return knotStrokes(form, site.runs, 'closure-stop', 'closure', 0, 0, state);
  const lanes = lanesOf(site.runs);
  const knots = site.runs.map((run, i) =>
    knotStrokes(
      form,
      [run],
      `closure-stop-${i}`,
      'closure',
      // Neighbours would lie on each other: every other one sits a little further in.
      i % 2 === 0 ? 0 : -knotInRuns(form, [run]).length,
      lanes.get(run.index) ?? 0,
      state,
    ),
  );
  return {
    below: knots.flatMap((knot) => knot.below),
    above: knots.flatMap((knot) => knot.above),
  };
}

/**
 * The tails of both sides lying out from the body at their true length, each to its stopper knot.
 * @param form the stopper at their ends; none when null
 * @param how whether every strand has a stopper of its own, and the plait the tails make
 */
export function drawTails(
  site: ClosureSite,
  tail: number,
  length: number,
  form: StopperForm | null,
  state: 'laid' | 'planned',
  { each = false, plaiting = null }: { each?: boolean; plaiting?: Plaiting | null } = {},
): Primitive[] {
  const tailOf = (runs: readonly Run[]): Primitive[] => {
    if (runs.length === 0) return [];
    const own = { ...site, runs };
    const knot = form ? stoppers(own, form, state, each) : null;
    const beyond = form ? knotInRuns(form, runs).length + STUB : STUB;
    const plaited = runs.length === site.runs.length ? plaiting : null;
    return [
      ...asThing(moved(knot?.below ?? [], tail), 'stopper'),
      ...(plaited ? asThing(plaitStrokes(plaited, 'closure', 0, tail, state, 'tail'), 'tail') : []),
      ...straightRuns(runs, 'closure', plaited ? tail : 0, tail + beyond, state).map((stroke) => ({
        ...stroke,
        ends: 'round' as const,
        thing: 'run' as const,
      })),
      ...asThing(moved(knot?.above ?? [], tail), 'stopper'),
    ];
  };
  const named = (shapes: readonly Primitive[], side: string): Primitive[] =>
    shapes.map((shape) => ({ ...shape, key: `${shape.key}-${side}` }));
  // Where strands are folded at the start there are no ends, but a loop.
  const free = site.runs.filter((run) => !run.folded);
  return [
    ...named(flipped(tailOf(free)), 'start'),
    ...moved(named(tailOf(site.runs), 'end'), length),
  ];
}
