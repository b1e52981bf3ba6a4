import type { FittingDto, PackDto } from '@coiled-strand/contract';
import type { Bead, Cord, Wearer } from '@coiled-strand/core';
import { Column, Entity } from 'typeorm';
import { Owned } from './base.entity.js';

/** A thing a maker keeps on a list and copies into pieces. */
export abstract class StashItem<T extends object> extends Owned {
  @Column('json')
  value!: T;
}

@Entity('wearer')
export class WearerItem extends StashItem<Wearer> {}

@Entity('cord')
export class CordItem extends StashItem<Cord> {}

@Entity('bead')
export class BeadItem extends StashItem<Bead> {}

/** A closure to choose from: a buckle, a button, a clasp. */
@Entity('fitting')
export class FittingItem extends StashItem<FittingDto> {}

/** How a thing is sold somewhere. */
@Entity('pack')
export class PackItem extends StashItem<PackDto> {}
