import { laidAt, layoutOf, tellingOf, type Telling, type TyingLayout } from '@coiled-strand/rope';
import type { Bounds, Plate, Point, Point3, Primitive } from '../../base/kind/primitive.js';
import { tiedAt, type Step, type Tied } from '../../base/kind/step.js';
import { byDepth, type Stretch } from '../../craft/knot/by-depth.js';
import { stripOf } from './tying-strip.js';
import { cordsTied, postRadius, sideBySide, widthOf, type TiedCord } from './tied-cords.js';
import { tyingIn, type TiedPiece } from '../../piece/tyings.js';

/** One move of a knot: its picture, and the sentence that belongs to it. */
export interface MovePicture {
  readonly frame: Bounds;
  readonly shapes: readonly Primitive[];
  readonly text: string;
}

/** How a knot is tied, move by move. */
export interface TyingShown {
  readonly name: string;
  /** What lies there before. */
  readonly ground: readonly string[];
  readonly moves: readonly MovePicture[];
  readonly drawUp: readonly string[];
}

/** Room about what is laid, for the tip of an arrow too, and about what moves where only that is seen, in diameters. */
const ROOM = 2.4;
const BESIDE = 3;
/** How much of the way of a move its arrow goes along, from its end back; and its thickness in diameters. */
const ARROW = { share: 0.5, width: 0.18, beyond: 1.6 } as const;

/**
 * What is seen at once at the least, in diameters of the cord: in a picture as wide as a phone, 150 px high, a cord is
 * then 9 px wide.
 */
const SEEN = { width: 34, height: 16.5 } as const;

function roundAbout(points: readonly Point[], room: number): Bounds {
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  const [x, y] = [Math.min(...xs) - room, Math.min(...ys) - room];
  return { x, y, width: Math.max(...xs) + room - x, height: Math.max(...ys) + room - y };
}

/** So much of a whole about the middle of what moves, and no further than the whole reaches. */
function window(
  whole: number,
  long: number,
  from: number,
  size: number,
  least: number,
): [number, number] {
  const seen = Math.min(long, Math.max(size, least));
  const at = from + size / 2 - seen / 2;
  return [Math.max(whole, Math.min(at, whole + long - seen)), seen];
}

/** What a picture shows of a layout: all of it where its cords are wide enough so, else what is about the move. */
function frameOf({ board, goes, tying }: TyingLayout, d: number, go: number): Bounds {
  const seen = (line: readonly Point[]): Point[] => line.map(([x, y]): Point => [x * d, -y * d]);
  const whole = roundAbout(board.cords.flatMap(seen), ROOM * d);
  // Where a slant lies is seen from its post and from the others alone.
  if (tying.round === 'rims') return whole;
  const { move, from, to } = goes[go]!;
  const way = board.cords[move.strand]!.slice(Math.floor(from), Math.ceil(to) + 1);
  const moving = roundAbout(seen(way), BESIDE * d);
  const [x, width] = window(whole.x, whole.width, moving.x, moving.width, SEEN.width * d);
  const [y, height] = window(whole.y, whole.height, moving.y, moving.height, SEEN.height * d);
  return { x, y, width, height };
}

/** How wide a knot round a post is seen as a whole, as a share of the strip below it. */
const OVERVIEW = 0.7;

/** Longest edges of what is seen so, in diameters. */
const FAR_EDGE = 1;

/** Corners of a post that is drawn round. */
const CORNERS = 48;

/** The post that a knot is laid round, seen from its end: as thick as the cord leaves room for. */
function postOf({ tying, board }: TyingLayout, d: number): Plate[] {
  if (tying.round !== 'rims') return [];
  const r = d * postRadius(board);
  const outline = Array.from({ length: CORNERS }, (_, i): Point => {
    const a = (2 * Math.PI * i) / CORNERS;
    return [r * Math.cos(a), r * Math.sin(a)];
  });
  return [
    { kind: 'plate', key: `${tying.id}-post`, part: 'tying', fill: 'body', outlines: [outline] },
  ];
}

/** Along the end of what moves, and on beyond it. */
function arrowAlong(line: readonly Point3[], d: number): (readonly [number, number])[] {
  const last = line.slice(Math.floor(line.length * (1 - ARROW.share)));
  const [[x, y], [u, v]] = [line.at(-3)!, line.at(-1)!];
  const by = (ARROW.beyond * d) / (Math.hypot(u - x, v - y) || 1);
  return [...last.map(([a, b]) => [a, b] as const), [u + by * (u - x), v + by * (v - y)]];
}

const moved = (line: readonly Point3[], d: number): Point3[] =>
  line.map(([x, y, z]): Point3 => [x * d, -y * d, z * d]);

/** A cord as it is seen from further away. */
const smaller = ({ cord, ...rest }: TiedCord, by: number): TiedCord => ({
  ...rest,
  cord: { ...cord, diameter: by * cord.diameter },
});

/** What lies there at a go, its way with an arrow along it, and where the next one leads. */
function laidShapes(
  layout: TyingLayout,
  shown: readonly TiedCord[],
  go: number,
  edge?: number,
): Primitive[] {
  const d = widthOf(shown);
  const key = `${layout.tying.id}-${go}`;
  const laid = laidAt(layout, go);
  const stretches = laid.flatMap(({ strand, line, when }) =>
    sideBySide(shown[strand]!, moved(line, d)).map((one): Stretch => ({
      ...one,
      state: when === 'lies' ? 'laid' : when === 'moving' ? 'moving' : 'planned',
    })),
  );
  const moving = laid.find(({ when }) => when === 'moving');
  return [
    ...postOf(layout, d),
    ...byDepth(stretches, key, 'tying', edge),
    ...(moving ? [arrowOf(moved(moving.line, d), d, key)] : []),
  ];
}

const arrowOf = (line: readonly Point3[], d: number, key: string): Primitive => ({
  kind: 'arrow',
  key: `${key}-arrow`,
  width: ARROW.width * d,
  line: arrowAlong(line, d),
});

/**
 * The picture of one move: what lies there, the way of the move with an arrow along it, and where the next one leads. Of a
 * knot round a post all of it is seen small, and below it the way laid straight, with what it passes.
 *
 * @param shown by strand of the tying
 */
function pictureOf(
  layout: TyingLayout,
  shown: readonly TiedCord[],
  go: number,
): Pick<MovePicture, 'frame' | 'shapes'> {
  const d = widthOf(shown);
  const whole = frameOf(layout, d, go);
  if (layout.tying.round !== 'rims') {
    return { frame: whole, shapes: laidShapes(layout, shown, go) };
  }
  const { stretches, bounds } = stripOf(layout, shown, go, d);
  const by = (OVERVIEW * bounds.width) / whole.width;
  const key = `${layout.tying.id}-${go}-strip`;
  // The strip goes below the whole, which has its middle at nought.
  const down = by * (whole.y + whole.height) - bounds.y;
  const below = stretches.map(({ line, ...rest }) => ({
    ...rest,
    line: line.map(([x, y, z]): Point3 => [x - bounds.width / 2, y + down, z]),
  }));
  return {
    frame: {
      x: -bounds.width / 2,
      y: by * whole.y,
      width: bounds.width,
      height: by * whole.height + bounds.height,
    },
    shapes: [
      ...laidShapes(
        layout,
        shown.map((one) => smaller(one, by)),
        go,
        FAR_EDGE,
      ),
      ...byDepth(below, key, 'tying'),
      arrowOf(below.at(-1)!.line.slice(-3), d, key),
    ],
  };
}

/** How a knot is tied, as pictures and sentences of the same moves; null where its cords are not in the piece. */
function tiedShown(piece: TiedPiece, tied: Tied): TyingShown | null {
  const shown = cordsTied(piece, tied);
  const tying = tyingIn(piece, tied);
  if (!shown || !tying) return null;
  const layout = layoutOf(tying);
  const { ground, moves, drawUp }: Telling = tellingOf(tying);
  return {
    name: tying.name,
    ground,
    moves: moves.map((text, go) => ({ ...pictureOf(layout, shown, go), text })),
    drawUp,
  };
}

/**
 * How a unit of a step is tied; null for what is told in words alone, and where its cords are not in the piece.
 *
 * @param unit unit of the step, from 0
 */
export function tyingShown(
  piece: TiedPiece,
  step: Pick<Step, 'tied' | 'tiedBy'>,
  unit: number,
): TyingShown | null {
  const tied = tiedAt(step, unit);
  return tied && tiedShown(piece, tied);
}

/** How what every unit of a step begins with is tied; null where that is no other knot. */
export const beginningShown = (
  piece: TiedPiece,
  { begins }: Pick<Step, 'begins'>,
): TyingShown | null => (begins ? tiedShown(piece, begins) : null);

/** How the units of a step are tied, each tying once, whichever cords it is tied with. */
export function tyingsShown(
  piece: TiedPiece,
  { begins, tied = [], tiedBy, units }: Pick<Step, 'begins' | 'tied' | 'tiedBy' | 'units'>,
): TyingShown[] {
  const used = tiedBy ? [...new Set(tiedBy)].map((at) => tied[at]!) : tied.slice(0, units);
  const all = begins ? [begins, ...used] : used;
  const once = all.filter((one, i) => all.findIndex(({ tying }) => tying === one.tying) === i);
  return once.flatMap((one) => tiedShown(piece, one) ?? []);
}
