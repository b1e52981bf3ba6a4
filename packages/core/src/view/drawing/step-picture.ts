import { closureKind } from '../../craft/closure/registry.js';
import type { BeadSolid, Bounds, CordStroke, Point, Primitive } from '../../base/kind/primitive.js';
import type { Side } from '../../base/measure/side.js';
import type { Look, Step } from '../../base/kind/step.js';
import { coresOf } from '../../craft/knot/lanes.js';
import { plateOf, roundedBox } from '../../craft/knot/plate.js';
import { flippedAcross, hanging, moved, straightRuns, strokeOf } from '../../craft/knot/stroke.js';
import { effectiveDiameter } from '../../base/material/cord.js';
import type { Piece } from '../../piece/piece.js';
import { runsEndingByKnots, runsOf, tiedSpan } from '../../piece/runs.js';
import {
  placedClosure,
  placedPart,
  placedParts,
  type PlacedPart,
} from '../../plan/placed-parts.js';
import type { Plan } from '../../plan/plan-types.js';
import { drawBench, drawPart, roomOf, type BenchDrawing } from './bench.js';
import { boundsOf } from './bounds.js';

/** A close-up for the hands, in mm: what moves next is drawn as `moving`. */
export interface StepPicture {
  readonly frame: Bounds;
  readonly shapes: readonly Primitive[];
  /** Whether the work hangs down the picture, as it does from a board, or lies along it. */
  readonly hangs: boolean;
}

/** Frames are this much wider than high. */
const ASPECT = 1.25;
/** Nothing is shown larger than this many mm across. */
const MIN_WIDE = 14;
/** A close-up shows no more than this, or it is none; what is longer lies through it. */
const MAX_WIDE = 80;
const MAX_SHAPE = 45;
/** Nothing of a part reaches further beyond its ends than this and its width, in mm: pendants, ends laid aside. */
const BESIDE = 60;

const signature = (line: readonly Point[]): string =>
  [line[0], line[line.length >> 1], line.at(-1), [line.length, 0] as const]
    .map((p) => `${p?.[0].toFixed(2)},${p?.[1].toFixed(2)}`)
    .join(' ');

const laidLines = (shapes: readonly Primitive[]): Set<string> =>
  new Set(
    shapes.flatMap((shape) =>
      shape.kind === 'cord' && shape.state !== 'planned' ? shape.lines.map(signature) : [],
    ),
  );

const laidBeads = (shapes: readonly Primitive[]): Set<string> =>
  new Set(
    shapes.flatMap((shape) => (shape.kind === 'bead' && shape.state === 'laid' ? [shape.key] : [])),
  );

/**
 * What one action lays: of the drawing after it, the lines and beads that were not there before it are
 * set moving, each at its own place between what lies under and over it.
 */
function movingBetween(before: readonly Primitive[], after: readonly Primitive[]): Primitive[] {
  const lines = laidLines(before);
  const beads = laidBeads(before);
  return after.flatMap((shape): Primitive[] => {
    if (shape.kind === 'bead' && shape.state === 'laid' && !beads.has(shape.key)) {
      return [{ ...shape, state: 'moving' } satisfies BeadSolid];
    }
    if (shape.kind !== 'cord' || shape.state !== 'laid') return [shape];
    const now = shape.lines.filter((line) => !lines.has(signature(line)));
    if (now.length === 0) return [shape];
    const old = shape.lines.filter((line) => lines.has(signature(line)));
    const moves: CordStroke = { ...shape, key: `${shape.key}-next`, lines: now, state: 'moving' };
    return old.length > 0 ? [{ ...shape, lines: old }, moves] : [moves];
  });
}

/** Whether a shape is among those that a step of the closure moves. */
const movesIn =
  ({ moves }: Pick<Step, 'moves'>) =>
  (shape: Primitive): boolean =>
    moves === undefined || moves.some((thing) => shape.thing === thing);

/** What does not move after all lies there. */
const still = (shape: Primitive): Primitive =>
  'state' in shape && shape.state === 'moving' ? { ...shape, state: 'laid' } : shape;

const isMoving = (shape: Primitive): boolean => 'state' in shape && shape.state === 'moving';

/** A frame of the usual shape about a place, that many mm wide. */
function frameAbout([x, y]: Point, wide: number): Bounds {
  const width = Math.max(MIN_WIDE, wide);
  const height = width / ASPECT;
  return { x: x - width / 2, y: y - height / 2, width, height };
}

/** Shapes of which something may be in sight. */
const inSight = (shapes: readonly Primitive[], frame: Bounds): Primitive[] =>
  shapes.filter((shape) => {
    const room = roomOf([shape]);
    return (
      room !== null &&
      room.x < frame.x + frame.width &&
      room.x + room.width > frame.x &&
      room.y < frame.y + frame.height &&
      room.y + room.height > frame.y
    );
  });

interface Scene {
  readonly piece: Piece;
  readonly plan: Plan;
  readonly firstSide: Side;
}

/** A part in its place, with so many of its units done. */
const inPlace = (placed: PlacedPart, done: number, { firstSide }: Scene): Primitive[] =>
  moved(drawPart(placed, done, firstSide), placed.start);

/** The unit at hand, with what lies before it and what is still to come. */
function partPicture(scene: Scene, placed: PlacedPart, unit: number): StepPicture {
  const { piece, plan, firstSide } = scene;
  const { index, part, kind, site, layout, start } = placed;
  const own = kind.picture?.(part, site, layout, unit, firstSide);
  if (own && own.length > 0) {
    const framed = kind.pictureFrame?.(part, site);
    if (framed) return { shapes: own, frame: framed, hangs: true };
    const half = layout.width * 1.4;
    const frame = { x: -half, y: -4.3 * layout.pitch, width: 2 * half, height: 8.4 * layout.pitch };
    // What was worked before hangs above it.
    const before = placedParts(piece, plan)[index - 1];
    const above = before
      ? hanging(inPlace(before, Infinity, scene), start + unit * layout.pitch)
      : [];
    return { shapes: [...inSight(above, frame), ...own], frame, hangs: true };
  }
  const now = Math.min(unit, layout.units - 1);
  // Cords that lie along the whole part are there from its first unit on; they do not go in with it.
  const lies = (shape: Primitive): boolean =>
    layout.units > 1 && shape.kind === 'cord' && boundsOf([shape]).width > layout.length * 0.7;
  const shapes = movingBetween(inPlace(placed, now, scene), inPlace(placed, now + 1, scene)).map(
    (shape) => (lies(shape) ? still(shape) : shape),
  );
  const moves = shapes.filter(isMoving);
  const room = moves.length > 0 ? boundsOf(moves) : null;
  const wide = Math.min(
    MAX_WIDE,
    Math.max((room?.width ?? 0) * 1.6, Math.max(layout.width, room?.height ?? 0) * 1.5 * ASPECT),
  );
  // What is longer than the picture is seen where it begins.
  const middle: Point = room
    ? [room.x + Math.min(room.width, wide * 0.7) / 2, room.y + room.height / 2]
    : [start + ((now + 0.5) * layout.length) / layout.units, 0];
  const frame = frameAbout(middle, wide);
  // What lies too far away to reach into the picture need not be drawn.
  const near = ({ start: from, layout: { length, width: across } }: PlacedPart): boolean =>
    from - BESIDE - across < frame.x + frame.width && from + length + BESIDE + across > frame.x;
  const around = placedParts(piece, plan).flatMap((other) =>
    other === placed || !near(other)
      ? []
      : inPlace(other, other.index < index ? Infinity : 0, scene),
  );
  const all = inSight([...around, ...shapes], frame);
  // Hands that work mirrored see the mirror image.
  if (firstSide === 'left') return { shapes: all, frame, hangs: false };
  return {
    shapes: flippedAcross(all),
    frame: { ...frame, y: -frame.y - frame.height },
    hangs: false,
  };
}

/** Working cord laid in behind the core, both its ends out to the sides. */
function layInPicture(
  { piece, plan }: Scene,
  id: string | undefined,
  strand: number,
): StepPicture | null {
  const run = runsOf(piece).find((one) => one.strand === strand);
  const placed = placedPart(piece, plan, id);
  if (!run || !placed) return null;
  const d = effectiveDiameter(run.cord);
  const cores = coresOf(placed.site.runs);
  const out = placed.layout.width / 2 + 5 * d;
  const both = run.folded;
  const line: Point[] = both
    ? [
        [4 * d, -out],
        [1.2 * d, -out / 2],
        [0, 0],
        [1.2 * d, out / 2],
        [4 * d, out],
      ]
    : [
        [-4 * d, 0.6 * d],
        [0, 0.6 * d],
        [1.2 * d, out / 2],
        [4 * d, out],
      ];
  const shapes: Primitive[] = [
    strokeOf(run, 'lay-in', placed.id, [line], 'moving', 'round'),
    ...straightRuns(cores, placed.id, -12 * d, 16 * d),
  ];
  return { shapes, frame: frameAbout([2 * d, 0], 2.6 * out), hangs: false };
}

/** The cords hanging side by side, as an action lays them in order. */
function orderPicture({ piece }: Scene, step: Step): StepPicture | null {
  const order = step.actions?.find((action) => action.do === 'order');
  if (!order) return null;
  const runs = order.legs.flatMap(
    (leg) => runsOf(piece).find((run) => run.strand === leg.cord && run.half === leg.half) ?? [],
  );
  const d = Math.max(...runs.map((run) => effectiveDiameter(run.cord)));
  const wide = Math.max(MIN_WIDE, 1.9 * d * (runs.length + 1));
  const frame = frameAbout([0, 0], wide);
  const shapes = runs.map((run, i): Primitive => {
    const x = (i - (runs.length - 1) / 2) * 1.9 * d * (order.from === 'left' ? 1 : -1);
    const line: Point[] = [
      [x, frame.y * 0.86],
      [x, -frame.y * 0.7],
    ];
    return strokeOf(run, `order-${i}`, 'order', [line], 'laid', 'round');
  });
  return { shapes, frame, hangs: true };
}

/** The work on the bench, without its closure. */
const workIn = ({ layers }: BenchDrawing): Primitive[] =>
  layers
    .filter(({ key }) => key !== 'above' && key !== 'below')
    .flatMap(({ x, shapes }) => moved(shapes, x));

/** Steel of the clips that hold what would come off. */
const CLIP = '#8b9199';
/** How far in mm a clip reaches along the work, and beyond it on each side. */
const CLIP_LONG = 4;
const CLIP_BESIDE = 1.5;

/** The work so far, its open end in a clip. */
function clippedPicture(
  scene: Scene,
  { part, units, far }: Extract<Look, { readonly kind: 'clipped' }>,
): StepPicture | null {
  const { piece, plan, firstSide } = scene;
  const placed = placedPart(piece, plan, part);
  if (!placed) return null;
  const { start, layout, index } = placed;
  const done = Object.fromEntries(
    placedParts(piece, plan).map((own) => [
      own.id,
      own.index < index ? Infinity : own.index > index ? 0 : units,
    ]),
  );
  const bench = workIn(drawBench(piece, plan, { firstSide, tails: false, done }));
  // At the far end of a core there is nothing but the core.
  const shapes = far
    ? bench.filter((shape) => !('state' in shape && shape.state === 'planned'))
    : bench;
  const end = start + (units * layout.length) / layout.units;
  const wide = layout.width + 2 * CLIP_BESIDE;
  const frame = frameAbout([end, 0], Math.min(MAX_WIDE, 3 * wide * ASPECT));
  const at = end + (far ? frame.width / 2 - 2 * CLIP_LONG : 0.5);
  return {
    shapes: [...inSight(shapes, frame), ...clipAt(at, wide, placed.id)],
    frame,
    hangs: false,
  };
}

/** A clip across the work, its two handles beside it. */
function clipAt(x: number, wide: number, part: string): Primitive[] {
  const handle = (from: number, key: string): Primitive =>
    plateOf(part, key, CLIP, [
      roundedBox(from, wide / 2 - 0.5, CLIP_LONG * 0.34, wide * 0.45, 0.6),
    ]);
  return [
    handle(x + CLIP_LONG * 0.08, 'clip-near'),
    handle(x + CLIP_LONG * 0.58, 'clip-far'),
    plateOf(part, 'clip', CLIP, [roundedBox(x, -wide / 2, CLIP_LONG, wide, 1)]),
  ];
}

/** The closure at one end, with the work beside it. */
function endPicture(scene: Scene, side: 'start' | 'end', step: Step): StepPicture {
  const tails = step.stage !== 'finish';
  const moves = tails ? movesIn(step) : () => false;
  const { piece, plan, firstSide } = scene;
  const { length } = plan.fit;
  const site = placedClosure(piece, plan);
  const kind = closureKind(piece.closure.type);
  const draw = (done: boolean): readonly Primitive[] =>
    kind.draw(piece.closure, site, plan.closure, { length, tails, done, firstSide });
  const own = [
    ...(kind.drawBelow?.(piece.closure, { length, tails, done: true, firstSide }) ?? []),
    ...(side === 'end'
      ? movingBetween(draw(false), draw(true)).map((shape) => (moves(shape) ? shape : still(shape)))
      : // What is tied at the end is not there yet when the work begins.
        draw(true).filter(({ thing }) => thing !== 'stopper')),
  ];
  const bench = drawBench(piece, plan, {
    firstSide,
    tails,
    done: Object.fromEntries(plan.parts.map((p) => [p.id, side === 'start' ? 0 : Infinity])),
  });
  const here = own.filter((shape) => {
    const room = roomOf([shape])!;
    const at = room.x + room.width / 2;
    return (side === 'start' ? at < length / 2 : at >= length / 2) && room.width < MAX_SHAPE;
  });
  const edge = side === 'start' ? 0 : length;
  const focus = here.some(isMoving) ? here.filter(isMoving) : here;
  const room = focus.length > 0 ? boundsOf(focus) : { x: edge, y: 0, width: 0, height: 0 };
  // The work is seen beside it, where it is near.
  const beside = Math.max(10, plan.parts.at(side === 'start' ? 0 : -1)!.layout.width);
  const from = Math.min(room.x - 3, Math.max(edge - beside, room.x - beside));
  const to = Math.max(
    room.x + room.width + 3,
    Math.min(edge + beside, room.x + room.width + beside),
  );
  const wide = Math.min(MAX_WIDE, Math.max(to - from, (room.height + 6) * ASPECT));
  const frame = frameAbout([(from + to) / 2, room.y + room.height / 2], wide);
  const parts = workIn(bench);
  return { shapes: inSight([...parts, ...own], frame), frame, hangs: false };
}

/** The last knot and the ends beside it. */
function endsPicture(scene: Scene, step: Step): StepPicture {
  const { piece, plan, firstSide } = scene;
  const span = tiedSpan(piece.parts);
  if (!span || runsEndingByKnots(runsOf(piece)).length === 0) return endPicture(scene, 'end', step);
  const last = plan.parts[span[1]]!;
  const bench = drawBench(piece, plan, { firstSide, tails: true });
  const frame = frameAbout(
    [last.start + last.layout.length - last.layout.width, 0],
    last.layout.width * 4.5,
  );
  return { shapes: inSight(bench.shapes, frame), frame, hangs: false };
}

/**
 * The picture of a step: from the curves that the piece is drawn and measured by, at the unit at hand.
 *
 * @param unit unit of the step, from 0
 * @returns null for what is no close-up: a cord laid straight, and the piece when worn
 */
export function stepPicture(
  piece: Piece,
  plan: Plan,
  step: Step,
  unit: number,
  firstSide: Side,
): StepPicture | null {
  const scene: Scene = { piece, plan, firstSide };
  const look = step.look;
  const placed = placedPart(piece, plan, step.part);
  switch (look?.kind) {
    case 'part':
      return placed ? partPicture(scene, placed, unit + (step.from ?? 0)) : null;
    case 'lay-in':
      return layInPicture(scene, look.part, look.strand);
    case 'order':
      return orderPicture(scene, step);
    case 'clipped':
      return clippedPicture(scene, look);
    case 'start':
    case 'end':
      return endPicture(scene, look.kind, step);
    case 'ends':
      return endsPicture(scene, step);
    default:
      return null;
  }
}
