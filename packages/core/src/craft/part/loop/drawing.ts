import type { Point, Primitive } from '../../../base/kind/primitive.js';
import type { DrawOptions, PartLayout, PartSite } from '../../../base/kind/part-kind.js';
import type { Run } from '../../../base/kind/run.js';
import { flipped, moved, straightRuns, strokeOf } from '../../knot/stroke.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import { knotStrokes } from '../stopper-knot/drawing.js';
import type { LoopPart } from './model.js';

/** How much of its reach an eye takes as it is drawn, a little open. */
export const EYE_LIES = 0.88;

/** An eye of cord that opens to the left of x = 0 and lies `reach` long, with `runs` side by side. */
export function eyeStrokes(
  runs: readonly Run[],
  perimeter: number,
  key: string,
  part: string,
  state: 'laid' | 'planned',
): Primitive[] {
  const reach = perimeter / 2;
  const strands = [...new Map(runs.map((run) => [run.strand, run])).values()];
  let inset = 0;
  return strands.map((run, i) => {
    const d = effectiveDiameter(run.cord);
    // An ellipse of these half axes is about as long as the perimeter and nearly as long as it lies flat.
    const [along, across] = [(reach * EYE_LIES) / 2 + inset / 2, reach * 0.14 + d / 2 + inset];
    inset += d;
    const line = Array.from({ length: 33 }, (_, j): Point => {
      const a = (j / 32) * 2 * Math.PI - Math.PI;
      return [-along * (1 + Math.cos(a)), -across * Math.sin(a)];
    });
    return strokeOf(run, `${key}-eye-${i}`, part, [line], state, 'round');
  });
}

export function drawLoop(
  part: LoopPart,
  site: PartSite,
  layout: PartLayout,
  { done }: DrawOptions,
): readonly Primitive[] {
  const state = done > 0 ? 'laid' : 'planned';
  const reach = part.perimeter / 2;
  const knot = knotStrokes('overhand', site.runs, `${part.id}-knot`, part.id, 0, 0, state);
  // Drawn opening to the left; the loop at the end of the piece is the same, turned round.
  const shapes = [
    ...eyeStrokes(site.runs, part.perimeter, part.id, part.id, state),
    ...knot.below,
    ...straightRuns(site.runs, part.id, 0, layout.length - reach, state),
    ...knot.above,
  ];
  return site.first ? moved(shapes, reach) : moved(flipped(shapes), layout.length - reach);
}
