import type { PlacedBead } from '../base/kind/part-kind.js';
import type { Need } from '../base/kind/reason.js';
import { partKind } from '../craft/part/registry.js';
import type { Piece } from '../piece/piece.js';
import type { BeadCount, Counters, PartPlan } from './plan-types.js';

/** As near in mm as two places count as the same. */
const SAME_PLACE = 0.5;

/** A bead at its place on the whole piece. */
type Placed = Pick<PlacedBead, 'id' | 'at' | 'spacer' | 'inRow'>;

const serves = ({ kind }: PartPlan): boolean => partKind(kind).entry.forClosure === true;

/** Where the body lies: a loop belongs to the closure, and has no counterpart at the other end. */
function bodyOf(parts: readonly PartPlan[]): { readonly from: number; readonly to: number } {
  const loop = (part: PartPlan | undefined): number =>
    part && serves(part) ? part.layout.length : 0;
  const total = parts.reduce((sum, part) => sum + part.layout.length, 0);
  return {
    from: loop(parts[0]),
    to: total - (parts.length > 1 ? loop(parts.at(-1)) : 0),
  };
}

/** Whether the row of beads and the row of parts are the same from both ends. */
function mirrors(parts: readonly PartPlan[], all: readonly Placed[], middle: number): boolean {
  const same = (a: PartPlan, b: PartPlan): boolean =>
    a.kind === b.kind && Math.abs(a.layout.length - b.layout.length) < SAME_PLACE;
  const body = parts.filter((part) => !serves(part));
  const placed = all.filter((bead) => !bead.inRow);
  return (
    body.every((part, i) => same(part, body[body.length - 1 - i]!)) &&
    placed.every((bead, i) => {
      const other = placed[placed.length - 1 - i]!;
      return bead.id === other.id && Math.abs(bead.at - middle - (middle - other.at)) < SAME_PLACE;
    })
  );
}

function mergeNeeds(needs: readonly Need[]): Need[] {
  const merged = new Map<string, Need>();
  for (const need of needs) {
    const { count = 0 } = merged.get(need.id) ?? {};
    merged.set(need.id, { ...need, count: count + need.count });
  }
  return [...merged.values()];
}

/** What a maker counts on a layout: beads on either side of the middle, pieces of each, findings. */
export function count(piece: Piece, parts: readonly PartPlan[], needs: readonly Need[]): Counters {
  const { from, to } = bodyOf(parts);
  const middle = (from + to) / 2;
  const placed = parts
    .flatMap((part) =>
      part.layout.beads.map((bead): Placed => ({ ...bead, at: part.start + bead.at })),
    )
    .sort((a, b) => a.at - b.at);
  const counted = placed.filter((bead) => !bead.spacer);
  const off = ({ at }: Placed): number => at - middle;
  const counts = new Map<string, number>();
  for (const { id } of placed) counts.set(id, (counts.get(id) ?? 0) + 1);
  const beads = [...counts].map(([id, n]): BeadCount => {
    const bead = piece.beads.find((b) => b.id === id);
    return { id, name: bead?.name ?? id, count: n, inHand: bead?.count ?? null };
  });
  return {
    left: counted.filter((bead) => off(bead) < -SAME_PLACE).length,
    right: counted.filter((bead) => off(bead) > SAME_PLACE).length,
    middle: counted.filter((bead) => Math.abs(off(bead)) <= SAME_PLACE).length,
    symmetric: mirrors(parts, placed, middle),
    beads,
    needs: mergeNeeds([...parts.flatMap((part) => part.layout.needs), ...needs]),
  };
}
