import type { Lying, PartLayout, PartSite } from '../base/kind/part-kind.js';
import { partKind } from '../craft/part/registry.js';
import type { Piece } from '../piece/piece.js';

/**
 * How the cords of every part lie where it begins: plaits and bands change their order, and what follows
 * goes on from there. Undefined where a part begins anew: first of all, or after cords went together
 * through a knot or a hole, out of which they come in no order.
 *
 * @param sites of the parts, and their layouts, in their order
 */
export function lyingOf(
  piece: Piece,
  sites: readonly PartSite[],
  layouts: readonly PartLayout[],
): (Lying | undefined)[] {
  let now: Lying | undefined;
  return piece.parts.map((part, i) => {
    const kind = partKind(part.kind);
    const site = sites[i]!;
    const same = now?.order.length === site.runs.length;
    const lies = kind.entry.lateral && !kind.order && same ? now : undefined;
    if (kind.liesAfter) {
      const runs = lies
        ? lies.order.map((index) => site.runs.find((run) => run.index === index)!)
        : site.runs;
      now = kind.liesAfter(part, { ...site, runs, crossed: lies?.crossed ?? 0 }, layouts[i]!);
    } else if (!kind.entry.keepsOrder || !same) now = undefined;
    return lies;
  });
}
