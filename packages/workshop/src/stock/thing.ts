import type { Bead, Cord } from '@coiled-strand/core';

/** What lies in a lot. Findings are known by the name that the needs of a plan call them. */
export type Thing =
  | { readonly kind: 'cord'; readonly cord: Cord }
  | { readonly kind: 'bead'; readonly bead: Bead }
  | { readonly kind: 'finding'; readonly name: string };
export type ThingKind = Thing['kind'];

/**
 * What makes two things the same: a lot of one can stand for the other. Prices, counts and what was measured of
 * them may differ.
 *
 * @example thingKey({ kind: 'finding', name: 'Ring' }) // 'finding|Ring'
 */
export function thingKey(thing: Thing): string {
  switch (thing.kind) {
    case 'cord': {
      const { name, kind, diameter, colour } = thing.cord;
      return ['cord', kind, diameter, colour.hex.toLowerCase(), name].join('|');
    }
    case 'bead': {
      const { name, shape, length, height, hole, colour } = thing.bead;
      return ['bead', shape, length, height, hole, colour.hex.toLowerCase(), name].join('|');
    }
    case 'finding':
      return `finding|${thing.name}`;
  }
}

/** What could take its place but for its colour. */
export const likeKey = ({ kind, diameter }: Pick<Cord, 'kind' | 'diameter'>): string =>
  `${kind}|${diameter}`;

/** What it is called. */
export const thingName = (thing: Thing): string =>
  thing.kind === 'cord' ? thing.cord.name : thing.kind === 'bead' ? thing.bead.name : thing.name;
