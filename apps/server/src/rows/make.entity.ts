import type { HalfWayDto, MakeLogDto, StageSecondsDto } from '@coiled-strand/contract';
import type {
  Hand,
  Outcome,
  Piece,
  Plan,
  Reached,
  Side,
  Step,
  StepPlace,
} from '@coiled-strand/core';
import { Column, Entity } from 'typeorm';
import { Owned } from './base.entity.js';

/** One making of a piece: as it was planned when it was begun, how far it is, what came of it. */
@Entity('make')
export class MakeRow extends Owned {
  @Column('uuid', { name: 'piece_id' })
  pieceId!: string;

  /** How many-th make of the piece, from 1. */
  @Column('integer')
  number!: number;

  @Column('json')
  piece!: Piece;

  /** Large, and only read where something is worked out from it. */
  @Column('json', { select: false })
  plan!: Plan;

  /** What was known of the hand when it was planned. */
  @Column('json')
  hand!: Hand;

  /** Every action, as it was when the make was begun. Large as well. */
  @Column('json', { select: false })
  steps!: readonly Step[];

  /** Side on which units begin, by the hand that led then. */
  @Column('text', { name: 'first_side' })
  firstSide!: Side;

  /** Where it stands. */
  @Column('json')
  at!: StepPlace;

  /** When that was so. */
  @Column('timestamptz', { name: 'done_at' })
  doneAt!: Date;

  /** The device that said so; null where none has a name. */
  @Column('text', { name: 'done_by', nullable: true })
  doneBy!: string | null;

  /** The last of the changes that each device numbers: what it sends once more was taken already. */
  @Column('json', { default: {} })
  heard!: Readonly<Record<string, number>>;

  /** How far that is. */
  @Column('json')
  reached!: Reached;

  /** Time at the bench by device, so that what is sent twice counts once. */
  @Column('json')
  seconds!: Readonly<Record<string, StageSecondsDto>>;

  /** When each wait was begun, by step; null where it was stopped. */
  @Column('json')
  timers!: Readonly<Record<string, string | null>>;

  /** What was measured half way, the last time; null before. */
  @Column('json', { nullable: true })
  measured!: HalfWayDto | null;

  @Column('json', { nullable: true })
  record!: MakeLogDto | null;

  /** What the record says beside the plan: worked out once, when it is logged or mended. */
  @Column('json', { nullable: true })
  outcome!: Outcome | null;

  @Column('timestamptz', { name: 'logged_at', nullable: true })
  loggedAt!: Date | null;

  @Column('timestamptz', { name: 'abandoned_at', nullable: true })
  abandonedAt!: Date | null;

  /** The line of an order that it is for. */
  @Column('uuid', { name: 'line_id', nullable: true })
  lineId!: string | null;

  /** Minutes at the bench that it was thought to take; null of makes from before that was kept. */
  @Column('double precision', { nullable: true })
  forecast!: number | null;

  /** Why it does not count for what is learnt of the hand. */
  @Column('text', { name: 'set_aside', nullable: true })
  setAside!: string | null;

  /** Its name as it is sorted by; the database writes it itself. */
  @Column({ name: 'sort_name', type: 'text', select: false, insert: false, update: false })
  sortName?: string;

  /** The words in it that it is found by; the database writes them itself. */
  @Column({ type: 'text', select: false, insert: false, update: false })
  search?: string;

  /** Kinds of its parts. */
  @Column({ type: 'jsonb', select: false, insert: false, update: false })
  techniques?: readonly string[];
}
