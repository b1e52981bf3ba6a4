import type { Piece } from '@coiled-strand/core';
import { Column, Entity, UpdateDateColumn } from 'typeorm';
import { Owned } from './base.entity.js';

@Entity('piece')
export class PieceRow extends Owned {
  /** Rises with every change; two windows compare it before they write. */
  @Column('integer', { default: 1 })
  version!: number;

  @Column('json')
  spec!: Piece;

  /** The id of the request that changed it last, where that had one. */
  @Column('text', { name: 'changed_by', nullable: true })
  changedBy!: string | null;

  @UpdateDateColumn({ name: 'updated_at', type: 'timestamptz' })
  updatedAt!: Date;

  /** Set when the piece was put away; it can be brought back. */
  @Column('timestamptz', { name: 'archived_at', nullable: true })
  archivedAt!: Date | null;

  /** What the maker sorts it under, in the order in which it was said. */
  @Column('text', { array: true, default: [] })
  tags!: string[];

  /** Its name as it is sorted by; the database writes it itself. */
  @Column({ name: 'sort_name', type: 'text', select: false, insert: false, update: false })
  sortName?: string;

  /** The words in it that it is found by; the database writes them itself. */
  @Column({ type: 'text', select: false, insert: false, update: false })
  search?: string;
}
