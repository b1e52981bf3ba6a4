import type { Primitive } from '../../../base/kind/primitive.js';
import type { DrawOptions, PartLayout, PartSite } from '../../../base/kind/part-kind.js';
import type { Run } from '../../../base/kind/run.js';
import { lanesOf } from '../../knot/lanes.js';
import { asOneCord, stopperLines, type StopperForm } from '../../knot/stopper.js';
import { straightRuns, strokeOf } from '../../knot/stroke.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import { pickRuns } from '../pick.js';
import type { StopperPart } from './model.js';

/**
 * A stopper knot from x = 0 on, about a line y. Cords tied together are drawn in turn along the wraps,
 * each at its own thickness.
 */
export function knotStrokes(
  form: StopperForm,
  runs: readonly Run[],
  key: string,
  part: string,
  x: number,
  y: number,
  state: 'laid' | 'planned',
): { readonly below: Primitive[]; readonly above: Primitive[] } {
  const lines = stopperLines(form, asOneCord(runs.map((run) => effectiveDiameter(run.cord))));
  const draw = (side: 'front' | 'back'): Primitive[] =>
    runs.map((run, i) => {
      const d = effectiveDiameter(run.cord);
      const dx = runs.length === 1 ? 0 : (i - (runs.length - 1) / 2) * d * 0.92;
      return strokeOf(
        run,
        `${key}-${side}-${i}`,
        part,
        lines[side].map((line) => line.map(([px, py]) => [px + x + dx, py + y] as const)),
        state,
        'round',
      );
    });
  return { below: draw('back'), above: draw('front') };
}

export function drawStopper(
  part: StopperPart,
  site: PartSite,
  layout: PartLayout,
  { done }: DrawOptions,
): readonly Primitive[] {
  const runs = pickRuns(site, part.runs);
  const lanes = lanesOf(site.runs);
  const knots =
    part.tied === 'together'
      ? [{ runs, y: 0 }]
      : runs.map((run) => ({ runs: [run], y: lanes.get(run.index) ?? 0 }));
  const drawn = knots.map(({ runs: own, y }, i) => {
    // Knots in neighbouring cords need room: they are drawn a little apart.
    const spread = part.tied === 'each' ? y * 2.4 : y;
    return knotStrokes(
      part.form,
      own,
      `${part.id}-knot-${i}`,
      part.id,
      0,
      spread,
      i < done ? 'laid' : 'planned',
    );
  });
  const straight = straightRuns(
    site.runs,
    part.id,
    0,
    layout.length,
    done > 0 ? 'laid' : 'planned',
  );
  return [
    ...drawn.flatMap((knot) => knot.below),
    ...straight,
    ...drawn.flatMap((knot) => knot.above),
  ];
}
