import { sameCopy, type Bead } from '@coiled-strand/core';
import { useMemo } from 'react';
import { useBeads } from '../../../../data/api/queries';
import { usePiecePart } from '../../piece/piece-store';

export interface BeadChoice {
  readonly key: string;
  readonly bead: Bead;
  /** Id within the piece, for beads that it uses already. */
  readonly id: string | null;
}

/** Beads to choose from: those of the piece first, then the stash's others. */
export function useBeadChoices(): readonly BeadChoice[] {
  const own = usePiecePart((piece) => piece.beads);
  const { data: stash } = useBeads();
  return useMemo(() => {
    const mine = own.map(({ id, ...bead }): BeadChoice => ({ key: id, bead, id }));
    const others = (stash ?? [])
      .filter(({ value }) => !mine.some(({ bead }) => sameBead(bead, value)))
      .map(({ id, value }): BeadChoice => ({ key: id, bead: value, id: null }));
    return [...mine, ...others];
  }, [own, stash]);
}

/** The same bead, whatever the number in hand. */
const sameBead = (one: Bead, other: Bead): boolean =>
  sameCopy({ ...one, count: undefined }, { ...other, count: undefined });
