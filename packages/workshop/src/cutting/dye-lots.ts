import { quickPlan } from './first-fit.js';
import {
  measured,
  plainly,
  problemOf,
  type CordLot,
  type OfOneThing,
  type ThingPlan,
  type WantedCut,
} from './of-one-thing.js';
import type { Means } from './solve.js';
import { compare } from './stock-problem.js';

/** So many ways of giving each group a dye lot are all tried; of more, each group takes what suits it best. */
const WAYS = 256;

/** Which lots match for sure: those of one dye lot, and each by itself of which that was not noted. */
const dyeOf = ({ id, dyeLot }: CordLot): string =>
  dyeLot === null ? `lot ${id}` : `dye ${dyeLot}`;

const grouped = <T>(all: readonly T[], key: (one: T) => string): Map<string, T[]> => {
  const groups = new Map<string, T[]>();
  for (const one of all) groups.set(key(one), [...(groups.get(key(one)) ?? []), one]);
  return groups;
};

const better = (a: ThingPlan, b: ThingPlan): boolean => compare(a.measure, b.measure) < 0;

/**
 * Plans of one cord in which cuts that belong together come from one dye lot. Without such cuts, or where the
 * plan keeps to it by itself, that is the plain problem; otherwise each group is given a dye lot, and what no plan
 * is below is that of the plain problem, which asks for less.
 */
export function* byDyeLot(one: OfOneThing, means: Means): Generator<ThingPlan> {
  const dyes = grouped(one.lots, dyeOf);
  const groups = grouped(
    one.cuts.filter((cut) => cut.together !== undefined),
    (cut) => cut.together!,
  );
  if (groups.size === 0 || dyes.size <= 1) {
    yield* plainly(one, means);
    return;
  }
  const given = byGroups(one, dyes, groups);
  let plain: ThingPlan | null = null;
  for (const plan of plainly(one, means)) {
    plain = plan;
    yield keepsTogether(plan, one.lots) ? plan : bounded(given, plan);
  }
  if (!plain || keepsTogether(plain, one.lots)) return;
  yield bounded(refined(given, one, dyes, means), plain);
}

/** A plan that asks for more, bounded by one that asks for less. Of other cuts its waste says nothing. */
const bounded = (
  plan: ThingPlan,
  { leastUncut, leastCost, measure: { uncut } }: ThingPlan,
): ThingPlan => ({
  ...plan,
  leastUncut,
  leastCost: plan.measure.uncut === uncut ? Math.min(plan.cost, leastCost) : 0,
});

const keepsTogether = (plan: ThingPlan, lots: readonly CordLot[]): boolean => {
  const from = new Map<string, string>();
  return lots.every((lot) =>
    (plan.lots.get(lot.id) ?? []).every(({ together }) => {
      if (together === undefined) return true;
      const before = from.get(together);
      from.set(together, dyeOf(lot));
      return before === undefined || before === dyeOf(lot);
    }),
  );
};

type Given = ThingPlan & { readonly dyeOfGroup: ReadonlyMap<string, string> };

/** Every way, or a good one, of giving each group its dye lot. */
function byGroups(
  one: OfOneThing,
  dyes: ReadonlyMap<string, readonly CordLot[]>,
  groups: ReadonlyMap<string, readonly WantedCut[]>,
): Given {
  const lengthOf = (cuts: readonly WantedCut[]): number =>
    cuts.reduce((sum, { length }) => sum + length, 0);
  const names = [...groups.keys()].sort(
    (a, b) => lengthOf(groups.get(b)!) - lengthOf(groups.get(a)!),
  );
  const choices = [...dyes.keys()];
  const tried = (way: ReadonlyMap<string, string>): Given => ({
    ...planBy(one, dyes, way, (part) => {
      const { problem, assign } = problemOf(part);
      return assign(quickPlan(problem));
    }),
    dyeOfGroup: way,
  });
  let best: Given | null = null;
  const take = (way: ReadonlyMap<string, string>): void => {
    const given = tried(way);
    if (!best || better(given, best)) best = given;
  };
  if (choices.length ** names.length <= WAYS) {
    for (let n = 0; n < choices.length ** names.length; n++) {
      take(
        new Map(
          names.map((name, i) => [
            name,
            choices[Math.floor(n / choices.length ** i) % choices.length]!,
          ]),
        ),
      );
    }
    return best!;
  }
  const way = new Map<string, string>();
  for (const name of names) {
    best = null;
    for (const dye of choices) take(new Map([...way, [name, dye]]));
    way.set(name, best!.dyeOfGroup.get(name)!);
  }
  return tried(way);
}

/** The same groups from the same dye lots, each cut as sparingly as may be. */
function refined(
  given: Given,
  one: OfOneThing,
  dyes: ReadonlyMap<string, readonly CordLot[]>,
  means: Means,
): Given {
  const plan = planBy(one, dyes, given.dyeOfGroup, (part) => {
    let last: ThingPlan | null = null;
    for (const next of plainly(part, means)) last = next;
    return last!.lots;
  });
  return better(plan, given) ? { ...plan, dyeOfGroup: given.dyeOfGroup } : given;
}

/** Each dye lot with its groups first, then everything else from what is left of all lots. */
function planBy(
  one: OfOneThing,
  dyes: ReadonlyMap<string, readonly CordLot[]>,
  way: ReadonlyMap<string, string>,
  plan: (part: OfOneThing) => ThingPlan['lots'],
): ThingPlan {
  const { cuts, lots } = one;
  const all = new Map<string, readonly WantedCut[]>();
  const take = (more: ReadonlyMap<string, readonly WantedCut[]>): void =>
    more.forEach((some, lot) => all.set(lot, [...(all.get(lot) ?? []), ...some]));
  for (const [dye, own] of dyes) {
    const wanted = cuts.filter(
      ({ together }) => together !== undefined && way.get(together) === dye,
    );
    if (wanted.length > 0) take(plan({ cuts: wanted, lots: own }));
  }
  const free = cuts.filter(({ together }) => together === undefined || !way.has(together));
  if (free.length > 0) {
    const left = lots.flatMap((lot): CordLot[] => {
      const cut = (all.get(lot.id) ?? []).reduce((sum, { length }) => sum + length, 0);
      return cut === 0 ? [lot] : [{ ...lot, length: lot.length - cut, whole: false }];
    });
    take(plan({ cuts: free, lots: left }));
  }
  return measured(one, all);
}
