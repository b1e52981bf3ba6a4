import type {
  CuttingSessionDto,
  KitDto,
  OrderState,
  ShoppingItemDto,
} from '@coiled-strand/contract';
import { Column, Entity } from 'typeorm';
import { Owned } from './base.entity.js';

/** A cutting session as it was planned; what was cut of it stands in the ledger. */
@Entity('cutting')
export class CuttingRow extends Owned {
  @Column('text')
  name!: string;

  @Column('json')
  session!: CuttingSessionDto;

  @Column('timestamptz', { name: 'closed_at', nullable: true })
  closedAt!: Date | null;
}

/** Something on the list of what is to be bought. */
@Entity('shopping')
export class ShoppingRow extends Owned {
  @Column('json')
  item!: ShoppingItemDto;

  @Column('boolean')
  ticked!: boolean;

  /** How many packs of it came. */
  @Column('integer')
  arrived!: number;
}

/** Packs for other hands. */
@Entity('kit')
export class KitRow extends Owned {
  @Column('uuid', { name: 'piece_id' })
  pieceId!: string;

  @Column('json')
  kit!: KitDto;

  @Column('integer')
  packed!: number;
}

/** Somebody who ordered something. */
@Entity('customer')
export class CustomerRow extends Owned {
  @Column('text')
  name!: string;

  @Column('text')
  contact!: string;

  /** When name and contact were forgotten. */
  @Column('timestamptz', { name: 'forgotten_at', nullable: true })
  forgottenAt!: Date | null;
}

@Entity('customer_order')
export class OrderRow extends Owned {
  @Column('uuid', { name: 'customer_id' })
  customerId!: string;

  @Column('text')
  state!: OrderState;

  /** '2026-12-17' */
  @Column('text', { name: 'promised_for', nullable: true })
  promisedFor!: string | null;

  /** In cents. */
  @Column('integer', { nullable: true })
  price!: number | null;

  @Column('integer')
  paid!: number;

  @Column('text')
  note!: string;

  @Column('timestamptz', { name: 'changed_at' })
  changedAt!: Date;

  /** The last day of all where none was promised; the database writes it itself. */
  @Column({ type: 'text', select: false, insert: false, update: false })
  due?: string;

  @Column({ type: 'boolean', select: false, insert: false, update: false })
  closed?: boolean;
}

@Entity('order_line')
export class OrderLineRow extends Owned {
  @Column('uuid', { name: 'order_id' })
  orderId!: string;

  /** How many-th line it is, from 0. */
  @Column('integer')
  place!: number;

  @Column('uuid', { name: 'piece_id', nullable: true })
  pieceId!: string | null;

  @Column('text')
  what!: string;

  @Column('text')
  size!: string;

  @Column('text')
  colour!: string;

  @Column('integer')
  number!: number;
}
