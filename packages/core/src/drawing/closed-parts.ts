import type { Point, Primitive } from '../kind/primitive.js';
import type { Run } from '../kind/run.js';
import { ellipse, plateOf, roundedBox } from '../knot/plate.js';
import { strokeOf } from '../knot/stroke.js';
import { effectiveDiameter } from '../material/cord.js';
import { beadSolid } from '../part/beads/drawing.js';
import type { Part } from '../part/registry.js';
import { beadsById } from '../piece/palette.js';
import type { Piece } from '../piece/piece.js';
import type { PartPlan } from '../plan/plan-types.js';
import { type BenchSites } from './bench.js';
import { turned } from './round.js';

/** The path that a piece lies along: a place and a direction for every distance along it. */
export interface Path {
  /** @param h height above the skin in mm */
  at(distance: number, h: number): Point;
  /** Direction in radians, clockwise from the x axis. */
  turn(distance: number): number;
}

export interface Lay {
  readonly piece: Piece;
  readonly part: Part;
  readonly plan: PartPlan;
  readonly sites: BenchSites;
  readonly index: number;
  /** From and to along the path. */
  readonly from: number;
  readonly to: number;
  readonly path: Path;
}

const along = ({ path }: Lay, from: number, to: number, h: number): Point[] => {
  const steps = Math.max(2, Math.ceil(Math.abs(to - from) / 1.5));
  return Array.from({ length: steps + 1 }, (_, i) => path.at(from + ((to - from) * i) / steps, h));
};

/** Cord work seen from its edge: the cores in the middle, knots as bumps on the outside and inside. */
function layCords(lay: Lay): Primitive[] {
  const { part, plan, sites, index, from, to } = lay;
  const { runs } = sites.parts[index]!;
  const cores = runs.filter((run) => run.role !== 'working');
  const working = runs.filter((run) => run.role === 'working');
  const { thickness } = plan.layout;
  const stroke = (run: Run, key: string, h: number): Primitive =>
    strokeOf(run, `closed-${part.id}-${key}`, part.id, [along(lay, from, to, h)], 'laid');
  const middle = cores[0] ?? runs[0];
  if (!middle) return [];
  const core = stroke(middle, 'core', thickness / 2);
  if (part.kind === 'square-knot-sinnet' && working[0] && working[1]) {
    const d = effectiveDiameter(working[0].cord);
    const { units } = plan.layout;
    const pitch = (to - from) / units;
    const bumps = (run: Run, key: string, h: number): Primitive =>
      strokeOf(
        run,
        `closed-${part.id}-${key}`,
        part.id,
        Array.from({ length: units }, (_, i): Point[] => {
          const mid = from + (i + 0.5) * pitch;
          // Round ends add half a cord on both sides; neighbours just leave a line between them.
          const reach = Math.max(0.1, (pitch - d) / 2 - 0.2);
          return along(lay, mid - reach, mid + reach, h);
        }),
        'laid',
        'round',
      );
    return [
      core,
      bumps(working[1], 'inside', d / 2),
      bumps(working[0], 'outside', thickness - d / 2),
    ];
  }
  if (part.kind === 'stopper-knot' || part.kind === 'two-cord-knot' || part.kind === 'whipping') {
    const { units, pitch } = plan.layout;
    const step = (to - from) / Math.max(1, units);
    const knots: Primitive = {
      ...strokeOf(
        part.kind === 'whipping' ? { strand: 0, cord: part.cord } : middle,
        `closed-${part.id}-knot`,
        part.id,
        Array.from({ length: Math.max(1, units) }, (_, i): Point[] => {
          const mid = from + (i + 0.5) * step;
          const reach = Math.max(0.05, (Math.min(step, pitch) - thickness) / 2);
          return along(lay, mid - reach, mid + reach, thickness / 2);
        }),
        'laid',
        'round',
      ),
      diameter: thickness,
    };
    return [core, knots];
  }
  return [core];
}

export function layPart(lay: Lay): Primitive[] {
  const { piece, part, plan, from, to, path } = lay;
  const bead = beadsById(piece);
  const scale = (to - from) / Math.max(1e-9, plan.layout.length);
  const cords = layCords(lay);
  const mid = (from + to) / 2;
  if (part.kind === 'focal' && part.form === 'bar') {
    const box = roundedBox(
      -part.length / 2,
      -part.thickness / 2,
      part.length,
      part.thickness,
      part.thickness / 2,
    );
    const [cx, cy] = path.at(mid, part.thickness / 2);
    return [
      ...cords,
      plateOf(part.id, 'closed-bar', part.colour, [
        turned(box, path.turn(mid)).map(([x, y]): Point => [x + cx, y + cy]),
      ]),
    ];
  }
  if (part.kind === 'focal' || part.kind === 'stone') {
    // What hangs lies against the skin or swings free: seen from its edge, below its place.
    const [w, h] =
      part.kind === 'stone' ? [part.thickness, part.height] : [part.thickness, part.drop];
    const [cx, cy] = path.at(mid, 0);
    const away = path.turn(mid);
    const outline = turned(ellipse(0, -(h / 2 + plan.layout.thickness), w / 2, h / 2), away).map(
      ([x, y]): Point => [x + cx, y + cy],
    );
    return [...cords, plateOf(part.id, 'closed-hanging', part.colour, [outline], 'stone')];
  }
  if (part.kind === 'stopper-ring') {
    const box = roundedBox(
      -part.length / 2,
      -part.outer / 2,
      part.length,
      part.outer,
      part.length / 2,
    );
    const [cx, cy] = path.at(mid, plan.layout.thickness / 2);
    return [
      ...cords,
      plateOf(part.id, 'closed-ring', part.colour, [
        turned(box, path.turn(mid)).map(([x, y]): Point => [x + cx, y + cy]),
      ]),
    ];
  }
  return [
    ...cords,
    ...plan.layout.beads.map((placed, i) => {
      const own = bead(placed.id);
      const at = from + placed.at * scale;
      return beadSolid(
        own,
        `closed-${part.id}-bead-${i}`,
        part.id,
        path.at(at, Math.max(own.height, plan.layout.thickness) / 2),
        'laid',
        path.turn(at),
      );
    }),
  ];
}
