import { closureKind } from '../../craft/closure/registry.js';
import type { WornOpen } from '../../base/kind/closure-kind.js';
import type { Drawing, Plate, Primitive } from '../../base/kind/primitive.js';
import { edgeLine, plainEdge } from '../../craft/knot/edge.js';
import { effectiveDiameter } from '../../base/material/cord.js';
import { wornIn } from '../../base/measure/fit.js';
import { ringAngles } from '../../base/measure/ring.js';
import type { Piece } from '../../piece/piece.js';
import { stretchOf } from '../../plan/fit-plan.js';
import { placedClosure, placedParts } from '../../plan/placed-parts.js';
import type { Plan } from '../../plan/plan-types.js';
import { bend, type Path } from './bend.js';
import { boundsOf } from './bounds.js';
import { arc, onRound } from './round.js';

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

/** The piece's parts one after the other along a path. */
function layParts(
  piece: Piece,
  plan: Plan,
  path: Path,
  places: readonly { readonly from: number; readonly to: number }[],
): Primitive[] {
  return placedParts(piece, plan).flatMap(({ id, index, part, kind, site, layout }) => {
    const shapes = kind.drawEdge?.(part, site, layout) ?? plainEdge(id, site, layout);
    const { from, to } = places[index]!;
    return bend(shapes, path, from, (to - from) / Math.max(1e-9, layout.length));
  });
}

/** The closure on top, lying along the round: its cord, and what it is made of. */
function layClosure(piece: Piece, plan: Plan, path: Path, half: number): Primitive[] {
  const kind = closureKind(piece.closure.type);
  const site = placedClosure(piece, plan);
  const run = site.runs[0];
  const cord = run
    ? [
        {
          ...edgeLine(run, 'closure', 2 * half, effectiveDiameter(run.cord) / 2),
          key: 'closed-closure-cord',
        },
      ]
    : [];
  return [
    ...bend(cord, path, -half, 1),
    ...bend(kind.drawEdge?.(piece.closure, site, plan.closure) ?? [], path, 0, 1),
  ];
}

/**
 * A piece worn open: round the neck once or twice, and down at the front.
 *
 * @param target length of one round in mm
 */
function drawWorn(
  piece: Piece,
  plan: Plan,
  target: number,
  { rounds, hangs }: WornOpen,
): ClosedView {
  const inner = target / (2 * Math.PI);
  const hanging = Math.max(0, plan.fit.length - rounds * target);
  const down = hangs === 'end' ? 0 : hanging / 2;
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
    ...layParts(
      piece,
      plan,
      path,
      plan.parts.map(({ start, layout }) => ({ from: start, to: start + layout.length })),
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
export function drawClosed(piece: Piece, plan: Plan): ClosedView {
  const kind = closureKind(piece.closure.type);
  const site = placedClosure(piece, plan);
  const open = kind.open?.(piece.closure, site);
  if (open) return drawWorn(piece, plan, site.target, open);
  const radius = (girth: number): number => girth / (2 * Math.PI);
  const inner = radius(plan.fit.circumference);
  const stretch = stretchOf(piece);
  const rounds = plan.parts.map(({ layout }) => wornIn(layout.round, stretch));
  const angles = ringAngles([...rounds.flat(), ...kind.aim(piece.closure, site)], inner);
  const take = (n: number): number => angles.splice(0, n).reduce((sum, angle) => sum + angle, 0);
  const taken = rounds.map((round) => take(round.length));
  const half = take(angles.length) / 2;
  // Distances along the path are angles times the inside radius.
  const path: Path = {
    at: (distance, h) => onRound(inner + h, distance / inner),
    turn: (distance) => distance / inner,
  };
  let at = half;
  const places = taken.map((angle) => {
    const from = at;
    at += angle;
    return { from: from * inner, to: at * inner };
  });
  const parts = layParts(piece, plan, path, places);
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
    ...layClosure(piece, plan, path, half * inner),
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
