import { smoothLine } from '@coiled-strand/rope';
import type { Point, Primitive } from '../../../base/kind/primitive.js';
import type { DrawOptions, PartLayout, PartSite } from '../../../base/kind/part-kind.js';
import { plateOf } from '../../knot/plate.js';

import { straightRuns, strokeOf } from '../../knot/stroke.js';
import { beadSolid } from '../../knot/bead-solid.js';
import type { StonePart } from './model.js';

/** How square the ends of the outline are: the exponent of a superellipse. */
const SQUARE = 4;

/**
 * Outline of a stone that hangs from (0, 0) with its waist where the loop lies: as much wider above it as it is rounder
 * there, and widest below.
 */
function outlineOf({ width, height, girth, above, rise }: StonePart): Point[] {
  const largest = Math.max(girth, above);
  const at = Math.min(0.7, Math.max(0.25, rise / height));
  const half = (y: number): number => {
    // From the bulge above the loop to its waist, and out again below.
    const near = Math.max(0, 1 - Math.abs(y - at) / (y < at ? at : 0.3));
    const bulge = (y < at ? above : largest) / largest;
    const waist = girth / largest;
    const eased = (1 - Math.cos(Math.PI * near)) / 2;
    return (width / 2) * (bulge + (waist - bulge) * eased);
  };
  return Array.from({ length: 64 }, (_, i): Point => {
    const a = (2 * Math.PI * i) / 64;
    const y = (1 - Math.cos(a)) / 2;
    const round = Math.sqrt(1 - Math.abs(2 * y - 1) ** SQUARE);
    return [Math.sign(Math.sin(a)) * half(y) * round, height * y];
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
  const half = (part.width / 2) * (part.girth / Math.max(part.girth, part.above));
  const loop: Point[] = [
    [x - 0.3, bead.length * 0.6],
    [x - half * 0.55, top + part.rise * 0.4],
    [x - half, at],
    [x, at + part.thickness * 0.28],
    [x + half, at],
    [x + half * 0.55, top + part.rise * 0.4],
    [x + 0.3, bead.length * 0.6],
  ];
  const outline = outlineOf(part).map(([px, py]): Point => [px + x, py + top]);
  return [
    ...straightRuns(site.runs, part.id, 0, layout.length, state),
    plateOf(part.id, 'stone', part.colour, [outline], 'stone'),
    ...(run
      ? [strokeOf(run, `${part.id}-loop`, part.id, [smoothLine(loop, 8)], state, 'round')]
      : []),
    beadSolid(bead, `${part.id}-bead`, part.id, [x, bead.length / 2], state, Math.PI / 2),
  ];
}
