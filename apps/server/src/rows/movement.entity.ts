import type { MovementReason } from '@coiled-strand/workshop';
import { Column, Entity } from 'typeorm';
import { Owned } from './base.entity.js';

/** A line of a lot's ledger. It is never changed and never taken away. */
@Entity('movement')
export class MovementRow extends Owned {
  @Column('uuid', { name: 'lot_id' })
  lotId!: string;

  @Column('double precision')
  amount!: number;

  @Column('text')
  reason!: MovementReason;

  @Column('text')
  note!: string;

  @Column('double precision', { nullable: true })
  grams!: number | null;

  @Column('uuid', { name: 'make_id', nullable: true })
  makeId!: string | null;

  /** Number of the strand of the make. */
  @Column('integer', { nullable: true })
  strand!: number | null;

  @Column('uuid', { name: 'cutting_id', nullable: true })
  cuttingId!: string | null;

  /** Which cut of the session it was. */
  @Column('text', { name: 'cut_id', nullable: true })
  cutId!: string | null;

  @Column('uuid', { name: 'kit_id', nullable: true })
  kitId!: string | null;

  @Column('uuid', { nullable: true })
  undoes!: string | null;
}
