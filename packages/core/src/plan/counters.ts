import type { Need } from '../kind/reason.js';
import type { Piece } from '../piece/piece.js';
import type { BeadCount, Counters, PartPlan } from './plan-types.js';

/** As near in mm as two places count as the same. */
const SAME_PLACE = 0.5;

interface Placed {
  readonly id: string;
  readonly at: number;
  /** Whether it lies by itself, and not in a row that is alike both ways as a whole. */
  readonly alone: boolean;
}

/** Where the body lies: a loop belongs to the closure, and has no counterpart at the other end. */
function bodyOf(parts: readonly PartPlan[]): { readonly from: number; readonly to: number } {
  const loop = (part: PartPlan | undefined): number =>
    part?.kind === 'loop' ? part.layout.length : 0;
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
  const body = parts.filter((part) => part.kind !== 'loop');
  const placed = all.filter((bead) => bead.alone);
  return (
    body.every((part, i) => same(part, body[body.length - 1 - i]!)) &&
    placed.every((bead, i) => {
      const other = placed[placed.length - 1 - i]!;
      return bead.id === other.id && Math.abs(bead.at - middle - (middle - other.at)) < SAME_PLACE;
    })
  );
}

function mergeNeeds(needs: readonly Need[]): Need[] {
  const counts = new Map<string, number>();
  for (const { label, count } of needs) counts.set(label, (counts.get(label) ?? 0) + count);
  return [...counts].map(([label, count]) => ({ label, count }));
}

/** What a maker counts on a layout: beads on either side of the middle, pieces of each, findings. */
export function count(piece: Piece, parts: readonly PartPlan[], needs: readonly Need[]): Counters {
  const { from, to } = bodyOf(parts);
  const middle = (from + to) / 2;
  const placed = parts
    .flatMap((part) =>
      part.layout.beads.map(({ id, at }): Placed => ({
        id,
        at: part.start + at,
        alone: part.kind !== 'alternating-beads',
      })),
    )
    .sort((a, b) => a.at - b.at);
  const off = ({ at }: Placed): number => at - middle;
  const counts = new Map<string, number>();
  for (const { id } of placed) counts.set(id, (counts.get(id) ?? 0) + 1);
  const beads = [...counts].map(([id, n]): BeadCount => {
    const bead = piece.beads.find((b) => b.id === id);
    return { id, name: bead?.name ?? id, count: n, inHand: bead?.count ?? null };
  });
  return {
    left: placed.filter((bead) => off(bead) < -SAME_PLACE).length,
    right: placed.filter((bead) => off(bead) > SAME_PLACE).length,
    middle: placed.filter((bead) => Math.abs(off(bead)) <= SAME_PLACE).length,
    symmetric: mirrors(parts, placed, middle),
    beads,
    needs: mergeNeeds([...parts.flatMap((part) => part.layout.needs), ...needs]),
  };
}
