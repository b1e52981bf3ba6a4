/** A kind of bead that may be used: no fewer than `least` of it, and no more than `most`. */
export interface BeadWish {
  readonly id: string;
  readonly least: number;
  readonly most: number;
}

/** Beads that take alike: one candidate to the solver, of which there may be several colours. */
export interface Alike {
  readonly length: number;
  readonly beads: readonly BeadWish[];
}

export function groupAlike(beads: readonly BeadWish[], lengthOf: (id: string) => number): Alike[] {
  const groups: { length: number; beads: BeadWish[] }[] = [];
  for (const bead of beads) {
    const length = lengthOf(bead.id);
    const same = groups.find((group) => Math.abs(group.length - length) < 1e-9);
    if (same) same.beads.push(bead);
    else groups.push({ length, beads: [bead] });
  }
  return groups;
}

/** Most of a group that can lie in pairs, and one in the middle. */
export const mostOf = ({ beads }: Alike, symmetric: boolean): number => {
  const all = beads.reduce((sum, { most }) => sum + most, 0);
  if (!symmetric) return all;
  const paired = beads.reduce((sum, { most }) => sum + most - (most % 2), 0);
  return Math.min(all, paired + 1);
};

/**
 * Shares a count between beads that take alike, as evenly as there are: in pairs, when both halves are
 * to be alike, with the odd one by itself.
 */
export function shareEvenly(
  beads: readonly BeadWish[],
  count: number,
  symmetric: boolean,
): number[] {
  const counts = beads.map(({ least }) => least);
  let left = count - counts.reduce((sum, n) => sum + n, 0);
  for (let step = symmetric ? 2 : 1; left > 0 && step > 0;) {
    const open = beads.flatMap(({ most }, i) => (counts[i]! + step <= most ? [i] : []));
    const next = open.sort((a, b) => counts[a]! - counts[b]!)[0];
    if (next === undefined || left < step) {
      step -= 1;
      continue;
    }
    counts[next]! += step;
    left -= step;
  }
  return counts;
}

/** Kinds of beads of which every mixture is looked at by itself. */
export const MAX_KINDS = 8;

/** Every choice of some numbers, but for none of them; all of them together where they are too many. */
export function choicesOf(n: number): number[][] {
  const all = Array.from({ length: n }, (_, i) => i);
  if (n > MAX_KINDS) return [all];
  return Array.from({ length: 2 ** n - 1 }, (_, k) => all.filter((i) => ((k + 1) >> i) & 1));
}
