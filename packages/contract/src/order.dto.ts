import { Transform } from 'class-transformer';
import { IsIn, IsOptional, IsUUID } from 'class-validator';
import { empty, PageQueryDto } from './page.dto.js';
import { IsCents, IsCount, IsDay, IsListOf, IsName, IsText, OrNull } from './rules.js';

/** From the first word to the last; an order can be called off at any time before it is handed over. */
export const ORDER_STATES = [
  'asked',
  'promised',
  'in-work',
  'ready',
  'handed-over',
  'called-off',
] as const;
export type OrderState = (typeof ORDER_STATES)[number];

/** Some pieces alike. */
export class OrderLineDto {
  /** Of a line that is there already. */
  @IsOptional()
  @IsUUID()
  id?: string;

  /** The piece on the bench; null where it is still to be laid out. */
  @OrNull()
  @IsUUID()
  pieceId!: string | null;

  /** What is wanted, in words: its name, its size, its colour. */
  @IsName(120)
  what!: string;

  @IsOptional()
  @IsText(120)
  size?: string;

  @IsOptional()
  @IsText(120)
  colour?: string;

  @IsCount(1, 1000)
  number!: number;
}

export class OrderDto {
  /** A name and how to reach them; nothing more is asked. */
  @IsName(120)
  customer!: string;

  @IsOptional()
  @IsText(200)
  contact?: string;

  @IsListOf(() => OrderLineDto, 1, 60)
  lines!: OrderLineDto[];

  /** The day it was promised for; null where none was. */
  @OrNull()
  @IsDay()
  promisedFor!: string | null;

  /** What was agreed for all of it; null where nothing was. */
  @OrNull()
  @IsCents()
  price!: number | null;

  @IsCents()
  paid!: number;

  @IsOptional()
  @IsText(4000)
  note?: string;
}

/** An order as it can be sent back: without what is counted of its lines. */
export const orderDtoOf = <T extends OrderLineDto>(
  order: Omit<OrderDto, 'lines'> & { readonly lines: readonly T[] },
): OrderDto => ({
  ...order,
  lines: order.lines.map(({ id, pieceId, what, size, colour, number }) => ({
    id,
    pieceId,
    what,
    size,
    colour,
    number,
  })),
});

export class OrderStateDto {
  @IsIn(ORDER_STATES)
  state!: OrderState;
}

export const ORDER_FILTERS = ['open', 'closed', 'all'] as const;
export type OrderFilter = (typeof ORDER_FILTERS)[number];
export const ORDER_SORTS = ['due', 'asked'] as const;
export type OrderSort = (typeof ORDER_SORTS)[number];

export class OrdersQueryDto extends PageQueryDto {
  @IsOptional()
  @Transform(empty)
  @IsIn(ORDER_FILTERS)
  state?: OrderFilter;

  @IsOptional()
  @Transform(empty)
  @IsIn(ORDER_SORTS)
  sort?: OrderSort;
}

/** The line of an order that a make is for; null for none. */
export class MakeLineDto {
  @OrNull()
  @IsUUID()
  line!: string | null;
}
