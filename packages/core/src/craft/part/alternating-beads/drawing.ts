import { smoothLine } from '@coiled-strand/rope';
import type { Point, Primitive } from '../../../base/kind/primitive.js';
import type { DrawOptions, PartLayout, PartSite } from '../../../base/kind/part-kind.js';
import { lanesOf } from '../../knot/lanes.js';

import { strokeOf } from '../../knot/stroke.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import { beadSolid } from '../../knot/bead-solid.js';
import { periodIn, type AlternatingPart } from './model.js';

/** Both cords wave from bead to bead; the rings lie over them where they cross the middle. */
export function drawAlternating(
  part: AlternatingPart,
  site: PartSite,
  layout: PartLayout,
  { done, firstSide }: DrawOptions,
): readonly Primitive[] {
  const bead = site.bead(part.bead);
  const ring = site.bead(part.ring);
  const lanes = lanesOf(site.runs);
  const d = effectiveDiameter(site.runs[0]!.cord);
  const period = periodIn(part, bead, ring, d);
  const out = period.offset / 2;
  const up = firstSide === 'left' ? -1 : 1;
  const sideOf = (i: number): number => (i % 2 === 0 ? up : -up);
  const mine = layout.beads.filter((placed) => placed.run !== undefined);
  const rings = layout.beads.filter((placed) => placed.run === undefined);
  const waves = site.runs.map((run, lane): Primitive => {
    const own = lane === 0 ? up : -up;
    const y0 = lanes.get(run.index) ?? 0;
    const points: Point[] = [[0, y0]];
    mine.forEach(({ at }, i) => {
      const carries = sideOf(i) === own;
      points.push([at, own * (carries ? out : d * 0.4)]);
    });
    points.push([layout.length, y0]);
    return strokeOf(
      run,
      `${part.id}-wave-${lane}`,
      part.id,
      [smoothLine(points, 6)],
      done > 0 ? 'laid' : 'planned',
    );
  });
  return [
    ...waves,
    ...mine.map(({ at }, i) =>
      beadSolid(
        bead,
        `${part.id}-bead-${i}`,
        part.id,
        [at, sideOf(i) * out],
        i < done ? 'laid' : 'planned',
      ),
    ),
    ...rings.map(({ at }, i) =>
      beadSolid(
        ring,
        `${part.id}-ring-${i}`,
        part.id,
        [at, 0],
        i < done ? 'laid' : 'planned',
        // A ring between nested beads leans from one to the other.
        sideOf(i) * 0.45,
      ),
    ),
  ];
}
