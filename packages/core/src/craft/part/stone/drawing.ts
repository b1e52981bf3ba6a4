import { smoothLine } from '@coiled-strand/rope';
import type { Point, Primitive } from '../../../base/kind/primitive.js';
import type { DrawOptions, PartLayout, PartSite } from '../../../base/kind/part-kind.js';
import { plateOf } from '../../knot/plate.js';

import { straightRuns, strokeOf } from '../../knot/stroke.js';
import { beadSolid } from '../../knot/bead-solid.js';
import type { StonePart } from './model.js';

/** Outline of a drop that hangs from (0, 0): narrow above, round below. */
function dropOutline(width: number, height: number): Point[] {
  return Array.from({ length: 48 }, (_, i): Point => {
    const a = (2 * Math.PI * i) / 48;
    const y = (1 - Math.cos(a)) / 2;
    return [(width / 2) * Math.sin(a) * (0.55 + 0.45 * y), height * y];
  });
}

/** The stone hangs below the line of the necklace, the loop across it, the bead on top. */
export function drawStone(
  part: StonePart,
  site: PartSite,
  layout: PartLayout,
  { done }: DrawOptions,
): readonly Primitive[] {
  const bead = site.bead(part.bead);
  const x = layout.length / 2;
  const top = bead.length + part.rise * 0.4;
  const state = done > 0 ? 'laid' : 'planned';
  const run = site.runs[0];
  const at = top + part.rise;
  const half = part.width * 0.46;
  const loop: Point[] = [
    [x - 0.3, bead.length * 0.6],
    [x - half * 0.55, top + part.rise * 0.4],
    [x - half, at],
    [x, at + part.thickness * 0.28],
    [x + half, at],
    [x + half * 0.55, top + part.rise * 0.4],
    [x + 0.3, bead.length * 0.6],
  ];
  const outline = dropOutline(part.width, part.height).map(([px, py]): Point => [px + x, py + top]);
  return [
    ...straightRuns(site.runs, part.id, 0, layout.length, state),
    plateOf(part.id, 'stone', part.colour, [outline], 'stone'),
    ...(run
      ? [strokeOf(run, `${part.id}-loop`, part.id, [smoothLine(loop, 8)], state, 'round')]
      : []),
    beadSolid(bead, `${part.id}-bead`, part.id, [x, bead.length / 2], state, Math.PI / 2),
  ];
}
