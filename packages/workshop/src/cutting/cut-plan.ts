import { byDyeLot } from './dye-lots.js';
import {
  asLot,
  type CordLot,
  type OfOneThing,
  type ThingPlan,
  type WantedCut,
} from './of-one-thing.js';
import type { Means } from './solve.js';

/** What is cut from one lot, the longest first. */
export interface LotCuts {
  readonly lot: string;
  readonly cuts: readonly WantedCut[];
  /** What is left of it, in mm. */
  readonly rest: number;
  /** Whether that is kept. */
  readonly kept: boolean;
}

/** A cut that no lot gives: none is there, none is long enough, or those that are were needed for others. */
export interface Uncut {
  readonly cut: WantedCut;
  readonly because: 'none' | 'too-short' | 'needed';
  /** The longest that is left of this cord after all other cuts, in mm. */
  readonly longest: number;
}

export interface CutPlan {
  readonly lots: readonly LotCuts[];
  readonly uncut: readonly Uncut[];
  /** In mm, all of them together. */
  readonly cut: number;
  readonly waste: number;
  /** Whole lots that are cut into. */
  readonly opened: number;
  readonly proof: Proof;
}

/** How good a plan is: no way is better, or none takes more than this share of cord less. */
export type Proof =
  | { readonly kind: 'proven' }
  | { readonly kind: 'within'; readonly share: number };

/**
 * Which cut from which lot. Each cord is a problem of its own. What is wanted, in this order: that as much as
 * possible is cut (and least has to be bought), that least is wasted, that few whole lots are cut into.
 *
 * @returns better and better plans, so that a search can be stopped with what it has; the last is the answer
 */
export function* cutPlans(
  cuts: readonly WantedCut[],
  lots: readonly CordLot[],
  means: Means,
): Generator<CutPlan> {
  const things = [...new Set(cuts.map(({ thing }) => thing))];
  const of = new Map(
    things.map((thing): [string, OfOneThing] => [
      thing,
      {
        cuts: cuts.filter((cut) => cut.thing === thing),
        lots: lots.filter((lot) => lot.thing === thing && asLot(lot.length) > 0),
      },
    ]),
  );
  const plans = new Map<string, ThingPlan>();
  for (const [thing, one] of of) {
    for (const plan of byDyeLot(one, means)) {
      plans.set(thing, plan);
      if (plans.size === things.length) yield together(of, plans);
    }
  }
  if (things.length === 0) yield together(of, plans);
}

function together(
  of: ReadonlyMap<string, OfOneThing>,
  plans: ReadonlyMap<string, ThingPlan>,
): CutPlan {
  const lots: LotCuts[] = [];
  const uncut: Uncut[] = [];
  for (const [thing, one] of of) {
    const plan = plans.get(thing)!;
    const rests: number[] = [];
    const taken = new Set<string>();
    for (const lot of one.lots) {
      const cuts = [...(plan.lots.get(lot.id) ?? [])].sort((a, b) => b.length - a.length);
      cuts.forEach((cut) => taken.add(cut.id));
      const rest = lot.length - cuts.reduce((sum, { length }) => sum + length, 0);
      rests.push(rest);
      if (cuts.length > 0) lots.push({ lot: lot.id, cuts, rest, kept: rest >= lot.useful });
    }
    const longest = Math.max(0, ...rests);
    const longestBefore = Math.max(0, ...one.lots.map(({ length }) => length));
    for (const cut of one.cuts) {
      if (taken.has(cut.id)) continue;
      const because =
        one.lots.length === 0 ? 'none' : cut.length > longestBefore ? 'too-short' : 'needed';
      uncut.push({ cut, because, longest });
    }
  }
  const whole = new Set(
    [...of.values()].flatMap((one) => one.lots.filter((lot) => lot.whole).map(({ id }) => id)),
  );
  const cut = lots.reduce(
    (sum, one) => sum + one.cuts.reduce((all, { length }) => all + length, 0),
    0,
  );
  const sum = (value: (plan: ThingPlan) => number): number =>
    [...plans.values()].reduce((all, plan) => all + value(plan), 0);
  const least = sum((plan) => plan.leastUncut + plan.leastCost);
  const over = sum((plan) => plan.measure.uncut + plan.cost) - least;
  return {
    lots,
    uncut,
    cut,
    waste: lots.reduce((all, { rest, kept }) => all + (kept ? 0 : rest), 0),
    opened: lots.filter(({ lot }) => whole.has(lot)).length,
    proof: over < 1e-9 ? { kind: 'proven' } : { kind: 'within', share: over / (cut + least) },
  };
}
