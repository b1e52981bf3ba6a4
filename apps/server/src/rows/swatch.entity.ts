import type { SwatchDto } from '@coiled-strand/contract';
import { Column, Entity } from 'typeorm';
import { Owned } from './base.entity.js';

/** A few units tied to be measured. */
@Entity('swatch')
export class SwatchRow extends Owned {
  @Column('json')
  value!: SwatchDto;

  /** Why it does not count for what is learnt of the hand. */
  @Column('text', { name: 'set_aside', nullable: true })
  setAside!: string | null;
}
