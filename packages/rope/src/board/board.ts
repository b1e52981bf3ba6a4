import type { Board } from '../base/own-knot.js';
import type { Point } from '../base/point.js';

import { meet } from '../engine/meet.js';

export const BOARD_LIMITS = {
  cords: 4,
  points: 120,
  crossings: 40,
  /** Furthest from the middle, in diameters. */
  across: 400,
  beads: 4,
  /** Diameter of a bead, in cord diameters. */
  bead: [1.5, 20],
} as const;

/** Two passages of cords over each other, as seen from above. */
export interface BoardCrossing {
  /** Stays the same while the cords are only moved about: the how-many-th crossing of which two cords. */
  readonly name: string;
  readonly at: Point;
  /** The passage that was drawn first, and the other: which cord, and how far along, in points. */
  readonly early: Passage;
  readonly late: Passage;
  /** Whether the one that was drawn first lies over. */
  readonly earlyOver: boolean;
  /** Which way the late one goes across the early one: 1 from its right to its left, -1 the other way. */
  readonly side: 1 | -1;
}

export interface Passage {
  readonly cord: number;
  readonly along: number;
}

/** Left, right, near and far end of every edge of a line, one after the other. */
function boxesOf(line: readonly Point[]): Float64Array {
  const boxes = new Float64Array(4 * Math.max(0, line.length - 1));
  for (let i = 0; i + 1 < line.length; i++) {
    const [p, q] = [line[i]!, line[i + 1]!];
    boxes[4 * i] = Math.min(p[0], q[0]);
    boxes[4 * i + 1] = Math.max(p[0], q[0]);
    boxes[4 * i + 2] = Math.min(p[1], q[1]);
    boxes[4 * i + 3] = Math.max(p[1], q[1]);
  }
  return boxes;
}

/**
 * All crossings of a board, in the order in which its cords come to them.
 *
 * @example crossings({ cords: [[[-1, 0], [1, 0]], [[0, -1], [0, 1]]], turned: [] }).length // 1
 */
export function crossings({ cords, turned }: Board): BoardCrossing[] {
  const found: Omit<BoardCrossing, 'name' | 'earlyOver'>[] = [];
  // Most pairs of edges lie apart: only those whose boxes meet are looked at.
  const boxes = cords.map(boxesOf);
  cords.forEach((late, j) => {
    for (let i = 0; i <= j; i++) {
      const early = cords[i]!;
      const [of, by] = [boxes[i]!, boxes[j]!];
      for (let b = 0; b + 1 < late.length; b++) {
        const last = i === j ? b - 1 : early.length - 1;
        const [r, s] = [late[b]!, late[b + 1]!];
        const [left, right, near, away] = [
          by[4 * b]!,
          by[4 * b + 1]!,
          by[4 * b + 2]!,
          by[4 * b + 3]!,
        ];
        for (let a = 0; a < last; a++) {
          const k = 4 * a;
          if (of[k]! > right || of[k + 1]! < left || of[k + 2]! > away || of[k + 3]! < near) {
            continue;
          }
          const [p, q] = [early[a]!, early[a + 1]!];
          const at = meet(p, q, r, s);
          if (!at) continue;
          const turn = (q[0] - p[0]) * (s[1] - r[1]) - (q[1] - p[1]) * (s[0] - r[0]);
          found.push({
            at: [p[0] + at[0] * (q[0] - p[0]), p[1] + at[0] * (q[1] - p[1])],
            early: { cord: i, along: a + at[0] },
            late: { cord: j, along: b + at[1] },
            side: turn > 0 ? 1 : -1,
          });
        }
      }
    }
  });
  found.sort((a, b) => a.late.cord - b.late.cord || a.late.along - b.late.along);
  const counted = new Map<string, number>();
  return found.map((one) => {
    const pair = `${one.early.cord}-${one.late.cord}`;
    const count = counted.get(pair) ?? 0;
    counted.set(pair, count + 1);
    const name = `${pair}-${count}`;
    return { ...one, name, earlyOver: turned.includes(name) };
  });
}

/** The board with one crossing turned the other way. */
export const turnOver = (board: Board, name: string): Board => ({
  ...board,
  turned: board.turned.includes(name)
    ? board.turned.filter((one) => one !== name)
    : [...board.turned, name],
});

/** The board with one more cord, laid over all that is there. */
export const withCord = (board: Board, cord: readonly Point[]): Board => ({
  ...board,
  cords: [...board.cords, cord],
});

/** The board without one of its cords: what is said of the others stays. */
export function withoutCord(board: Board, cord: number): Board {
  const moved = (other: number): number => (other > cord ? other - 1 : other);
  const { cores, beads } = board;
  return {
    cords: board.cords.filter((_, i) => i !== cord),
    turned: board.turned.flatMap((name) => {
      const [a, b, count] = name.split('-').map(Number) as [number, number, number];
      return a === cord || b === cord ? [] : [`${moved(a)}-${moved(b)}-${count}`];
    }),
    ...(cores && { cores: cores.filter((one) => one !== cord).map(moved) }),
    ...(beads && {
      beads: beads
        .filter((bead) => bead.cord !== cord)
        .map((bead) => ({ ...bead, cord: moved(bead.cord) })),
    }),
  };
}

/** A cord made a core, which lies straight from its beginning to its end, or one that is tied again. */
export function asCore(board: Board, cord: number, core: boolean): Board {
  const { cores = [] } = board;
  const line = board.cords[cord]!;
  if (!core) return { ...board, cores: cores.filter((one) => one !== cord) };
  return {
    ...board,
    cores: [...cores.filter((one) => one !== cord), cord],
    cords: board.cords.map((one, i) => (i === cord ? [line[0]!, line.at(-1)!] : one)),
    ...(board.beads && { beads: board.beads.filter((bead) => bead.cord !== cord) }),
  };
}

/** As a left hand ties it: seen in a mirror, so that what lies over still does. */
export const inMirror = (board: Board): Board => ({
  ...board,
  cords: board.cords.map((cord) => cord.map(([x, y]): Point => [-x, y])),
});

/** A fault of a board: what is wrong, in words that stand alone, and at which cord. */
export interface BoardFault {
  readonly cord: number | null;
  readonly message: string;
}

/** What keeps a board from being drawn tight; empty where nothing does. */
export function boardFaults(board: Board): BoardFault[] {
  const { cords } = board;
  const faults: BoardFault[] = [];
  if (cords.length === 0) faults.push({ cord: null, message: 'No cord is drawn yet.' });
  if (cords.length > BOARD_LIMITS.cords) {
    faults.push({ cord: null, message: `At most ${BOARD_LIMITS.cords} cords can be drawn.` });
  }
  cords.forEach((cord, i) => {
    const say = (message: string): void => void faults.push({ cord: i, message });
    if (cord.length < 2) say('A cord needs a beginning and an end.');
    if (cord.length > BOARD_LIMITS.points) say(`A cord has at most ${BOARD_LIMITS.points} points.`);
    if (
      cord.some(
        ([x, y]) => !(Math.abs(x) <= BOARD_LIMITS.across && Math.abs(y) <= BOARD_LIMITS.across),
      )
    ) {
      say(`A cord lies within ${BOARD_LIMITS.across} diameters of the middle.`);
    }
  });
  const { cores = [], beads = [] } = board;
  if (cords.length > 0 && cords.every((_, i) => cores.includes(i))) {
    faults.push({ cord: null, message: 'At least one cord has to be tied, not only cores.' });
  }
  if (beads.length > BOARD_LIMITS.beads) {
    faults.push({ cord: null, message: `At most ${BOARD_LIMITS.beads} beads can lie in a knot.` });
  }
  beads.forEach(({ cord, along, size }) => {
    const points = cords[cord]?.length;
    if (points === undefined || !(along >= 0 && along <= points - 1)) {
      faults.push({ cord: null, message: 'A bead has to lie on a cord.' });
    }
    const [least, most] = BOARD_LIMITS.bead;
    if (!(size >= least && size <= most)) {
      const message = `A bead is ${least} to ${most} cord diameters thick.`;
      faults.push({ cord, message });
    }
  });
  if (faults.length === 0 && crossings(board).length > BOARD_LIMITS.crossings) {
    faults.push({
      cord: null,
      message: `At most ${BOARD_LIMITS.crossings} crossings can be drawn.`,
    });
  }
  return faults;
}
