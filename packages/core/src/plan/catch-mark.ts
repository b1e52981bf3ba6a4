import type { CordId } from '../base/action/action.js';
import { partKind } from '../craft/part/registry.js';
import type { Piece } from '../piece/piece.js';
import type { Plan } from './plan-types.js';

/**
 * Where a cord is marked that has its stone in the middle of its work: what lies before that, half of the loop, and half
 * of what is not in the parts, since the closure takes alike of both sides.
 *
 * @returns mm from the start of the cord; null where it needs no such mark
 */
export function catchMark(piece: Piece, plan: Plan, cord: CordId): number | null {
  const at = piece.parts.findIndex((part) => partKind(part.kind).entry.fromMiddle);
  const strand = plan.strands.find(({ number }) => number === cord);
  if (at < 0 || strand?.fold !== null) return null;
  const used = (from: number, to: number): number =>
    plan.parts
      .slice(from, to)
      .flatMap(({ layout }) => layout.uses)
      .filter((use) => use.strand === cord)
      .reduce((sum, { reason }) => sum + reason.mm, 0);
  const [before, own, after] = [used(0, at), used(at, at + 1), used(at + 1, plan.parts.length)];
  return (strand.cut - before - own - after) / 2 + before + own / 2;
}
