import type { Bead } from '../base/material/bead.js';

/** Ways of ordering a row of beads. Each takes ids and gives the same ids back, in another order. */

type Size = (id: string) => Pick<Bead, 'height' | 'length'>;

/** Smallest at both ends, largest in the middle: sizes fall outwards, left and right in turn. */
export function graded(ids: readonly string[], size: Size): string[] {
  const sorted = [...ids].sort(
    (a, b) => size(b).height - size(a).height || size(b).length - size(a).length,
  );
  const out: string[] = [];
  sorted.forEach((id, i) => (i % 2 === 0 ? out.push(id) : out.unshift(id)));
  return out;
}

/** The first half repeated behind the middle in reverse; the middle bead of an odd row stays. */
export function mirrored(ids: readonly string[]): string[] {
  const half = ids.slice(0, Math.floor(ids.length / 2));
  const middle = ids.length % 2 === 1 ? [ids[half.length]!] : [];
  return [...half, ...middle, ...half.slice().reverse()];
}

/** Like beads together, in the order in which their kinds first come. */
export function inBlocks(ids: readonly string[]): string[] {
  return [...new Set(ids)].flatMap((id) => ids.filter((other) => other === id));
}

/** Kinds in turn for as long as they last. */
export function alternated(ids: readonly string[]): string[] {
  const left = new Map<string, number>();
  for (const id of ids) left.set(id, (left.get(id) ?? 0) + 1);
  const out: string[] = [];
  while (out.length < ids.length) {
    for (const [id, count] of left) {
      if (count === 0) continue;
      out.push(id);
      left.set(id, count - 1);
    }
  }
  return out;
}
