import { closureKind } from '../closure/registry.js';
import type { Drawing, Plate, Point, Primitive } from '../kind/primitive.js';
import { plateOf, roundedBox } from '../knot/plate.js';
import { strokeOf } from '../knot/stroke.js';
import { effectiveDiameter } from '../material/cord.js';
import { angleOf, type RoundPart } from '../measure/fit.js';
import type { Piece } from '../piece/piece.js';
import { stretchOf } from '../plan/fit-plan.js';
import type { Plan } from '../plan/plan-types.js';
import { benchSites, type BenchSites } from './bench.js';
import { boundsOf } from './bounds.js';
import { layPart, type Path } from './closed-parts.js';
import { arc, onRound, turned } from './round.js';

/** Measures of the closed view in mm, for its labels. */
export interface ClosedView extends Drawing {
  /** Radius of the inside of the piece, of the body, and of the outside of the work. */
  readonly inner: number;
  readonly body: number;
  readonly outer: number;
  /** Radius of the insides it can take; as `inner` twice when it does not adjust. */
  readonly shortest: number;
  readonly longest: number;
  /** Radius of what it must pass; 0 when it opens. */
  readonly pass: number;
}

const circle = (key: string, part: string, fill: Plate['fill'], r: number): Plate => ({
  kind: 'plate',
  key,
  part,
  fill,
  outlines: [arc(r, 0, 2 * Math.PI)],
});

/** The closure on top: rigid clasps straight across the round, cord and sliders lying along it. */
function layClosure(
  piece: Piece,
  plan: Plan,
  sites: BenchSites,
  inner: number,
  half: number,
): Primitive[] {
  const kind = closureKind(piece.closure.type);
  const aim = kind.aim(piece.closure, sites.closure);
  const run = sites.closure.runs[0];
  const colour =
    'colour' in piece.closure && typeof piece.closure.colour === 'string'
      ? piece.closure.colour
      : '#8b8f92';
  const shapes: Primitive[] = [];
  const d = run ? effectiveDiameter(run.cord) : 1;
  if (run) {
    shapes.push(
      strokeOf(run, 'closed-closure-cord', 'closure', [arc(inner + d / 2, -half, half)], 'laid'),
    );
  }
  const rigid = aim.filter((part) => part.kind === 'rigid');
  let from = -rigid.reduce((sum, part) => sum + angleOf(part, inner), 0) / 2;
  rigid.forEach((part, i) => {
    const turn = angleOf(part, inner);
    const [cx, cy] = onRound(inner + part.height, from + turn / 2);
    const box = roundedBox(
      -part.length / 2,
      -part.height,
      part.length,
      2 * part.height,
      part.height * 0.8,
    );
    shapes.push(
      plateOf('closure', `closed-clasp-${i}`, colour, [
        turned(box, from + turn / 2).map(([x, y]): Point => [x + cx, y + cy]),
      ]),
    );
    from += turn;
  });
  const grip = plan.closure.measures.grip;
  if (rigid.length === 0 && grip !== undefined && run) {
    const cord = 'cord' in piece.closure ? piece.closure.cord : run.cord;
    const reach = Math.max(0.01, grip / 2 / inner - d / inner);
    shapes.push({
      ...strokeOf(
        { strand: 0, cord },
        'closed-slider',
        'closure',
        [arc(inner + 1.5 * d, -reach, reach)],
        'laid',
        'round',
      ),
      diameter: 3 * d,
    });
  }
  return shapes;
}

/** A piece worn open: round the neck once or twice, and down at the front. */
function drawWorn(piece: Piece, plan: Plan, sites: BenchSites): ClosedView {
  const target = sites.closure.target;
  const inner = target / (2 * Math.PI);
  const doubled = piece.closure.type === 'lariat' && piece.closure.way === 'own-loop';
  const rounds = doubled ? 2 : 1;
  const hanging = Math.max(0, plan.fit.length - rounds * target);
  const oneSided =
    piece.closure.type === 'lariat' && ['ring', 'toggle', 'lobster'].includes(piece.closure.way);
  const down = oneSided ? 0 : hanging / 2;
  // The two ends hang a little apart, so that both can be seen.
  const apart = 5;
  const path: Path = {
    at(distance, h) {
      if (distance < down) return [-apart - h, inner + (down - distance)];
      const round = distance - down;
      if (round <= rounds * target) {
        return onRound(inner + h, Math.PI + (round / target) * 2 * Math.PI);
      }
      return [apart + h, inner + (round - rounds * target)];
    },
    turn(distance) {
      if (distance < down) return -Math.PI / 2;
      const round = distance - down;
      return round <= rounds * target ? Math.PI + (round / target) * 2 * Math.PI : Math.PI / 2;
    },
  };
  const shapes: Primitive[] = [
    circle('room', 'fit', 'room', inner),
    circle('body', 'wearer', 'body', Math.max(1, (plan.fit.girth || target) / (2 * Math.PI))),
    ...plan.parts.flatMap((part, index) =>
      layPart({
        piece,
        part: piece.parts[index]!,
        plan: part,
        sites,
        index,
        from: part.start,
        to: part.start + part.layout.length,
        path,
      }),
    ),
  ];
  return {
    shapes,
    bounds: boundsOf(shapes, 4),
    inner,
    body: (plan.fit.girth || target) / (2 * Math.PI),
    outer: inner,
    shortest: inner,
    longest: inner,
    pass: 0,
  };
}

/**
 * The piece closed round the body, seen along the limb, true to scale: the closure on top, the parts
 * clockwise from it, the body as a circle of its girth, and the sizes the closure can take as circles.
 * Turns of a piece that goes round several times lie behind each other.
 */
export function drawClosed(
  piece: Piece,
  plan: Plan,
  sites: BenchSites = benchSites(piece),
): ClosedView {
  if (plan.fit.circumference === 0) return drawWorn(piece, plan, sites);
  const radius = (girth: number): number => girth / (2 * Math.PI);
  const inner = radius(plan.fit.circumference);
  const stretch = 1 + stretchOf(piece);
  const worn = (part: RoundPart): RoundPart =>
    part.kind === 'flexible' ? { ...part, length: part.length * stretch } : part;
  const aim = closureKind(piece.closure.type).aim(piece.closure, sites.closure);
  const half = aim.reduce((sum, part) => sum + angleOf(part, inner), 0) / 2;
  const angles = plan.parts.map(({ layout }) =>
    layout.round.reduce((sum, part) => sum + angleOf(worn(part), inner), 0),
  );
  // Distances along the path are angles times the inside radius.
  const path: Path = {
    at: (distance, h) => onRound(inner + h, distance / inner),
    turn: (distance) => distance / inner,
  };
  let from = half;
  const parts = plan.parts.flatMap((part, index) => {
    const start = from;
    from += angles[index]!;
    return layPart({
      piece,
      part: piece.parts[index]!,
      plan: part,
      sites,
      index,
      from: start * inner,
      to: from * inner,
      path,
    });
  });
  const thickness = Math.max(...plan.parts.map(({ layout }) => layout.thickness));
  const [first, last] = [plan.fit.states[0], plan.fit.states.at(-1)];
  const adjusts = plan.fit.states.length > 1;
  const shortest = adjusts && first ? radius(first.circumference) : inner;
  const longest = adjusts && last ? radius(last.circumference) : inner;
  const pass = plan.fit.pass ? radius(plan.fit.pass.mm) : 0;
  const body = radius(plan.fit.girth);
  const shapes: Primitive[] = [
    circle('room', 'fit', 'room', inner),
    ...(body > 0 ? [circle('body', 'wearer', 'body', body)] : []),
    ...(adjusts
      ? [
          circle('longest', 'range', 'range', longest),
          ...(shortest > 1 ? [circle('shortest', 'range', 'range', shortest)] : []),
        ]
      : []),
    ...(pass > 0 ? [circle('pass', 'pass', 'pass', pass)] : []),
    // Seen along the limb, what stands out hides the cords of the other turns.
    ...parts.filter((shape) => shape.kind === 'cord'),
    ...layClosure(piece, plan, sites, inner, half),
    ...parts.filter((shape) => shape.kind !== 'cord'),
  ];
  return {
    shapes,
    bounds: boundsOf(shapes, 4),
    inner,
    body,
    outer: inner + thickness,
    shortest,
    longest,
    pass,
  };
}
