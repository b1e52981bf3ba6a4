import { memoize } from '../base/memoize.js';
import type { OwnKnot } from '../base/own-knot.js';
import type { Point } from '../base/point.js';

import { crossings } from '../board/board.js';
import { goesAlong } from '../board/goes.js';
import { meet } from '../engine/meet.js';
import type { LaidCrossing, TyingLayout } from './layout.js';
import type { Heading } from './planar-map.js';
import { headingOf, rimOf, tell, type RimPlace } from './telling.js';
import type { Drawn, Lead, Tying, TyingStrand } from './tying.js';
import { ORDINALS } from './ordinals.js';

/** Points of the line for each point that was drawn. */
const FINE = 8;

const finer = (line: readonly Point[]): Point[] =>
  line.flatMap((p, i): Point[] => {
    const q = line[i + 1];
    if (!q) return [p];
    return Array.from({ length: FINE }, (_, k): Point => {
      const t = k / FINE;
      return [p[0] + t * (q[0] - p[0]), p[1] + t * (q[1] - p[1])];
    });
  });

/** Further out than all that can be drawn, in diameters. */
const FAR = 1e4;

/** The place of the rim that lies straight outwards of another. */
function outwards([x, y]: Point): Point {
  const by = FAR / Math.max(Math.hypot(x, y), 1e-6);
  return [x * by, y * by];
}

/** Whether nothing lies between a place and the rim, straight outwards. */
function atRim(lines: readonly (readonly Point[])[], cord: number, at: 'first' | 'last'): boolean {
  const line = lines[cord]!;
  const [x, y] = at === 'first' ? line[0]! : line.at(-1)!;
  const far = outwards([x, y]);
  return lines.every((other, i) =>
    other.slice(1).every((q, k) => {
      const own = i === cord && (at === 'first' ? k === 0 : k === other.length - 2);
      return own || meet([x, y], far, other[k]!, q) === null;
    }),
  );
}

/** Cores lie there before anything is led. */
function laidOn(drawn: Drawn): Omit<LaidCrossing, 'go'>[] {
  const core = (cord: number): boolean => drawn.cores?.includes(cord) === true;
  return crossings(drawn).map(({ at, early, late, earlyOver, side }) =>
    core(late.cord) && !core(early.cord)
      ? { at, early: late, late: early, lateOver: earlyOver, side: -side as 1 | -1 }
      : { at, early, late, lateOver: !earlyOver, side },
  );
}

const alongOf = ({ late }: Pick<LaidCrossing, 'late'>): number => late.along;

/** Every stretch that is led at one go, with what it passes, in order. */
function goesOf(drawn: Drawn) {
  const all = laidOn(drawn);
  return drawn.cords.flatMap((line, strand) => {
    if (drawn.cores?.includes(strand)) return [];
    const own = all
      .filter(({ late }) => late.cord === strand)
      .sort((a, b) => alongOf(a) - alongOf(b));
    const goes = own.length === 0 ? [[]] : goesAlong(line, own, alongOf);
    const stops = goes.map((go, i) => {
      const next = goes[i + 1]?.[0];
      return next ? (alongOf(go.at(-1)!) + alongOf(next)) / 2 : line.length - 1;
    });
    return goes.map((past, i) => ({
      strand,
      past,
      from: i === 0 ? 0 : stops[i - 1]!,
      to: stops[i]!,
    }));
  });
}

/** The layout of a knot that was drawn: as it lies on its board. */
export function layDrawn(tying: Tying, drawn: Drawn): TyingLayout {
  const goes = goesOf(drawn);
  return {
    tying,
    board: drawn,
    goes: goes.map(({ from, to }, i) => ({ move: tying.moves[i]!, from, to, goesOn: false })),
    crossings: goes.flatMap(({ past }, go) => past.map((one) => ({ ...one, go }))),
  };
}

/** What some cords are called: by their order, where there are several. */
const called = (count: number, of: number, what: string): string =>
  count === 1 ? what : `${ORDINALS[of]!} ${what}`;

function strandsOf({ cords, cores = [] }: Drawn): TyingStrand[] {
  const led = cords.flatMap((_, i) => (cores.includes(i) ? [] : [i]));
  return cords.map((line, i): TyingStrand => {
    const core = cores.includes(i);
    // Where it comes in at the rim tells from which side it does, and what it lies beside.
    const way = [line[0]!, line.at(-1)!].map(outwards);
    const [[x, y], [u, v]] = way as [Point, Point];
    const heading = headingOf(core ? [u - x, v - y] : [-x, -y], [x, y]);
    const order = core ? [...cores].sort((a, b) => a - b).indexOf(i) : led.indexOf(i);
    const many = core ? cores.length : led.length;
    const name = called(many, order, core ? 'core' : 'cord');
    const end = core ? null : called(many, order, 'end');
    return { kind: core ? 'core' : 'cord', name, end, heading, way };
  });
}

/** What lies round the rim, as words put it: side by side from top to bottom, and from left to right, each from one side to the other. */
function rimTold(strands: readonly TyingStrand[]): RimPlace[] {
  const on = (one: Heading, other: Heading): number[] =>
    strands.flatMap(({ heading }, i) => (heading === one || heading === other ? [i] : []));
  const start = (i: number): Point => strands[i]!.way[0]!;
  const across = on('right', 'left').sort((a, b) => start(b)[1] - start(a)[1]);
  const down = on('up', 'down').sort((a, b) => start(a)[0] - start(b)[0]);
  const at = (all: readonly number[], comes: Heading, goes: Heading): RimPlace[] =>
    all.flatMap((i): RimPlace[] => {
      const { heading, end } = strands[i]!;
      if (heading === comes) return [[i, 'from']];
      return heading === goes && end === null ? [[i, 'to']] : [];
    });
  return [
    ...at([...across].reverse(), 'left', 'right'),
    ...at([...down].reverse(), 'down', 'up'),
    ...at(across, 'right', 'left'),
    ...at(down, 'up', 'down'),
  ];
}

/** Whether both are the same, wherever round the rim they begin. */
function sameRound(a: readonly RimPlace[], b: readonly RimPlace[]): boolean {
  const [from, round] = [a, b].map((all) => all.map((place) => place.join(' '))) as [
    string[],
    string[],
  ];
  const first = round.indexOf(from[0]!);
  return from.every((place, i) => place === round[(first + i) % round.length]);
}

/** Whether a tying can be told: every cord begins outside of the rest, where words put it, and each stretch is told. */
function isTold(tying: Tying, drawn: Drawn): boolean {
  const outside = drawn.cords.every(
    (_, cord) =>
      atRim(drawn.cords, cord, 'first') &&
      (!drawn.cores?.includes(cord) || atRim(drawn.cords, cord, 'last')),
  );
  if (!outside || !sameRound(rimOf(tying.strands), rimTold(tying.strands))) return false;
  try {
    tell(layDrawn(tying, drawn));
    return true;
  } catch (fault) {
    if (fault instanceof RangeError) return false;
    throw fault;
  }
}

/**
 * How a knot that a maker drew is tied: each cord led on in the order in which it was drawn. Stretches have numbers only
 * where they cannot be told apart without; where a cord begins in the midst of the others, its pictures alone tell it.
 *
 * @param knot whose board has no faults
 */
export const tyingOfKnot: (knot: Pick<OwnKnot, 'name' | 'board'>) => Tying = memoize(
  ({ name, board }: Pick<OwnKnot, 'name' | 'board'>): Tying => {
    const drawn: Drawn = { ...board, cords: board.cords.map(finer) };
    const lead = goesOf(drawn).map(({ strand, past }): Lead => ({
      strand,
      way: [],
      passes: past.map(({ lateOver }) => (lateOver ? 'o' : 'u')).join(''),
    }));
    const plain: Tying = {
      id: 'drawn',
      name,
      strands: strandsOf(drawn),
      moves: lead,
      drawUp: [
        'Work the slack out of it bit by bit, from one end to the other, and look at it as it closes.',
        'When it lies as in the picture, draw every cord tight in turn.',
      ],
      drawn,
    };
    const numbered: Tying = {
      ...plain,
      moves: lead.map((move, i) => ({ ...move, makes: 'stretch', number: i + 1 })),
    };
    return [plain, numbered].find((one) => isTold(one, drawn)) ?? { ...plain, seenOnly: true };
  },
);
