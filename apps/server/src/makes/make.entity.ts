import type { MakeLogDto } from '@coiled-strand/contract';
import type { Piece, Plan } from '@coiled-strand/core';
import { Column, Entity } from 'typeorm';
import { Owned } from '../database/base.entity.js';

/** One making of a piece: as it was planned when it was begun, how far it is, what came of it. */
@Entity('make')
export class MakeRow extends Owned {
  @Column('uuid', { name: 'piece_id' })
  pieceId!: string;

  @Column('json')
  piece!: Piece;

  @Column('json')
  plan!: Plan;

  @Column('integer', { default: 0 })
  done!: number;

  @Column('integer')
  total!: number;

  @Column('json', { nullable: true })
  record!: MakeLogDto | null;

  @Column('timestamptz', { name: 'logged_at', nullable: true })
  loggedAt!: Date | null;

  @Column('timestamptz', { name: 'abandoned_at', nullable: true })
  abandonedAt!: Date | null;
}
