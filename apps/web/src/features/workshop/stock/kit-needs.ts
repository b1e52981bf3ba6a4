import { planPiece, type Hand, type Piece, type Wearer } from '@coiled-strand/core';
import { needsOf, thingKey, type NeededCut, type PieceNeeds } from '@coiled-strand/workshop';

/** What one pack holds for a range of sizes, and the sizes that cannot be made. */
export interface KitNeeds {
  readonly needs: PieceNeeds;
  /** Names of wearers for whom the piece cannot be planned. */
  readonly unfit: readonly string[];
}

/** A pack long enough for the largest of its sizes: of each cut the longest, of each bead the most. */
export function kitNeeds(piece: Piece, wearers: readonly Wearer[], hand: Hand): KitNeeds {
  const unfit: string[] = [];
  const cuts = new Map<string, NeededCut>();
  const things = new Map<string, PieceNeeds['things'][number]>();
  for (const wearer of wearers) {
    const sized = { ...piece, wearer };
    const plan = planPiece(sized, hand);
    if (!plan.ok || plan.unmakeable) {
      unfit.push(wearer.name);
      continue;
    }
    const needs = needsOf(sized, plan);
    for (const cut of needs.cuts) {
      if (cut.length > (cuts.get(cut.id)?.length ?? 0)) cuts.set(cut.id, cut);
    }
    for (const one of needs.things) {
      const key = thingKey(one.thing);
      if (one.count > (things.get(key)?.count ?? 0)) things.set(key, one);
    }
  }
  return { needs: { cuts: [...cuts.values()], things: [...things.values()] }, unfit };
}
