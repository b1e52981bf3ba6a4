import type { Thing } from '@coiled-strand/workshop';
import { IsBoolean, IsOptional } from 'class-validator';
import { AboutLotDto, MAX_OF_A_LOT } from './lot.dto.js';
import { IsCents, IsCount, IsDay, IsListOf, IsMeasure, IsName, IsText, OrNull } from './rules.js';
import { IsThing } from './thing.dto.js';

/** How a thing is sold somewhere. */
export class PackDto {
  @IsThing()
  thing!: Thing;

  /** As a shop says it: 'spool of 30 m', 'strand of 40'. */
  @IsName(80)
  label!: string;

  /** mm of cord, pieces of anything else. */
  @IsMeasure(0.1, MAX_OF_A_LOT)
  size!: number;

  @IsCents()
  cents!: number;
}

/** Something on the list that is taken along. */
export class ShoppingItemDto {
  @IsThing()
  thing!: Thing;

  @IsName(80)
  label!: string;

  /** Of one pack: mm of cord, pieces of anything else. */
  @IsMeasure(0.1, MAX_OF_A_LOT)
  size!: number;

  /** Of one pack; null where nobody knows. */
  @OrNull()
  @IsCents()
  cents!: number | null;

  /** How many packs. */
  @IsCount(1, 10_000)
  count!: number;

  /** What it is for. */
  @IsOptional()
  @IsText(400)
  note?: string;
}

export class ShoppingDto {
  @IsListOf(() => ShoppingItemDto, 1, 400)
  items!: ShoppingItemDto[];
}

export class TickDto {
  @IsBoolean()
  ticked!: boolean;
}

/** What came: it goes into the stash, each pack a lot. */
export class ArrivedDto extends AboutLotDto {
  @IsCount(1, 100)
  count!: number;

  /** What one pack cost in the end; null where nobody knows. */
  @OrNull()
  @IsCents()
  cents!: number | null;

  @IsOptional()
  @IsDay()
  boughtOn?: string;
}
