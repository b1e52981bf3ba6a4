import type { FittingDto, PackDto } from '@coiled-strand/contract';
import type { Bead, Cord, Wearer } from '@coiled-strand/core';
import { LISTS, type ListId } from '@coiled-strand/workshop';
import { Column, Entity } from 'typeorm';
import { Owned } from './base.entity.js';

/** A thing a maker keeps on a list and copies into pieces. */
export abstract class StashItem<T extends object> extends Owned {
  @Column('json')
  value!: T;
}

@Entity(LISTS.wearers.table)
export class WearerItem extends StashItem<Wearer> {}

@Entity(LISTS.cords.table)
export class CordItem extends StashItem<Cord> {}

@Entity(LISTS.beads.table)
export class BeadItem extends StashItem<Bead> {}

/** A closure to choose from: a buckle, a button, a clasp. */
@Entity(LISTS.fittings.table)
export class FittingItem extends StashItem<FittingDto> {}

/** How a thing is sold somewhere. */
@Entity(LISTS.packs.table)
export class PackItem extends StashItem<PackDto> {}

/** The rows of each list. */
export const LIST_ROWS = {
  wearers: WearerItem,
  cords: CordItem,
  beads: BeadItem,
  fittings: FittingItem,
  packs: PackItem,
} as const satisfies Readonly<Record<ListId, new () => StashItem<object>>>;
