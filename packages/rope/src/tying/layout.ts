import type { Board } from '../base/own-knot.js';
import type { Point, Point3 } from '../base/point.js';

import { crossings, type Passage } from '../board/board.js';
import { aside, evenLine } from '../curves/spline.js';
import type { Lead, Tying } from './tying.js';

/** Points of the smooth line for each point of a way. */
const FINE = 8;

/** A crossing of a layout: what lay there, and what was laid past it by which move. */
export interface LaidCrossing {
  readonly at: Point;
  readonly early: Passage;
  readonly late: Passage;
  readonly lateOver: boolean;
  /** 1 where the later goes from the right of the earlier to its left, -1 the other way. */
  readonly side: 1 | -1;
  /** The go that lays the later. */
  readonly go: number;
}

/** What the hands do at one go: a move, or a part of one that goes past much. */
export interface Go {
  readonly move: Lead;
  /** The stretch of its strand that it lays, in points along the line. */
  readonly from: number;
  readonly to: number;
  /** Whether the move was begun by the go before. */
  readonly goesOn: boolean;
}

/** A tying laid open on the table. */
export interface TyingLayout {
  readonly tying: Tying;
  /** The middle of each strand, in diameters; the board has the same lines. */
  readonly board: Board;
  /** In order. */
  readonly goes: readonly Go[];
  /** In the order in which the hands come to them. */
  readonly crossings: readonly LaidCrossing[];
}

/** Half of how far the two sides of a bight are apart, in diameters. */
const HALF_BIGHT = 1.6;

/** The points that a move leads its end along: those of a bight go out and come back. */
function wayOf({ way, bight }: Lead): readonly Point[] {
  if (bight === undefined) return way;
  const [out, tip] = [way.slice(0, -1), way.at(-1)!];
  const side = bight === 'left' ? HALF_BIGHT : -HALF_BIGHT;
  return [...aside(out, -side), tip, ...aside(out, side).reverse()];
}

/** What a move does at each crossing on its way, in order. */
const passesOf = ({ passes, bight }: Lead): string =>
  bight === undefined ? passes : passes + [...passes].reverse().join('');

interface Stop {
  readonly move: number;
  readonly to: number;
}

/** Where each strand is led by each move, in points along its smooth line. */
function stopsOf({ strands, moves }: Tying): Stop[][] {
  return strands.map(({ way }, strand) => {
    let points = way.length - 1;
    const stops: Stop[] = [{ move: -1, to: points * FINE }];
    moves.forEach((move, i) => {
      if (move.strand !== strand) return;
      points += wayOf(move).length;
      stops.push({ move: i, to: points * FINE });
    });
    return stops;
  });
}

/** The move that lays a place of a strand; -1 for what lies there before. */
const moveAt = (stops: readonly Stop[], along: number): number =>
  (stops.find(({ to }) => along < to) ?? stops.at(-1)!).move;

type Met = Omit<LaidCrossing, 'lateOver'> & {
  readonly name: string;
  /** Whether the board has them the other way round: what it takes for the later lies there before. */
  readonly taken: boolean;
};

/** The lines of a tying, and where they cross: which of two was laid later, its moves tell. */
function meetings(tying: Tying): {
  readonly flat: Board;
  readonly stops: Stop[][];
  readonly met: Met[];
} {
  const { strands, moves } = tying;
  const lines = strands.map(({ way }, strand) =>
    evenLine([...way, ...moves.filter((move) => move.strand === strand).flatMap(wayOf)], FINE),
  );
  const stops = stopsOf(tying);
  const flat: Board = { cords: lines, turned: [] };
  const met = crossings(flat)
    .map(({ early, late, ...one }): Met => {
      const [was, is] = [early, late].map(({ cord, along }) => moveAt(stops[cord]!, along)) as [
        number,
        number,
      ];
      return was > is
        ? { ...one, early: late, late: early, side: -one.side as 1 | -1, go: was, taken: true }
        : { ...one, early, late, go: is, taken: false };
    })
    .sort((a, b) => a.go - b.go || a.late.along - b.late.along);
  if (met.some(({ go }) => go < 0)) {
    throw new RangeError(`what lies there in ${tying.id} crosses itself`);
  }
  return { flat, stops, met };
}

/** What is laid past something: which strand, and how far along in the points of its ways. */
export interface Laid {
  readonly strand: number;
  readonly point: number;
}

/** A tying whose passes follow a rule, as those of families do. */
export function withPasses(
  tying: Omit<Tying, 'moves'> & { readonly moves: readonly Omit<Lead, 'passes'>[] },
  isOver: (late: Laid, early: Laid) => boolean,
): Tying {
  const blank = { ...tying, moves: tying.moves.map((move) => ({ ...move, passes: '' })) };
  const { met } = meetings(blank);
  const laid = ({ cord, along }: Passage): Laid => ({ strand: cord, point: along / FINE });
  return {
    ...blank,
    moves: blank.moves.map((move, i) => ({
      ...move,
      passes: met
        .filter(({ go }) => go === i)
        .map(({ late, early }) => (isOver(laid(late), laid(early)) ? 'o' : 'u'))
        .join(''),
    })),
  };
}

/** A curve in space laid flat as it is seen from above: what lies higher lies over. Moves are stretches of it. */
export interface CurveLaid extends Omit<Tying, 'moves' | 'strands'> {
  readonly strands: readonly (Omit<Tying['strands'][number], 'way'> & {
    readonly curve: readonly Point3[];
    /** How many of its points lie there before the first move. */
    readonly lies: number;
  })[];
  /** Each leads its strand on to a point of its curve. */
  readonly moves: readonly (Omit<Lead, 'passes' | 'way'> & { readonly to: number })[];
}

/** The tying of curves in space: passes are as their heights tell. */
export function fromCurves({ strands, moves, ...rest }: CurveLaid): Tying {
  const flat = ([x, y]: Point3): Point => [x, y];
  const height = ({ strand, point }: Laid): number => {
    const { curve } = strands[strand]!;
    const i = Math.min(curve.length - 2, Math.floor(point));
    return curve[i]![2] + (point - i) * (curve[i + 1]![2] - curve[i]![2]);
  };
  const at = strands.map(({ lies }) => lies);
  return withPasses(
    {
      ...rest,
      strands: strands.map(({ curve, lies, ...strand }) => ({
        ...strand,
        way: curve.slice(0, lies).map(flat),
      })),
      moves: moves.map(({ to, ...move }) => {
        const from = at[move.strand]!;
        at[move.strand] = to;
        return { ...move, way: strands[move.strand]!.curve.slice(from, to).map(flat) };
      }),
    },
    (late, early) => height(late) > height(early),
  );
}

/**
 * Lays a tying open: smooth lines through its ways, and every crossing as its moves say.
 *
 * @throws RangeError where a move crosses more or less than it says
 */
export function layOut(tying: Tying): TyingLayout {
  const { moves } = tying;
  const { flat, stops, met } = meetings(tying);
  const all = moves.flatMap((move, i) => {
    const passes = passesOf(move);
    const own = met.filter(({ go }) => go === i);
    if (own.length !== passes.length) {
      const told = own.map(({ at }) => at.map((c) => c.toFixed(1)).join(' ')).join(', ');
      throw new RangeError(
        `move ${i + 1} of ${tying.id} says ${passes.length} crossings and has ${own.length}: ${told}`,
      );
    }
    return own.map((one, k) => ({ ...one, lateOver: passes[k] === 'o' }));
  });
  const turned = all.filter(({ taken, lateOver }) => taken === lateOver).map(({ name }) => name);
  return {
    tying,
    board: { ...flat, turned },
    goes: moves.map((move, i): Go => {
      const own = stops[move.strand]!;
      const at = own.findIndex((stop) => stop.move === i);
      return { move, from: own[at - 1]!.to, to: own[at]!.to, goesOn: false };
    }),
    crossings: all,
  };
}

/**
 * The same layout with a go made in two, between the crossings in its middle; the very same one where it goes past one
 * thing only, or is a bight.
 */
export function inTwo(layout: TyingLayout, at: number): TyingLayout {
  const { goes, crossings: all } = layout;
  const go = goes[at]!;
  const own = all.filter((one) => one.go === at);
  if (own.length < 2 || go.move.bight !== undefined) return layout;
  const half = Math.ceil(own.length / 2);
  const between = (own[half - 1]!.late.along + own[half]!.late.along) / 2;
  return {
    ...layout,
    goes: goes.flatMap((one, i) =>
      i === at
        ? [
            { ...one, to: between },
            { ...one, from: between, goesOn: true },
          ]
        : [one],
    ),
    crossings: all.map((one) => {
      const after = one.go > at || (one.go === at && one.late.along > between);
      return after ? { ...one, go: one.go + 1 } : one;
    }),
  };
}
