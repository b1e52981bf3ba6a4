import { smoothLine } from '@coiled-strand/rope';
import type { Point, Primitive } from '../../../base/kind/primitive.js';
import type { DrawOptions, PartLayout, PartSite } from '../../../base/kind/part-kind.js';

import { straightRuns, strokeOf } from '../../knot/stroke.js';
import { bundles, type TwoCordPart } from './model.js';

/** Every knot as two slanted bights that lock into each other, one from either edge. */
export function drawTwoCord(
  part: TwoCordPart,
  site: PartSite,
  layout: PartLayout,
  { done }: DrawOptions,
): readonly Primitive[] {
  const [a, b] = bundles(site);
  const [one, two] = [a[0], b[0]];
  if (!one || !two) return straightRuns(site.runs, part.id, 0, layout.length);
  const { pitch, width } = layout;
  const edge = width / 2 - pitch / 4.1;
  const bight = (x: number, side: 1 | -1): Point[] =>
    smoothLine(
      [
        [x + pitch * 0.1, -side * edge * 0.2],
        [x + pitch * 0.02, side * edge * 0.55],
        [x + pitch * 0.42, side * edge],
        [x + pitch * 0.86, side * edge * 0.6],
        [x + pitch * 0.95, -side * edge * 0.15],
      ],
      5,
    );
  const knots = Array.from({ length: part.units }, (_, i) => i);
  const draw = (units: readonly number[], state: 'laid' | 'planned'): Primitive[] =>
    units.length === 0
      ? []
      : [
          strokeOf(
            one,
            `${part.id}-first-${state}`,
            part.id,
            units.map((i) => bight(i * pitch, -1)),
            state,
            'round',
          ),
          strokeOf(
            two,
            `${part.id}-second-${state}`,
            part.id,
            units.map((i) => bight(i * pitch, 1)),
            state,
            'round',
          ),
        ];
  return [
    ...straightRuns(site.runs, part.id, 0, layout.length, done > 0 ? 'laid' : 'planned'),
    ...draw(knots.slice(done), 'planned'),
    ...draw(knots.slice(0, done), 'laid'),
  ];
}
