import { sized } from '@coiled-strand/rope';
import { straightInSpace } from '../../knot/cords-in-space.js';

import type { DrawOptions, PartLayout, PartSite } from '../../../base/kind/part-kind.js';
import type { CordStroke, Point3, Primitive } from '../../../base/kind/primitive.js';

import { beadSolid } from '../../knot/bead-solid.js';
import type { InSpace } from '../../../base/kind/in-space.js';
import { byDepth, type Stretch } from '../../knot/by-depth.js';

import { lanesOf } from '../../knot/lanes.js';
import { straightRuns } from '../../knot/stroke.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import { cordsOf, diameterOf, type KnotCord, type OwnKnotPart } from './model.js';

/** How much of the ends is drawn before and behind the knot, in diameters. */
const BEYOND = 0.6;

/** A curve between two places along the piece: what leads to the knot and from it is cut off. */
function within(curve: readonly Point3[], from: number, to: number): Point3[] {
  return curve.flatMap((p, i): Point3[] => {
    const q = curve[i + 1];
    if (!q) return p[0] >= from && p[0] <= to ? [p] : [];
    const at = (x: number): Point3 => {
      const t = (x - p[0]) / (q[0] - p[0]);
      return [x, p[1] + t * (q[1] - p[1]), p[2] + t * (q[2] - p[2])];
    };
    const inside = p[0] >= from && p[0] <= to;
    const cuts = [from, to]
      .filter((x) => (p[0] - x) * (q[0] - x) < 0)
      .sort((a, b) => (a - b) * Math.sign(q[0] - p[0]))
      .map(at);
    return [...(inside ? [p] : []), ...cuts];
  });
}

/** Every run of a cord along its curve; those tied together lie beside each other. */
function stretchesOf(
  cords: readonly KnotCord[],
  curves: readonly (readonly Point3[])[],
  d: number,
  x: number,
  state: (cord: number) => CordStroke['state'],
): Stretch[] {
  return cords.flatMap(({ runs }, cord) =>
    runs.map((run, i) => {
      const own = effectiveDiameter(run.cord);
      const aside = runs.length > 1 ? (i - (runs.length - 1) / 2) * own * 0.9 : 0;
      return {
        run,
        state: state(cord),
        // The bench looks down on the piece: away from the maker is up.
        line: curves[cord]!.map(([u, v, w]): Point3 => [x + u * d, -v * d + aside, w * d]),
      };
    }),
  );
}

const beadsAt = (
  part: OwnKnotPart,
  site: PartSite,
  places: readonly Point3[],
  d: number,
  x: number,
  key: string,
  state: 'laid' | 'planned',
): Primitive[] =>
  part.bead === undefined
    ? []
    : places.map(([u, v], i) =>
        beadSolid(site.bead(part.bead!), `${key}-${i}`, part.id, [x + u * d, -v * d], state),
      );

/** Knots in a row, each the curves that it is measured by. */
export function drawOwnKnot(
  part: OwnKnotPart,
  site: PartSite,
  layout: PartLayout,
  { done }: DrawOptions,
): readonly Primitive[] {
  const knot = site.knot(part.knot);
  const cords = cordsOf(part, site, knot);
  const d = diameterOf(cords);
  const { value: long } = knot.tight.size.length;
  const curves = knot.tight.curves.map((curve) => within(curve, -BEYOND, long + BEYOND));
  const tied = new Set(cords.flatMap(({ runs }) => runs));
  const beside = site.runs.filter((run) => !tied.has(run));
  const each = layout.length / layout.units;
  const knots = Array.from({ length: layout.units }, (_, unit): Primitive[] => {
    const state = unit < done ? 'laid' : 'planned';
    const key = `${part.id}-knot-${unit}`;
    return [
      ...byDepth(
        stretchesOf(cords, curves, d, unit * each, () => state),
        key,
        part.id,
      ),
      ...beadsAt(part, site, knot.tight.beads, d, unit * each, `${key}-bead`, state),
    ];
  });
  return [
    ...straightRuns(beside, part.id, 0, layout.length, done > 0 ? 'laid' : 'planned'),
    ...knots.flat(),
  ];
}

/** The same knots in space. */
export function ownKnotInSpace(part: OwnKnotPart, site: PartSite, layout: PartLayout): InSpace {
  const knot = site.knot(part.knot);
  const cords = cordsOf(part, site, knot);
  const d = diameterOf(cords);
  const { value: long } = knot.tight.size.length;
  const each = layout.length / layout.units;
  const curves = knot.tight.curves.map((curve) => within(curve, -BEYOND, long + BEYOND));
  const bead = part.bead === undefined ? null : site.bead(part.bead);
  const tied = new Set(cords.flatMap(({ runs }) => runs));
  const beside = site.runs.filter((run) => !tied.has(run));
  return {
    cords: [
      ...straightInSpace(beside, lanesOf(site.runs), layout.length),
      ...Array.from({ length: layout.units }, (_, unit) =>
        cords.flatMap(({ runs }, cord) =>
          runs.slice(0, 1).map((run) => ({
            run,
            line: sized(curves[cord]!, d, d, d, unit * each),
          })),
        ),
      ).flat(),
    ],
    beads: bead
      ? Array.from({ length: layout.units }, (_, unit) =>
          knot.tight.beads.map(([x, y, z]) => ({
            bead,
            at: [unit * each + x * d, y * d, z * d] as const,
          })),
        ).flat()
      : [],
  };
}
