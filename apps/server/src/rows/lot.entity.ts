import type { LotForm } from '@coiled-strand/contract';
import type { Thing } from '@coiled-strand/workshop';
import { Column, Entity } from 'typeorm';
import { Owned } from './base.entity.js';

/** A spool, hank, pack, strand of beads or offcut that lies in a drawer. */
@Entity('lot')
export class LotRow extends Owned {
  @Column('json')
  thing!: Thing;

  @Column('text', { name: 'thing_key' })
  key!: string;

  @Column('text')
  form!: LotForm;

  @Column('text')
  place!: string;

  @Column('text', { name: 'dye_lot', nullable: true })
  dyeLot!: string | null;

  /** '2026-11-03' */
  @Column('text', { name: 'bought_on', nullable: true })
  boughtOn!: string | null;

  @Column('integer', { nullable: true })
  cents!: number | null;

  /** When it was new: mm of cord, pieces of anything else. */
  @Column('double precision')
  size!: number;

  /** The sum of its movements, kept by whoever writes one. */
  @Column('double precision', { name: 'left_over' })
  left!: number;

  /** Whether nothing went out of it yet. */
  @Column('boolean')
  whole!: boolean;

  @Column('uuid', { name: 'parent_id', nullable: true })
  parent!: string | null;

  @Column('double precision', { nullable: true })
  tare!: number | null;

  @Column('double precision', { nullable: true })
  grams!: number | null;

  @Column('double precision', { nullable: true })
  useful!: number | null;

  /** Its name as it is sorted by; the database writes it itself. */
  @Column({ name: 'sort_name', type: 'text', select: false, insert: false, update: false })
  sortName?: string;

  /** The words in it that it is found by; the database writes them itself. */
  @Column({ type: 'text', select: false, insert: false, update: false })
  search?: string;

  /** What its thing is; the database writes it itself. */
  @Column({ type: 'text', select: false, insert: false, update: false })
  kind?: string;
}
