import type { LotView } from '@coiled-strand/contract';
import type { Cord } from '@coiled-strand/core';
import { thingKey, thingName, type Material, type PieceNeeds } from '@coiled-strand/workshop';
import { useMemo } from 'react';
import { useLotsOf, usePacks } from '../../../data/api/week-queries';

/** What one mm, or one piece, of a thing was paid at: over all lots of it whose price is known. */
function paidEach(lots: readonly LotView[], key: string): number | null {
  const known = lots.filter((lot) => lot.key === key && lot.cents !== null);
  const size = known.reduce((sum, lot) => sum + lot.size, 0);
  return size > 0 ? known.reduce((sum, lot) => sum + lot.cents!, 0) / size : null;
}

/** What the list of cords says a metre costs, as cents for a millimetre. */
const listedEach = ({ price }: Cord): number | null =>
  price === undefined ? null : (price * 100) / 1000;

/**
 * What goes into a piece with what it was paid at: by the lots in the stash, else by how shops sell it, else by the
 * price on the list.
 *
 * @param needs its cuts as they are, or were, cut: what is trimmed away was paid for as well
 */
export function useMaterials(needs: PieceNeeds | null): readonly Material[] | null {
  const keys = useMemo(
    () =>
      needs
        ? [
            ...new Set([
              ...needs.cuts.map(({ cord }) => thingKey({ kind: 'cord', cord })),
              ...needs.things.map(({ thing }) => thingKey(thing)),
            ]),
          ].sort()
        : [],
    [needs],
  );
  const { data: found } = useLotsOf(keys);
  const { data: packs } = usePacks();
  return useMemo(() => {
    if (!needs || (keys.length > 0 && !found)) return null;
    const lots = found ?? [];
    const sold = (key: string): number | null => {
      const own = (packs ?? []).filter(({ value }) => thingKey(value.thing) === key);
      return own.length > 0 ? Math.min(...own.map(({ value }) => value.cents / value.size)) : null;
    };
    const cords = new Map<string, { cord: Cord; amount: number }>();
    for (const { cord, length } of needs.cuts) {
      const key = thingKey({ kind: 'cord', cord });
      cords.set(key, { cord, amount: (cords.get(key)?.amount ?? 0) + length });
    }
    return [
      ...[...cords].map(([key, { cord, amount }]): Material => ({
        name: cord.name.includes(cord.colour.name)
          ? cord.name
          : `${cord.name}, ${cord.colour.name}`,
        unit: 'mm',
        amount,
        each: paidEach(lots, key) ?? sold(key) ?? listedEach(cord),
      })),
      ...needs.things.map(({ thing, count }): Material => {
        const key = thingKey(thing);
        return {
          name: thingName(thing),
          unit: 'piece',
          amount: count,
          each: paidEach(lots, key) ?? sold(key),
        };
      }),
    ];
  }, [needs, keys, found, packs]);
}
