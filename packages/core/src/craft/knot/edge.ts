import type { PartLayout, PartSite } from '../../base/kind/part-kind.js';
import type { CordStroke, Point, Primitive } from '../../base/kind/primitive.js';
import type { Run } from '../../base/kind/run.js';
import { beadSolid } from './bead-solid.js';
import { coresOf } from './lanes.js';
import { ellipse, plateOf } from './plate.js';
import { moved, strokeOf } from './stroke.js';

// Parts seen from their edge, as they lie on the skin: y = 0 there, the outside of the work at y < 0.

type Wound = Pick<Run, 'strand' | 'cord'>;

/** A cord along the whole part, its middle that many mm above the skin. */
export const edgeLine = (run: Wound, part: string, length: number, height: number): CordStroke =>
  strokeOf(
    run,
    `closed-${part}-core`,
    part,
    [
      [
        [0, -height],
        [length, -height],
      ],
    ],
    'laid',
  );

/** The cord that lies inside the work; nothing where none does. */
export function edgeCore(part: string, site: PartSite, layout: PartLayout): CordStroke[] {
  const middle = coresOf(site.runs)[0] ?? site.runs[0];
  return middle ? [edgeLine(middle, part, layout.length, layout.thickness / 2)] : [];
}

/**
 * Short pieces of a cord one after the other, as knots show from the side.
 *
 * @param places middle and half length of each, in mm from the start of the part
 */
export const edgeBumps = (
  run: Wound,
  part: string,
  key: string,
  places: readonly { readonly at: number; readonly reach: number }[],
  height: number,
): CordStroke =>
  strokeOf(
    run,
    `closed-${part}-${key}`,
    part,
    places.map(({ at, reach }): Point[] => [
      [at - reach, -height],
      [at + reach, -height],
    ]),
    'laid',
    'round',
  );

/** A row of knots as thick as the work. */
export function edgeKnots(run: Wound | undefined, part: string, layout: PartLayout): CordStroke[] {
  if (!run) return [];
  const { units, pitch, thickness, length } = layout;
  const step = length / Math.max(1, units);
  const reach = Math.max(0.05, (Math.min(step, pitch) - thickness) / 2);
  const places = Array.from({ length: Math.max(1, units) }, (_, i) => ({
    at: (i + 0.5) * step,
    reach,
  }));
  return [{ ...edgeBumps(run, part, 'knot', places, thickness / 2), diameter: thickness }];
}

/** The beads of a part, lying on the skin or as high as the work holds them. */
export const edgeBeads = (part: string, site: PartSite, layout: PartLayout): Primitive[] =>
  layout.beads.map(({ id, at }, i) => {
    const bead = site.bead(id);
    const height = Math.max(bead.height, layout.thickness) / 2;
    return beadSolid(bead, `closed-${part}-bead-${i}`, part, [at, -height], 'laid');
  });

/** What is as thick as it is wide looks from its edge as it does from above. */
export const roundFromEdge = (
  shapes: readonly Primitive[],
  layout: Pick<PartLayout, 'thickness'>,
): Primitive[] => moved(shapes, 0, -layout.thickness / 2);

/** A line of cord with its beads: what most parts look like. */
export const plainEdge = (part: string, site: PartSite, layout: PartLayout): Primitive[] => [
  ...edgeCore(part, site, layout),
  ...edgeBeads(part, site, layout),
];

/** What hangs lies against the skin or swings free: seen from its edge, outside of its place. */
export const hangingFromEdge = (
  part: { readonly id: string; readonly colour: string },
  layout: Pick<PartLayout, 'length' | 'thickness'>,
  thickness: number,
  drop: number,
): Primitive =>
  plateOf(
    part.id,
    'closed-hanging',
    part.colour,
    [ellipse(layout.length / 2, -(drop / 2 + layout.thickness), thickness / 2, drop / 2)],
    'stone',
  );
