import type { Knot } from '../../base/action/knot.js';
import { swaps } from '../../craft/floss/crossing.js';
import { crossingOf, firstPlace, placeStep } from '../../craft/floss/pattern.js';
import { bundlesAfter } from '../../craft/knot/plait.js';

/** Strands by what they are called, from the side that these hands begin on. */
type Order = readonly string[];

/** All strands after some crossings of a plait, as they lay before them in bundles of these sizes. */
export function orderAfterPlait(
  order: Order,
  bundles: readonly (readonly unknown[])[],
  form: 'three' | 'four-flat' | 'four-round',
  crossings: number,
  before: number,
): string[] {
  let from = 0;
  const split = bundles.map(({ length }) => order.slice(from, (from += length)));
  return bundlesAfter(form, split, crossings, before).flat();
}

/** All strands after a stretch of a knotted band: only a whole one leaves them where its last row does. */
export function orderAfterBand(
  order: Order,
  began: Order,
  { lay, rows, total, after }: Extract<Knot, { form: 'band' }>,
  times: number,
): string[] {
  const at = [...began];
  let tied = 0;
  const step = placeStep(lay);
  for (let row = 0; row < total; row++) {
    const signs = rows[row % rows.length]!;
    const back = lay === 'leader' && row % 2 === 1;
    for (let i = 0; i < signs.length; i++) {
      const k = back ? signs.length - 1 - i : i;
      const place = firstPlace(lay, row) + k * step;
      const crossing = crossingOf(lay, row, signs[k]!);
      if (crossing === '.') continue;
      tied++;
      if (swaps(crossing)) [at[place], at[place + 1]] = [at[place + 1]!, at[place]!];
    }
  }
  return after + times >= tied ? at : [...order];
}

/** Whether some strands are those that lie outermost at both edges, and no others. */
export function liesOutside(order: Order, strands: ReadonlySet<string>): boolean {
  const first = order.findIndex((strand) => !strands.has(strand));
  const last = order.findLastIndex((strand) => !strands.has(strand));
  return first > 0 && last < order.length - 1 && first + order.length - 1 - last === strands.size;
}

/** Whether all strands that are not outside are some others. */
export const liesWithin = (
  order: Order,
  outside: ReadonlySet<string>,
  inside: ReadonlySet<string>,
): boolean => order.every((strand) => outside.has(strand) !== inside.has(strand));
