import type { Piece } from '@coiled-strand/core';
import { Column, Entity } from 'typeorm';
import { Owned } from './base.entity.js';

/** A piece as it was before. */
@Entity('piece_version')
export class VersionRow extends Owned {
  @Column('uuid', { name: 'piece_id' })
  pieceId!: string;

  /** Number that the piece had then. */
  @Column('integer')
  version!: number;

  /** When it was changed to be so. */
  @Column('timestamptz', { name: 'changed_at' })
  changedAt!: Date;

  @Column('json')
  spec!: Piece;

  /** What the maker calls it; null where it was kept by itself. */
  @Column('text', { nullable: true })
  name!: string | null;
}
