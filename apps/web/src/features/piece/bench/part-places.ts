import { roomOf, type BenchDrawing, type Bounds, type Plan } from '@coiled-strand/core';

export interface PartPlace {
  readonly id: string;
  readonly from: number;
  readonly to: number;
}

/** Where every part lies along the bench. */
export const partPlaces = (plan: Plan): PartPlace[] =>
  plan.parts.map(({ id, start, layout }) => ({
    id,
    from: start,
    to: start + layout.length,
  }));

/**
 * The seam nearest to a place: 0 before the first part, their number behind the last.
 *
 * @param at mm along the bench
 */
export function seamAt(places: readonly Pick<PartPlace, 'from' | 'to'>[], at: number): number {
  const index = places.findIndex(({ from, to }) => at < (from + to) / 2);
  return index < 0 ? places.length : index;
}

/** Millimetre of a seam. */
export const placeOfSeam = (
  places: readonly Pick<PartPlace, 'from' | 'to'>[],
  seam: number,
): number => places[seam]?.from ?? places.at(-1)?.to ?? 0;

/** The room that each part takes as it is drawn, in mm: what hangs from it is a part of it. */
export const partExtents = ({ layers }: BenchDrawing): ReadonlyMap<string, Bounds> =>
  new Map(
    layers.flatMap(({ key, x, shapes }) => {
      const room = roomOf(shapes);
      return room ? [[key, { ...room, x: room.x + x }] as const] : [];
    }),
  );
