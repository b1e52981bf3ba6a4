import {
  inSentence,
  CROSSING_FACTS,
  crossingOf,
  firstPlace,
  leftWorks,
  orderAfter,
  placeStep,
  repeatsToReturn,
  type FlossPart,
  type Run,
  type Simulation,
} from '@coiled-strand/core';
import type { KnotPlace } from './view';

/** Number of the knot at a place among all knots; -1 where there is none. */
function knotIndex(sim: Simulation, { lay }: FlossPart, { row, knot }: KnotPlace): number {
  const place = firstPlace(lay, row) + knot * placeStep(lay);
  for (let k = 0; k < sim.count && sim.row[k]! <= row; k++) {
    if (sim.row[k] === row && sim.place[k] === place) return k;
  }
  return -1;
}

/** The strand that works in a knot, by the place where it starts; null where there is no knot. */
export function workerAt(sim: Simulation, part: FlossPart, at: KnotPlace): number | null {
  const k = knotIndex(sim, part, at);
  return k < 0 ? null : sim.worker[k]!;
}

/** The knot that keys are on, in words. */
export function tellKnot(
  part: FlossPart,
  runs: readonly Run[],
  sim: Simulation,
  at: KnotPlace,
): string {
  const sign = part.rows[at.row]?.[at.knot];
  if (sign === undefined) return '';
  const crossing = crossingOf(part.lay, at.row, sign);
  const where = `Row ${at.row + 1} of ${part.rows.length}, knot ${at.knot + 1}: ${inSentence(CROSSING_FACTS[crossing].label)}`;
  const k = knotIndex(sim, part, at);
  if (k < 0) return `${where}.`;
  const name = (s: number): string => `strand ${runs[s]!.strand} (${runs[s]!.cord.colour.name})`;
  const works = leftWorks(crossing) ? 'from the left' : 'from the right';
  return `${where}; ${name(sim.worker[k]!)} ${works} over ${name(sim.carried[k]!)}.`;
}

/** After how many repeats the strands lie as they began. */
export const tellReturn = (sim: Simulation, rows: number): string => {
  const times = repeatsToReturn(orderAfter(sim, rows));
  return times === 1
    ? 'After the repeat all strands are back in their places.'
    : `All strands are back in their places after ${times} repeats.`;
};
