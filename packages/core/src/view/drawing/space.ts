import { type OwnKnot, type Cell, type KnownCurves, mirroredLine } from '@coiled-strand/rope';
import { closureKind } from '../../craft/closure/registry.js';
import type { ClosureSite } from '../../base/kind/closure-kind.js';

import type { BeadInSpace, CordInSpace } from '../../base/kind/in-space.js';
import type { PartLayout, PartSite } from '../../base/kind/part-kind.js';
import type { Point, Point3, Primitive } from '../../base/kind/primitive.js';
import { CORD_KIND_FACTS, effectiveDiameter, type Cord } from '../../base/material/cord.js';
import type { BeadShape } from '../../base/material/bead.js';
import { firstSideFor } from '../../plan/steps/habits.js';
import { partKind, type Part } from '../../craft/part/registry.js';

import type { Piece } from '../../piece/piece.js';
import { placedClosure, placedParts, type PlacedPart } from '../../plan/placed-parts.js';
import type { Plan } from '../../plan/plan-types.js';

/** A cord in space as it is seen, in mm: y away from the maker, z towards the viewer. */
export interface SpaceCord {
  readonly key: string;
  readonly line: readonly Point3[];
  readonly diameter: number;
  readonly strand: number;
  readonly colour: string;
  readonly texture: 'braid' | 'twist' | 'smooth';
}

/** A bead in space as it is seen, its hole along x. */
export interface SpaceBead {
  readonly key: string;
  readonly at: Point3;
  readonly shape: BeadShape;
  readonly length: number;
  readonly height: number;
  readonly colour: string;
}

/** A flat solid thing of one thickness, its middle at z = 0: closed outlines, even-odd, y away from the maker. */
export interface SpacePlate {
  readonly key: string;
  readonly outlines: readonly (readonly Point[])[];
  readonly thickness: number;
  readonly colour: string;
}

/** A piece or a part of it in space, in mm. */
export interface SpaceScene {
  readonly cords: readonly SpaceCord[];
  readonly beads: readonly SpaceBead[];
  readonly plates?: readonly SpacePlate[];
}

export const cordOf = (
  key: string,
  { run, line, diameter }: CordInSpace,
  x: number,
): SpaceCord => ({
  key,
  line: x === 0 ? line : line.map(([u, v, w]): Point3 => [u + x, v, w]),
  diameter: diameter ?? effectiveDiameter(run.cord),
  ...looks(run.strand, run.cord),
});

const looks = (strand: number, cord: Cord): Pick<SpaceCord, 'strand' | 'colour' | 'texture'> => ({
  strand,
  colour: cord.colour.hex,
  texture: CORD_KIND_FACTS[cord.kind].texture,
});

const beadOf = (key: string, { bead, at }: BeadInSpace, x: number): SpaceBead => ({
  key,
  at: [at[0] + x, at[1], at[2]],
  shape: bead.shape,
  length: bead.length,
  height: bead.height,
  colour: bead.colour.hex,
});

/** How far a stroke on the bench is lifted over the one drawn before it, in its diameters. */
const OVER = 0.04;

/** What a finding is of where nobody says: steel. */
const STEEL = '#8b9297';

/**
 * What is drawn on the bench, lifted: cords where they are drawn, what is drawn later a little higher, and plates made
 * so thick.
 */
function lifted(
  shapes: readonly Primitive[],
  key: string,
  x: number,
  thickness: number,
): SpaceScene {
  const cords: SpaceCord[] = [];
  const beads: SpaceBead[] = [];
  const plates: SpacePlate[] = [];
  shapes.forEach((shape, layer) => {
    if (shape.kind === 'cord') {
      const z = layer * OVER * shape.diameter;
      shape.lines.forEach((line, i) => {
        if (line.length < 2) return;
        cords.push({
          key: `${key}-${shape.key}-${i}`,
          line: line.map(([u, v]): Point3 => [u + x, -v, z]),
          diameter: shape.diameter,
          strand: shape.strand,
          colour: shape.colour,
          texture: shape.texture,
        });
      });
    } else if (shape.kind === 'bead') {
      const { shape: form, length, height, colour } = shape;
      const at: Point3 = [shape.at[0] + x, -shape.at[1], 0];
      beads.push({ key: `${key}-${shape.key}`, at, shape: form, length, height, colour });
    } else if (shape.kind === 'plate' && (shape.fill === 'finding' || shape.fill === 'stone')) {
      plates.push({
        key: `${key}-${shape.key}`,
        outlines: shape.outlines.map((line) => line.map(([u, v]): Point => [u + x, -v])),
        thickness,
        colour: shape.colour ?? STEEL,
      });
    }
  });
  return { cords, beads, plates };
}

/** A knot that a maker drew, as it was drawn tight. */
export const tightCell = ({ tight }: OwnKnot): Cell => ({
  strands: tight.curves.map((line) => ({ line })),
});

/** The curves of the knot that a part is tied of; undefined where they are not known, or it has none. */
export function cellOf(
  { part, kind, site, layout }: PlacedPart,
  known: KnownCurves,
): Cell | undefined {
  const knot = kind.inSpace?.cell(part, site, layout) ?? null;
  if (knot === null) return undefined;
  return typeof knot === 'string' ? known[knot] : tightCell(knot.knot);
}

/** One part, from x on, by the curves of its knot where they are known; its layout is so many times as long as it is where its knots are opened out. */
export function partScene(
  part: Part,
  site: PartSite,
  layout: PartLayout,
  cell: Cell | undefined,
  x: number,
  open = 1,
): SpaceScene {
  const kind = partKind(part.kind);
  const own = cell ? kind.inSpace?.draw(part, site, layout, cell, open) : null;
  if (!own) {
    const firstSide = firstSideFor('right');
    const shapes = kind.draw(part, site, layout, {
      part: part.id,
      done: layout.units,
      firstSide,
    });
    return lifted(shapes, part.id, x, Math.max(MIN_THICK, layout.thickness));
  }
  return {
    cords: own.cords
      .filter(({ line }) => line.length >= 2)
      .map((cord, i) => cordOf(`${part.id}-${i}`, cord, x)),
    beads: own.beads.map((bead, i) => beadOf(`${part.id}-bead-${i}`, bead, x)),
  };
}

const together = (scenes: readonly SpaceScene[]): SpaceScene => ({
  cords: scenes.flatMap(({ cords }) => cords),
  beads: scenes.flatMap(({ beads }) => beads),
  plates: scenes.flatMap(({ plates = [] }) => plates),
});

/** The same for hands that work mirrored. */
export const mirroredInSpace = ({ cords, beads, plates = [] }: SpaceScene): SpaceScene => ({
  cords: cords.map((cord) => ({
    ...cord,
    line: mirroredLine(cord.line),
  })),
  beads: beads.map((bead) => ({ ...bead, at: [bead.at[0], -bead.at[1], bead.at[2]] })),
  plates: plates.map((plate) => ({
    ...plate,
    outlines: plate.outlines.map((line) => line.map(([x, y]): Point => [x, -y])),
  })),
});

/** One strand alone, with the beads and all else that is solid. */
export const strandAlone = (scene: SpaceScene, strand: number): SpaceScene => ({
  ...scene,
  cords: scene.cords.filter((cord) => cord.strand === strand),
});

/** Nothing solid is thinner than this, in mm. */
const MIN_THICK = 0.8;

/** How thick the rigid things of a closure are, in mm: twice what their middle lies above the skin. */
function thicknessOf({ closure }: Piece, site: ClosureSite): number {
  const heights = closureKind(closure.type)
    .aim(closure, site)
    .flatMap((part) => (part.kind === 'rigid' ? [part.height] : []));
  return Math.max(MIN_THICK, 2 * Math.max(0, ...heights));
}

/**
 * A planned piece in space, lying straight: every part by the curves that it is measured by, where these are known, and
 * by its drawing on the bench where they are not. Lengths in mm.
 *
 * @param known the curves of knots that were drawn tight
 * @param only the id of one part, which then begins at x = 0; all of them and the closure when left out
 */
export function drawInSpace(
  piece: Piece,
  plan: Plan,
  known: KnownCurves,
  only?: string,
): SpaceScene {
  const parts = placedParts(piece, plan).flatMap((placed) => {
    const { id, part, site, layout, start } = placed;
    if (only !== undefined && only !== id) return [];
    return [partScene(part, site, layout, cellOf(placed, known), only === undefined ? start : 0)];
  });
  if (only !== undefined) return together(parts);
  const kind = closureKind(piece.closure.type);
  const site = placedClosure(piece, plan);
  const around = {
    length: plan.fit.length,
    tails: false,
    done: true,
    firstSide: firstSideFor('right'),
  };
  const closure = [
    ...(kind.drawBelow?.(piece.closure, around) ?? []),
    ...kind.draw(piece.closure, site, plan.closure, around),
  ];
  return together([...parts, lifted(closure, 'closure', 0, thicknessOf(piece, site))]);
}
