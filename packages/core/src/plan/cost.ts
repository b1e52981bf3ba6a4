import { partKind } from '../craft/part/registry.js';
import type { Piece } from '../piece/piece.js';

/** How much work a piece is to plan: knots, stitches and turns times the cords that they are made with. */
export interface PlanCost {
  readonly sum: number;
  /** The part that is most of it, by its place from 0; null where there are none. */
  readonly most: { readonly index: number; readonly cost: number } | null;
}

/**
 * A cheap estimate, from the counts that a piece names itself: nothing is laid out. It is no time; it tells a
 * piece that somebody wears from one that would keep a computer busy.
 *
 * @example planCost({ strands: [], parts: [] }).sum // 0
 */
export function planCost({ strands, parts }: Pick<Piece, 'strands' | 'parts'>): PlanCost {
  const runs = strands.reduce((sum, { legs }) => sum + legs.length, 0);
  const costs = parts.map((part) => {
    const values = part as unknown as Readonly<Record<string, unknown>>;
    const counts = partKind(part.kind).fields.map((field) => {
      const value = values[field.key];
      return field.type === 'count' && typeof value === 'number' ? Math.max(1, value) : 1;
    });
    return runs * counts.reduce((product, count) => product * count, 1);
  });
  const cost = Math.max(...costs);
  return {
    sum: costs.reduce((sum, one) => sum + one, 0),
    most: costs.length > 0 ? { index: costs.indexOf(cost), cost } : null,
  };
}
