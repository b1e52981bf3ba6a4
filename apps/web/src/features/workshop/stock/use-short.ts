import type { LotView } from '@coiled-strand/contract';
import type { Cord } from '@coiled-strand/core';
import type { CutPlan, Thing } from '@coiled-strand/workshop';
import { useMemo } from 'react';
import { useHand } from '../../../data/api/queries';
import { useLotsOf } from '../../../data/api/week-queries';
import { useCutPlan } from '../week/use-cut-plan';
import { demandOf, type Demand, type Wish } from './demand';
import { cordLot, leftByKey, wantedCut } from './supply';

/** Something that is missing: so many mm of cord in so many cuts, or so many pieces. */
export interface Missing {
  readonly key: string;
  readonly thing: Thing;
  readonly amount: number;
  /** Of cord: the cuts that no lot gives. */
  readonly cuts: readonly {
    readonly length: number;
    readonly piece: string;
    readonly longest: number;
    readonly because: CutPlan['uncut'][number]['because'];
  }[];
}

export interface Short {
  readonly demand: Demand;
  readonly lots: readonly LotView[] | undefined;
  /** null while it is not known yet. */
  readonly missing: readonly Missing[] | null;
}

/** A look at what is short need not be the best cutting plan there is. */
const SECONDS = 3;

/** What some pieces take beyond what lies in the drawers. */
export function useShort(wishes: readonly Wish[]): Short {
  const hand = useHand();
  const demand = useMemo(() => demandOf(wishes, hand), [wishes, hand]);
  const keys = useMemo(
    () => [...new Set([...demand.cords.keys(), ...demand.things.map(({ key }) => key)])].sort(),
    [demand],
  );
  const { data: found } = useLotsOf(keys);
  const lots = keys.length === 0 ? NONE : found;
  const cuts = useMemo(() => demand.cuts.map((cut) => wantedCut(cut, false)), [demand]);
  const cords = useMemo(
    () => lots?.filter(({ thing }) => thing.kind === 'cord').map(cordLot),
    [lots],
  );
  const { plan, busy } = useCutPlan(cuts, cords, SECONDS);
  const missing = useMemo(
    () => (lots && plan && !busy ? missingOf(demand, lots, plan) : null),
    [demand, lots, plan, busy],
  );
  return { demand, lots, missing };
}

const NONE: readonly LotView[] = [];

function missingOf(demand: Demand, lots: readonly LotView[], plan: CutPlan): Missing[] {
  const byId = new Map(demand.cuts.map((cut) => [cut.id, cut]));
  const cords = [...demand.cords].flatMap(([key, cord]: [string, Cord]): Missing[] => {
    const uncut = plan.uncut.filter(({ cut }) => cut.thing === key);
    if (uncut.length === 0) return [];
    return [
      {
        key,
        thing: { kind: 'cord', cord },
        amount: uncut.reduce((sum, { cut }) => sum + cut.length, 0),
        cuts: uncut.map(({ cut, longest, because }) => ({
          length: cut.length,
          piece: byId.get(cut.id)!.piece,
          longest,
          because,
        })),
      },
    ];
  });
  const left = leftByKey(lots);
  const things = demand.things.flatMap(({ key, thing, count }): Missing[] => {
    const amount = count - (left.get(key) ?? 0);
    return amount > 0 ? [{ key, thing, amount, cuts: [] }] : [];
  });
  return [...cords, ...things];
}
