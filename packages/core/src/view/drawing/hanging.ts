import { smoothLine } from '@coiled-strand/rope';
import { closureKind } from '../../craft/closure/registry.js';
import type { Bounds, Drawing, Plate, Point, Primitive } from '../../base/kind/primitive.js';
import { NECK_IF_UNKNOWN } from '../../base/measure/girth.js';
import { hangOf, type Hang } from '../../base/measure/hang.js';
import type { Side } from '../../base/measure/side.js';

import { partKind } from '../../craft/part/registry.js';
import type { Piece } from '../../piece/piece.js';
import { placedClosure } from '../../plan/placed-parts.js';
import type { Plan } from '../../plan/plan-types.js';
import { bend, type Path } from './bend.js';
import { drawBench, roomOf } from './bench.js';
import { boundsOf } from './bounds.js';

/** Something that hangs from the line, and how far below the hollow of the neck it begins and ends, in mm. */
export interface HangingPart {
  readonly part: string;
  readonly label: string;
  readonly from: number;
  readonly to: number;
}

/** A piece on a neck, seen from the front; nought is the hollow of the neck, in mm. */
export interface HangingView extends Drawing {
  readonly hang: Hang;
  /** Girth that it is drawn on, and whether that was measured. */
  readonly girth: number;
  readonly measured: boolean;
  /** Lowest point of all. */
  readonly lowest: number;
  readonly hanging: readonly HangingPart[];
}

/** What reaches further below its line than this hangs from it, in mm. Assumed. */
const HANGS_FROM = 8;
/** Two ends hang a little apart, so that both can be seen, in mm. */
const APART = 5;
/** So far from its middle, as a share of its length, a weight still pulls a necklace to a point. Assumed. */
const MIDDLE = 0.1;
/** Of the body this much is drawn beside the neck, above its hollow and below the piece, in mm. */
const BESIDE = 78;
const ABOVE = 92;
const BELOW = 26;
/** How far the shoulders fall over that, in mm. Assumed. */
const SHOULDER = 30;

/** Neck, shoulders and chest as a quiet shape. */
function body({ neck, hollow }: Hang, lowest: number): Plate {
  const side = (s: number): Point[] => [
    ...smoothLine(
      [
        [s * neck * 0.95, -ABOVE - hollow * 0.4],
        [s * neck * 0.93, -hollow - 26],
        [s * (neck + 3), -hollow - 4],
        [s * (neck + 24), -hollow + 7],
        [s * (neck + BESIDE - 18), -hollow + SHOULDER - 6],
        [s * (neck + BESIDE), -hollow + SHOULDER + 10],
      ],
      5,
    ),
    [s * (neck + BESIDE), lowest + BELOW],
  ];
  return {
    kind: 'plate',
    key: 'body',
    part: 'wearer',
    fill: 'body',
    outlines: [[...side(-1), ...side(1).reverse()]],
  };
}

/** Nowhere: behind the neck. */
const HIDDEN: Point = [NaN, NaN];
const isSeen = ([x, y]: Point): boolean => !Number.isNaN(x) && !Number.isNaN(y);

/** A direction from a little before to a little after. */
const turnOn =
  (at: Path['at']): Path['turn'] =>
  (distance) => {
    const [[x0, y0], [x1, y1]] = [at(distance - 0.5, 0), at(distance + 0.5, 0)];
    return Math.atan2(y1 - y0, x1 - x0);
  };

/**
 * The line at the front, from the left of the picture to the right.
 *
 * @param along from its lowest point, in mm
 * @param h towards the neck, in mm: on the bench that side is above
 */
function onFront({ line, front, drop }: Hang, along: number, h: number): Point {
  if (Math.abs(along) > front / 2 + 1e-6) return HIDDEN;
  const [x, up] = line.at(along);
  const [ax, ay] = line.at(along - 0.5);
  const [bx, by] = line.at(along + 0.5);
  const long = Math.hypot(bx - ax, by - ay);
  const [rise, run] = [(by - ay) / long, (bx - ax) / long];
  return [x - h * rise, drop - up - h * run];
}

/** The way of a closed piece, its closure at the back, seen as often round as it is worn. */
function closedPath(hang: Hang, circumference: number, start: number): Path {
  const at: Path['at'] = (distance, h) => {
    const once = (distance + start) % circumference;
    return onFront(hang, once - circumference / 2, h);
  };
  return { at, turn: turnOn(at) };
}

/** The way of a piece that is worn open: round the neck, and down from the lowest point with what is left. */
function openPath(hang: Hang, target: number, rounds: number, down: number): Path {
  const round = rounds * target;
  const at: Path['at'] = (distance, h) => {
    const on = distance - down;
    if (on < 0) return [-APART - h, hang.drop - on];
    if (on > round) return [APART + h, hang.drop + on - round];
    const once = on % target;
    return onFront(hang, once < target / 2 ? once : once - target, h);
  };
  return { at, turn: turnOn(at) };
}

/** What of the shapes can be seen from the front. */
function seen(shapes: readonly Primitive[]): Primitive[] {
  return shapes.flatMap((shape): Primitive[] => {
    switch (shape.kind) {
      case 'cord': {
        const lines = shape.lines.flatMap(inSight);
        return lines.length > 0 ? [{ ...shape, lines }] : [];
      }
      case 'bead':
        return isSeen(shape.at) ? [shape] : [];
      case 'plate':
        return shape.outlines.flat().every(isSeen) ? [shape] : [];
      case 'arrow':
        return shape.line.every(isSeen) ? [shape] : [];
    }
  });
}

/** The stretches of a line that are in sight. */
function inSight(line: readonly Point[]): Point[][] {
  const out: Point[][] = [];
  let open: Point[] | null = null;
  for (const point of line) {
    if (!isSeen(point)) open = null;
    else if (open) open.push(point);
    else out.push((open = [point]));
  }
  return out.filter(({ length }) => length > 1);
}

/** How a layer of the bench lies on the neck: along the line, or straight down from it. */
function laid(
  shapes: readonly Primitive[],
  x: number,
  room: Bounds | null,
  path: Path,
): Primitive[] {
  if (!hangs(room)) return seen(bend(shapes, path, x, 1));
  const middle = room.x + room.width / 2;
  const [cx, cy] = path.at(x + middle, 0);
  // What hangs, hangs straight, wherever the line leads.
  return seen(
    bend(shapes, { at: (along, h) => [cx + along - middle, cy - h], turn: () => 0 }, 0, 1),
  );
}

const hangs = (room: Bounds | null): room is Bounds =>
  room !== null && room.y + room.height > HANGS_FROM && room.y + room.height > -2 * room.y;

/**
 * The piece as it hangs on a neck of the wearer’s girth, seen from the front, true to scale; what lies behind the neck
 * is not seen. The neck of the usual girth is taken where none was measured.
 */
export function drawHanging(piece: Piece, plan: Plan, firstSide: Side): HangingView {
  const { fit } = plan;
  const site = placedClosure(piece, plan);
  const girth = fit.girth || NECK_IF_UNKNOWN;
  const open = closureKind(piece.closure.type).open?.(piece.closure, site);
  const { layers } = drawBench(piece, plan, { firstSide, tails: false });
  const rooms = layers.map(({ shapes }) => roomOf(shapes));
  const isPart = layers.map(({ key }) => plan.parts.some(({ id }) => id === key));
  const pulls = layers.some(({ x }, i) => {
    const room = rooms[i]!;
    if (!isPart[i] || !hangs(room)) return false;
    return Math.abs(x + room.x + room.width / 2 - fit.length / 2) < MIDDLE * fit.length;
  });
  const target = open ? site.target : fit.circumference;
  const left = open ? Math.max(0, fit.length - open.rounds * target) : 0;
  const hang = hangOf(girth, target, pulls || left > 0);
  const round = open ? target : Math.max(girth, target);
  const path = open
    ? openPath(hang, round, open.rounds, open.hangs === 'end' ? 0 : left / 2)
    : closedPath(hang, round, Math.max(0, round * piece.wear.turns - fit.length) / 2);
  const drawn = layers.map(({ key, x, shapes }, i) =>
    // A closure lies at the back, unless it is what hangs at the front.
    isPart[i] || open ? { key, shapes: laid(shapes, x, isPart[i] ? rooms[i]! : null, path) } : null,
  );
  const shapes = drawn.flatMap((layer) => layer?.shapes ?? []);
  const room = shapes.length > 0 ? boundsOf(shapes) : { x: 0, y: 0, width: 0, height: 0 };
  const lowest = Math.max(hang.drop, room.y + room.height);
  const all = [body(hang, lowest), ...shapes];
  return {
    shapes: all,
    bounds: boundsOf(all, 2),
    hang,
    girth,
    measured: fit.girth > 0,
    lowest,
    hanging: drawn.flatMap((layer, i): HangingPart[] => {
      if (!layer || !isPart[i] || !hangs(rooms[i]!) || layer.shapes.length === 0) return [];
      const { y, height } = boundsOf(layer.shapes);
      const part = piece.parts.find(({ id }) => id === layer.key)!;
      return [{ part: part.id, label: partKind(part.kind).entry.label, from: y, to: y + height }];
    }),
  };
}
