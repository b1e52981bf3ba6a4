import type { CutDto } from '@coiled-strand/contract';
import { planPiece, type Cord, type Hand, type Piece } from '@coiled-strand/core';
import { needsOf, thingKey, type PieceNeeds, type Thing } from '@coiled-strand/workshop';

/** Some pieces alike that are to be cut, bought or packed for. */
export interface Wish {
  readonly id: string;
  readonly pieceId: string;
  readonly piece: Piece;
  /** What it is called on labels: the piece, and for whom. */
  readonly name: string;
  readonly number: number;
}

/** What wishes take, all of them together. */
export interface Demand {
  readonly cuts: readonly CutDto[];
  /** The cords behind the cuts, by key. */
  readonly cords: ReadonlyMap<string, Cord>;
  readonly things: readonly CountedThing[];
  /** Names of those that cannot be planned as they are. */
  readonly unplanned: readonly string[];
}

export interface CountedThing {
  readonly key: string;
  readonly thing: Thing;
  readonly count: number;
}

const cutId = (wish: string, copy: number, need: string): string =>
  `${wish}.${copy}.${need}`.slice(0, 80);

/** Plans each piece once and counts what all of them take. */
export function demandOf(wishes: readonly Wish[], hand: Hand): Demand {
  const unplanned: string[] = [];
  const planned = wishes.flatMap((wish) => {
    const plan = planPiece(wish.piece, hand);
    if (plan.ok && !plan.unmakeable) return [{ wish, needs: needsOf(wish.piece, plan) }];
    unplanned.push(wish.name);
    return [];
  });
  return { ...addUp(planned), unplanned };
}

/** What some needs come to, each so many times. */
export function addUp(
  all: readonly { readonly wish: Omit<Wish, 'piece'>; readonly needs: PieceNeeds }[],
): Omit<Demand, 'unplanned'> {
  const cords = new Map<string, Cord>();
  const counted = new Map<string, CountedThing>();
  const cuts: CutDto[] = [];
  for (const { wish, needs } of all) {
    for (let copy = 1; copy <= wish.number; copy++) {
      for (const { id, strand, role, cord, length, fold } of needs.cuts) {
        const thing = thingKey({ kind: 'cord', cord });
        cords.set(thing, cord);
        cuts.push({
          ...{ id: cutId(wish.id, copy, id), thing, cord: cord.name, colour: cord.colour.hex },
          ...{ length, piece: wish.name, copy, role, pieceId: wish.pieceId },
          ...(strand === null ? {} : { strand }),
          ...(fold === null ? {} : { fold }),
        });
      }
    }
    for (const { thing, count } of needs.things) {
      const key = thingKey(thing);
      const before = counted.get(key)?.count ?? 0;
      counted.set(key, { key, thing, count: before + count * wish.number });
    }
  }
  return { cuts, cords, things: [...counted.values()] };
}
