import type { MovementReason, Thing } from '@coiled-strand/workshop';
import { Transform } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsIn,
  IsOptional,
  IsString,
  IsUUID,
  MaxLength,
} from 'class-validator';
import { empty, PageQueryDto } from './page.dto.js';
import {
  IsCents,
  IsCount,
  IsDay,
  IsListOf,
  IsMeasure,
  IsMeasures,
  IsText,
  OrNull,
} from './rules.js';
import { IsThing, THING_KINDS } from './thing.dto.js';

/** What a lot is wound on, tied up or packed as. */
export const LOT_FORMS = ['spool', 'hank', 'skein', 'strand', 'pack', 'loose', 'offcut'] as const;
export type LotForm = (typeof LOT_FORMS)[number];

/** mm of cord, pieces of anything else. */
export const MAX_OF_A_LOT = 10_000_000;
const MAX_GRAMS = 100_000;

/** What is known of a lot besides how much is left of it. */
export class AboutLotDto {
  @IsIn(LOT_FORMS)
  form!: LotForm;

  /** Where it lies. */
  @IsOptional()
  @IsText(120)
  place?: string;

  /** Left out where it was not noted. */
  @IsOptional()
  @IsText(60)
  dyeLot?: string;

  /** What an empty spool or bag weighs, in g. */
  @IsOptional()
  @IsMeasure(0, MAX_GRAMS)
  tare?: number;

  /** What a metre of this very cord weighs, or one piece of anything else, in g; left out where it was not weighed. */
  @IsOptional()
  @IsMeasure(0.0001, MAX_GRAMS)
  grams?: number;

  /** Shorter rests of it are waste, in mm. */
  @IsOptional()
  @IsMeasure(0, 10_000)
  useful?: number;
}

/** Something that was bought: one or more lots alike. */
export class TakeInDto extends AboutLotDto {
  @IsThing()
  thing!: Thing;

  /** Of one lot: mm of cord, pieces of anything else. */
  @IsMeasure(0.1, MAX_OF_A_LOT)
  size!: number;

  /** How many lots. */
  @IsCount(1, 100)
  lots!: number;

  /** What one lot cost; null where nobody knows. */
  @OrNull()
  @IsCents()
  cents!: number | null;

  @IsOptional()
  @IsDay()
  boughtOn?: string;
}

/** Reasons that a maker gives; others come with what is done. */
export const GIVEN_REASONS = [
  'used',
  'lost',
  'given-away',
  'counted',
  'measured',
  'weighed',
] as const satisfies readonly MovementReason[];
export type GivenReason = (typeof GIVEN_REASONS)[number];

/** Something that goes out of a lot, or what is found in it when it is counted, measured or weighed anew. */
export class MoveDto {
  @IsIn(GIVEN_REASONS)
  reason!: GivenReason;

  /** What goes out, or what is found: mm of cord, pieces of anything else. */
  @IsMeasure(0, MAX_OF_A_LOT)
  amount!: number;

  @IsOptional()
  @IsText(400)
  note?: string;

  /** What the scale said, in g. */
  @IsOptional()
  @IsMeasure(0, MAX_GRAMS)
  grams?: number;
}

/** What a strand of a make was cut from, and what came back of it. */
export class MadeFromDto {
  /** Number of the strand, from 1. */
  @IsCount(1, 200)
  strand!: number;

  @IsUUID()
  lot!: string;

  /** In mm. */
  @IsMeasure(1, 1_000_000)
  cut!: number;

  /** Rests that are kept, each a lot of its own from now on, in mm. */
  @IsMeasures(1, 1_000_000, 20)
  offcuts!: number[];
}

export class FromMakeDto {
  @IsUUID()
  make!: string;

  @IsListOf(() => MadeFromDto, 0, 200)
  cords!: MadeFromDto[];
}

export const LOT_STATES = ['left', 'used-up', 'all'] as const;
export type LotState = (typeof LOT_STATES)[number];

/** `least`: that of which least is left comes first, `added`: what was taken in last. */
export const LOT_SORTS = ['name', 'added', 'least'] as const;
export type LotSort = (typeof LOT_SORTS)[number];

export class LotsQueryDto extends PageQueryDto {
  @IsOptional()
  @Transform(empty)
  @IsIn(THING_KINDS)
  kind?: Thing['kind'];

  @IsOptional()
  @Transform(empty)
  @IsIn(LOT_STATES)
  state?: LotState;

  @IsOptional()
  @Transform(empty)
  @IsIn(LOT_SORTS)
  sort?: LotSort;
}

export class ThingsDto {
  /** Keys of things. */
  @IsArray()
  @ArrayMaxSize(400)
  @IsString({ each: true })
  @MaxLength(500, { each: true })
  things!: string[];
}
