import type { FlossKnot, Simulation } from './simulate.js';

/** The knots of one strand in their order, and how many of them are tied. */
class Hanging {
  private readonly knots: FlossKnot[] = [];
  private tied = 0;

  add(knot: FlossKnot): void {
    this.knots.push(knot);
  }
  /** The first that is not tied yet, or one further on. */
  next(ahead = 0): FlossKnot | undefined {
    return this.knots[this.tied + ahead];
  }
  tie(): void {
    this.tied += 1;
  }
}

/** What a strand can tie in a row now, and whether it is then carried or done. */
interface Reach {
  readonly knots: readonly FlossKnot[];
  readonly whole: boolean;
}

/**
 * The order in which hands tie the knots of a band: a strand that works is kept in the hand and ties
 * all it can before another is picked up. Every knot comes after the knots it hangs from, which are
 * the ones its two strands tied last.
 *
 * @returns the knots in the order they are tied
 */
export function tyingOrder({ strands, knots }: Simulation): readonly FlossKnot[] {
  const all = Array.from({ length: strands }, () => new Hanging());
  const of = (strand: number): Hanging => all[strand]!;
  for (const knot of knots) {
    of(knot.worker).add(knot);
    of(knot.carried).add(knot);
  }

  const reach = (strand: number): Reach => {
    const can: FlossKnot[] = [];
    for (;;) {
      const knot = of(strand).next(can.length);
      if (knot?.worker !== strand) return { knots: can, whole: true };
      if (of(knot.carried).next() !== knot) return { knots: can, whole: false };
      can.push(knot);
    }
  };
  /** Rather one whose strand is done with or carried on; then the one further back; then the longer. */
  const sooner = (here: Reach, best: Reach): boolean => {
    const [a, b] = [here.knots[0], best.knots[0]];
    if (!a || !b) return a !== undefined;
    if (here.whole !== best.whole) return here.whole;
    return a.row === b.row ? here.knots.length > best.knots.length : a.row < b.row;
  };

  const order: FlossKnot[] = [];
  while (order.length < knots.length) {
    let best: Reach = { knots: [], whole: false };
    for (let strand = 0; strand < strands; strand++) {
      const here = reach(strand);
      if (sooner(here, best)) best = here;
    }
    for (const knot of best.knots) {
      order.push(knot);
      of(knot.worker).tie();
      of(knot.carried).tie();
    }
  }
  return order;
}
