import {
  inSentence,
  CROSSING_FACTS,
  crossingOf,
  firstPlace,
  leftWorks,
  orderAfter,
  placeStep,
  repeatsToReturn,
  type FlossKnot,
  type FlossPart,
  type Run,
  type Simulation,
} from '@coiled-strand/core';
import type { KnotPlace } from './view';

/** The knot at a place; undefined where there is none. */
function knotOf(
  { knots }: Simulation,
  { lay }: FlossPart,
  { row, knot }: KnotPlace,
): FlossKnot | undefined {
  const place = firstPlace(lay, row) + knot * placeStep(lay);
  return knots.find((one) => one.row === row && one.place === place);
}

/** The strand that works in a knot, by the place where it starts; null where there is no knot. */
export const workerAt = (sim: Simulation, part: FlossPart, at: KnotPlace): number | null =>
  knotOf(sim, part, at)?.worker ?? null;

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
  const knot = knotOf(sim, part, at);
  const [worker, carried] = [runs[knot?.worker ?? -1], runs[knot?.carried ?? -1]];
  if (!worker || !carried) return `${where}.`;
  const name = ({ strand, cord }: Run): string => `strand ${strand} (${cord.colour.name})`;
  const works = leftWorks(crossing) ? 'from the left' : 'from the right';
  return `${where}; ${name(worker)} ${works} over ${name(carried)}.`;
}

/** After how many repeats the strands lie as they began. */
export const tellReturn = (sim: Simulation, rows: number): string => {
  const times = repeatsToReturn(orderAfter(sim, rows));
  return times === 1
    ? 'After the repeat all strands are back in their places.'
    : `All strands are back in their places after ${times} repeats.`;
};
