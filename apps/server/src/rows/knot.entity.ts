import type { DrawnKnotDto } from '@coiled-strand/contract';
import { Column, Entity } from 'typeorm';
import { StashItem } from './list.entities.js';

/** A knot that somebody of the workshop drew; pieces keep copies of it as it was. */
@Entity('knot')
export class KnotRow extends StashItem<DrawnKnotDto> {
  /** Rises with every change. */
  @Column('integer', { default: 1 })
  version!: number;
}
