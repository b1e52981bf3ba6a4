import type { Point, Primitive } from '../../../base/kind/primitive.js';
import type { DrawOptions, PartLayout, PartSite } from '../../../base/kind/part-kind.js';
import { lanesOf } from '../../knot/lanes.js';
import { straightRuns, strokeOf } from '../../knot/stroke.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import { knotStrokes } from '../stopper-knot/drawing.js';
import { beadSolid } from '../../knot/bead-solid.js';
import { between, threading, widthOf, type BeadsPart } from './model.js';
import { besideCore, roundBeads } from './round.js';

export function drawBeads(
  part: BeadsPart,
  site: PartSite,
  layout: PartLayout,
  { done }: DrawOptions,
): readonly Primitive[] {
  const lanes = lanesOf(site.runs);
  const { through, around, beside } = threading(part, site);
  const state = (i: number): 'laid' | 'planned' => (i < done ? 'laid' : 'planned');
  // Strung on some of the cords, a bead sits in their lanes, and the others pass under its edge.
  const middle =
    part.through === 'some' && through.length > 0
      ? through.reduce((sum, run) => sum + (lanes.get(run.index) ?? 0), 0) / through.length
      : 0;
  const knots =
    part.between === 'overhand' || part.between === 'double-barrel' ? part.between : null;
  const solids = layout.beads.map(({ id, at }, i) =>
    beadSolid(site.bead(id), `${part.id}-bead-${i}`, part.id, [at, middle], state(i)),
  );
  const ties = knots
    ? layout.beads
        .slice(0, -1)
        .map(({ id, at }, i) =>
          knotStrokes(
            knots,
            through,
            `${part.id}-knot-${i}`,
            part.id,
            at + site.bead(id).length / 2,
            middle,
            state(i),
          ),
        )
    : [];
  const row = layout.beads.map(({ id }) => site.bead(id));
  const gap = between(part, through).length;
  const core = widthOf([...through, ...beside]);
  // Each by its own side of the work, by the way that its cord is measured by.
  const arcs = around.map((run, i): Primitive => {
    const s = i % 2 === 0 ? -1 : 1;
    const d = effectiveDiameter(run.cord);
    const { line } = roundBeads(row, gap, d, besideCore(core, d));
    return strokeOf(
      run,
      `${part.id}-around-${run.index}`,
      part.id,
      [line.map(([x, y]): Point => [x, s * y])],
      done > 0 ? 'laid' : 'planned',
    );
  });
  const inside = site.runs.filter((run) => !around.includes(run));
  return [
    ...straightRuns(inside, part.id, 0, layout.length, done > 0 ? 'laid' : 'planned', lanes),
    ...ties.flatMap((knot) => knot.below),
    ...solids,
    ...ties.flatMap((knot) => knot.above),
    ...arcs,
  ];
}
