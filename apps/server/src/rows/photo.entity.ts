import type { PhotoType } from '@coiled-strand/contract';
import { Column, Entity } from 'typeorm';
import { Owned } from './base.entity.js';

/** A picture of a make. Its bytes are only read when they are asked for. */
@Entity('photo')
export class PhotoRow extends Owned {
  @Column('uuid', { name: 'make_id' })
  makeId!: string;

  @Column('text')
  type!: PhotoType;

  @Column('integer')
  size!: number;

  @Column('bytea', { select: false })
  bytes!: Buffer;

  /** The picture made small, by a job; null until then. */
  @Column('bytea', { select: false, nullable: true })
  thumb!: Buffer | null;
}
