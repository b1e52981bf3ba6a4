import type { Board } from '../base/own-knot.js';
import type { Point, Point3 } from '../base/point.js';

import { crossings, type BoardCrossing } from './board.js';
import { onBoard } from './lift.js';

/** A cord that is passed on the way: over it or under it. */
export interface Pass {
  readonly over: boolean;
  /** Which cord; it may be the same that is led. */
  readonly of: number;
}

/** One move of the hands: a cord is led on by a stretch, past all that it crosses in one go. */
export interface Move {
  readonly cord: number;
  /** From where to where, in points along the cord. */
  readonly from: number;
  readonly to: number;
  readonly passes: readonly Pass[];
  /** Whether a bead is strung on the cord before. */
  readonly beads: number;
}

/** A cord that turns by more between crossings is led on in another move, in radians. */
const TURNS = 1.3;
/** Most that is passed in one go. */
const MAX_PASSED = 4;

const direction = (cord: readonly Point[], along: number): number => {
  const i = Math.min(cord.length - 2, Math.floor(along));
  const [p, q] = [cord[i]!, cord[i + 1]!];
  return Math.atan2(q[1] - p[1], q[0] - p[0]);
};
const between = (a: number, b: number): number => {
  const turn = Math.abs(a - b) % (2 * Math.PI);
  return Math.min(turn, 2 * Math.PI - turn);
};

/** How far a cord turns from one place to another, all turns together, in radians. */
function turning(cord: readonly Point[], from: number, to: number): number {
  let sum = 0;
  let now = direction(cord, from);
  for (let i = Math.floor(from) + 1; i <= Math.floor(to); i++) {
    const next = direction(cord, i);
    sum += between(now, next);
    now = next;
  }
  return sum;
}

/** Crossings that are passed in one go, in the order of the cord. */
function inGoes(cord: readonly Point[], own: readonly BoardCrossing[]): BoardCrossing[][] {
  const goes: BoardCrossing[][] = [];
  for (const one of own) {
    const go = goes.at(-1);
    const last = go?.at(-1);
    if (
      go &&
      last &&
      go.length < MAX_PASSED &&
      turning(cord, last.late.along, one.late.along) <= TURNS
    ) {
      go.push(one);
    } else goes.push([one]);
  }
  return goes;
}

/**
 * The moves by which a knot is laid, in the order in which it was drawn: each cord past what lies there already.
 *
 * @param board without faults
 */
export function movesOf(board: Board): Move[] {
  const all = crossings(board);
  return board.cords.flatMap((cord, number): Move[] => {
    const own = all.filter(({ late }) => late.cord === number);
    const goes = own.length === 0 ? [[]] : inGoes(cord, own);
    const end = cord.length - 1;
    const stops = goes.map((go, i) => {
      const next = goes[i + 1]?.[0];
      return next ? (go.at(-1)!.late.along + next.late.along) / 2 : end;
    });
    return goes.map((go, i) => {
      const [from, to] = [i === 0 ? 0 : stops[i - 1]!, stops[i]!];
      return {
        cord: number,
        from,
        to,
        passes: go.map(({ early, earlyOver }) => ({ over: !earlyOver, of: early.cord })),
        beads: (board.beads ?? []).filter(
          (bead) => bead.cord === number && bead.along >= from && (bead.along < to || to === end),
        ).length,
      };
    });
  });
}

/** A stretch of a cord as it lies on the board after so many moves. */
export interface LaidStretch {
  readonly cord: number;
  readonly line: readonly Point3[];
  /** Whether it is the last move that laid it. */
  readonly moving: boolean;
}

/** The board after so many moves, in diameters: only what is laid by then. */
export function laidBy(board: Board, moves: number): LaidStretch[] {
  const whole = onBoard(board);
  const all = crossings(board);
  return movesOf(board)
    .slice(0, moves)
    .map(({ cord, from, to }, i): LaidStretch => {
      // The lifted line has the crossings between the points that were drawn: its places are told anew.
      const along = [
        ...board.cords[cord]!.keys(),
        ...all.flatMap(({ early, late }) =>
          [early, late].filter((one) => one.cord === cord).map((one) => one.along),
        ),
      ].sort((a, b) => a - b);
      return { cord, line: stretch(whole[cord]!, along, from, to), moving: i === moves - 1 };
    });
}

/**
 * Part of a line from one place to another.
 *
 * @param along how far along each point of the line lies, in points of what it was made from
 */
export function stretch(
  line: readonly Point3[],
  along: readonly number[],
  from: number,
  to: number,
): Point3[] {
  const at = (place: number): Point3 => {
    const next = Math.max(
      1,
      along.findIndex((a) => a >= place),
    );
    const [p, q, a, b] = [line[next - 1]!, line[next]!, along[next - 1]!, along[next]!];
    const t = b > a ? (place - a) / (b - a) : 0;
    return [p[0] + t * (q[0] - p[0]), p[1] + t * (q[1] - p[1]), p[2] + t * (q[2] - p[2])];
  };
  return [at(from), ...line.filter((_, i) => along[i]! > from && along[i]! < to), at(to)];
}
