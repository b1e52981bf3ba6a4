import type { Board, OwnKnot, TightKnot } from '../base/own-knot.js';
import type { Point3 } from '../base/point.js';

import { ENGINE } from '../engine/compute.js';
import { draw, judge, type RopeOutcome } from '../engine/outcome.js';
import { USUAL, type Care, type Drawn, type Progress } from '../engine/tighten.js';
import { boardFaults, type BoardFault } from './board.js';
import { fingerprint } from './fingerprint.js';
import { inSpace } from './lift.js';
import { thinned } from '../engine/thinned.js';
import { inFrame, knotSize, takenInFrame } from './size.js';

/** Two polygons tell how far a number may be off; a maker waits for a third. */
const CARE: Care = { ...USUAL, polygons: 2 };

/** What became of a board that was drawn tight. */
export type BoardVerdict =
  /** It holds; `settled` says whether it is at rest. */
  | { readonly how: 'holds'; readonly tight: TightKnot }
  | { readonly how: 'falls-apart' }
  /** There is no room: cords stay in each other by so many diameters. */
  | { readonly how: 'locks'; readonly overlap: number }
  /** Two cords were drawn through one another, about here on the board. */
  | { readonly how: 'overlaps'; readonly at: Point3 };

function verdictOn(board: Board, outcome: RopeOutcome): BoardVerdict {
  switch (outcome.how) {
    case 'tight':
    case 'unsettled':
      return outcome.drawn.length > 0
        ? { how: 'holds', tight: keepTight(board, outcome.drawn) }
        : { how: 'falls-apart' };
    case 'falls-apart':
      return { how: 'falls-apart' };
    case 'locks':
      return { how: 'locks', overlap: outcome.overlap };
    case 'overlaps':
      return { how: 'overlaps', at: outcome.at };
  }
}

/**
 * Draws a board tight and tells what becomes of it. Between rounds it can be left with what it has: see leftAt.
 *
 * @param board without faults
 */
export function* drawBoard(board: Board): Generator<Progress, BoardVerdict, void> {
  return verdictOn(board, yield* draw(inSpace(board), CARE));
}

/** What a board had come to when its drawing tight was stopped: the best so far, with errors that say so. */
export const leftAt = (board: Board, progress: Progress): BoardVerdict =>
  verdictOn(board, judge([progress.soFar()]));

/** Where the cords of a board are while it is drawn, as they lie on it: beads with them. */
export function boardPlaces(drawn: Drawn): Pick<TightKnot, 'curves' | 'beads'> {
  const { laid } = drawn;
  const curves = drawn.lengths.map((_, s) => laid.curve(s));
  return { curves, beads: laid.ballPlaces() };
}

/** A line may be this far off where points are left out, in diameters; and so finely places are kept. */
const STRAIGHT = 0.004;
const KEPT = 1000;

const round = (p: Point3): Point3 =>
  p.map((c) => Math.round(c * KEPT) / KEPT || 0) as unknown as Point3;

/**
 * What is kept of a board that was drawn tight.
 *
 * @param drawn its polygons, at least one
 */
export function keepTight(board: Board, drawn: readonly Drawn[]): TightKnot {
  const last = drawn.at(-1)!;
  const places = boardPlaces(last);
  const { curves, more } = inFrame(places.curves, last.laid.problem.strands, places.beads);
  return {
    engine: ENGINE,
    of: fingerprint(board),
    settled: last.settled,
    size: knotSize(drawn),
    curves: curves.map((curve) => thinned(curve, STRAIGHT).map(round)),
    beads: more.map(round),
  };
}

/** A kept curve may be longer or shorter than the number says by this share, and by so many diameters. */
const SHARE_OFF = 0.04;
const WAY_OFF = 0.5;

/** What is wrong with a knot that comes from elsewhere: with its board, or with numbers that are not of that board. */
export function ownKnotFaults({ board, tight }: Pick<OwnKnot, 'board' | 'tight'>): BoardFault[] {
  const faults = boardFaults(board);
  if (faults.length > 0) return faults;
  const say = (message: string, cord: number | null = null): BoardFault => ({ cord, message });
  if (tight.of !== fingerprint(board)) {
    return [say('Its numbers were computed of another drawing. Draw it tight again.')];
  }
  const { size, curves, beads } = tight;
  const count = board.cords.length;
  if (curves.length !== count || size.uses.length !== count) {
    return [say('It has numbers for more or fewer cords than are drawn.')];
  }
  if (beads.length !== (board.beads?.length ?? 0)) {
    return [say('It has places for more or fewer beads than are drawn.')];
  }
  return takenInFrame(curves).flatMap((drawn, cord) => {
    const { value, off } = size.uses[cord]!;
    return Math.abs(drawn - value) <= off + SHARE_OFF * Math.abs(value) + WAY_OFF
      ? []
      : [say('The length that it is said to take is not that of its curve.', cord)];
  });
}
