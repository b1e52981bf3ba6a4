import type { CordKind, HandKey, Lesson, Measure, Observation } from '@coiled-strand/core';
import { Column, Entity } from 'typeorm';
import { Owned } from './base.entity.js';

/** What a hand's factor is kept for. */
abstract class Keyed extends Owned implements HandKey {
  @Column('text')
  technique!: string;

  @Column('text', { name: 'cord_kind' })
  cordKind!: CordKind;

  @Column('text')
  measure!: Measure;
}

/** One thing that a make or a swatch says of the hand. */
@Entity('evidence')
export class EvidenceRow extends Keyed {
  @Column('text')
  source!: 'make' | 'swatch';

  @Column('uuid', { name: 'source_id' })
  sourceId!: string;

  /** When it was measured: what came last counts most. */
  @Column('timestamptz')
  at!: Date;

  @Column('text')
  label!: string;

  /** Why it does not count; null where it counts. */
  @Column('text', { name: 'set_aside', nullable: true })
  setAside!: string | null;

  @Column('json')
  observation!: Observation;
}

/** What was learnt, without all that it rests on. */
export interface Learnt extends Pick<Lesson, 'before' | 'after' | 'trend'> {
  /** When the first of what it rests on was measured. */
  readonly since: string;
  /** How odd the last ones are, by the evidence's id; see `surprises`. */
  readonly surprise: Readonly<Record<string, number>>;
}

/** What was learnt of one technique in one kind of cord, kept up with its evidence. */
@Entity('lesson')
export class LessonRow extends Keyed {
  @Column('json')
  learnt!: Learnt;
}
