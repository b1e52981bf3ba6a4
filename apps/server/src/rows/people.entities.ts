import type { Deed, PreferencesDto, Role } from '@coiled-strand/contract';
import { Column, CreateDateColumn, Entity, PrimaryGeneratedColumn } from 'typeorm';
import { Owned } from './base.entity.js';

/** Somebody with an account; in which workshops they are is told by `MemberRow`. */
@Entity('person')
export class PersonRow {
  @PrimaryGeneratedColumn('uuid')
  id!: string;

  @Column('text')
  name!: string;

  /** Unique without regard to capitals. */
  @Column('text', { name: 'sign_in' })
  signIn!: string;

  /** argon2id, with its parameters and salt in it; null until a password was chosen. */
  @Column('text', { name: 'password_hash', nullable: true })
  passwordHash!: string | null;

  /** What they prefer in every workshop; null until they have chosen something. */
  @Column('jsonb', { nullable: true })
  preferences!: PreferencesDto | null;

  @CreateDateColumn({ name: 'created_at', type: 'timestamptz' })
  createdAt!: Date;
}

@Entity('member')
export class MemberRow extends Owned {
  @Column('uuid', { name: 'person_id' })
  personId!: string;

  @Column('text')
  role!: Role;
}

/** A device that somebody is signed in on. */
@Entity('session')
export class SessionRow {
  @PrimaryGeneratedColumn('uuid')
  id!: string;

  /** SHA-256 of what the cookie holds: who reads the database cannot sign in with it. */
  @Column('bytea', { name: 'token_hash' })
  tokenHash!: Buffer;

  @Column('uuid', { name: 'person_id' })
  personId!: string;

  /** The workshop that is worked in. */
  @Column('uuid', { name: 'workshop_id', nullable: true })
  workshopId!: string | null;

  @Column('text')
  agent!: string;

  @Column('text')
  address!: string;

  @Column('timestamptz', { name: 'seen_at' })
  seenAt!: Date;

  @CreateDateColumn({ name: 'created_at', type: 'timestamptz' })
  createdAt!: Date;
}

/** An invitation, or leave to choose a new password. It holds once. */
@Entity('link')
export class LinkRow extends Owned {
  @Column('text')
  kind!: 'invitation' | 'password';

  @Column('bytea', { name: 'token_hash' })
  tokenHash!: Buffer;

  @Column('text', { nullable: true })
  role!: Role | null;

  /** Whose password it is for. */
  @Column('uuid', { name: 'person_id', nullable: true })
  personId!: string | null;

  @Column('text')
  who!: string;

  @Column('uuid', { name: 'made_by', nullable: true })
  madeBy!: string | null;

  @Column('timestamptz')
  until!: Date;
}

/** A line of the trail. It is only ever added to, and holds nothing that is said of a person. */
@Entity('trail')
export class TrailRow extends Owned {
  @Column('uuid', { name: 'person_id', nullable: true })
  personId!: string | null;

  @Column('text')
  did!: Deed;

  /** What it was done to, by its id. */
  @Column('uuid', { nullable: true })
  subject!: string | null;

  @Column('text', { nullable: true })
  more!: string | null;
}

/** A copy of the workshop that was made by the clock, and lies on the disk of a machine. */
@Entity('backup')
export class BackupRow extends Owned {
  @Column('text')
  file!: string;

  /** Its size; a number as a text, as the database tells it. */
  @Column('bigint')
  bytes!: string;

  @Column('text')
  machine!: string;
}
