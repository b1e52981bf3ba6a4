import { thingKey, type Thing } from '@coiled-strand/workshop';
import { useMemo } from 'react';
import { useBeads, useCords, useFittings } from '../../../data/api/queries';
import { useLots } from '../../../data/api/week-queries';
import { nameOf } from './words';

export interface NamedThing {
  readonly key: string;
  readonly name: string;
  readonly thing: Thing;
}

/** Everything that a lot can be of: what is on the lists, and what lies in the drawers already. */
export function useThings(kind: Thing['kind']): readonly NamedThing[] {
  const { data: cords } = useCords();
  const { data: beads } = useBeads();
  const { data: fittings } = useFittings();
  const { items: lots } = useLots({ kind, state: 'all', limit: 100 });
  return useMemo(() => {
    const things: Thing[] = [...lots.map(({ thing }) => thing)];
    if (kind === 'cord') {
      things.push(...(cords ?? []).map(({ value }): Thing => ({ kind: 'cord', cord: value })));
    } else if (kind === 'bead') {
      things.push(...(beads ?? []).map(({ value }): Thing => ({ kind: 'bead', bead: value })));
    } else {
      things.push(...(fittings ?? []).map(({ value }): Thing => ({ kind, name: value.name })));
    }
    const byKey = new Map(things.map((thing) => [thingKey(thing), thing]));
    return [...byKey]
      .map(([key, thing]) => ({ key, thing, name: nameOf(thing) }))
      .sort((a, b) => a.name.localeCompare(b.name));
  }, [kind, lots, cords, beads, fittings]);
}
