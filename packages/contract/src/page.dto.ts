import { Transform, Type } from 'class-transformer';
import { IsIn, IsOptional, IsUUID } from 'class-validator';
import { IsCount, IsName, IsText } from './rules.js';

const MAX_PAGE = 100;

/** Nothing asked for is as good as not asked. */
export const empty = ({ value }: { readonly value: unknown }): unknown =>
  value === '' ? undefined : value;

/** Which page of a list is asked for. */
export class PageQueryDto {
  /** Words that are looked for; each must be somewhere. */
  @IsOptional()
  @Transform(empty)
  @IsText(200)
  q?: string;

  /** How many things at most. */
  @IsOptional()
  @Type(() => Number)
  @IsCount(1, MAX_PAGE)
  limit?: number;

  /** The last thing of the page before: what comes after it is wanted. */
  @IsOptional()
  @Transform(empty)
  @IsUUID()
  after?: string;
}

/** `changed`: what was changed last comes first; `laid`: in the order in which they were laid on the bench. */
export const PIECE_SORTS = ['changed', 'laid', 'name'] as const;
export type PieceSort = (typeof PIECE_SORTS)[number];

export class PiecesQueryDto extends PageQueryDto {
  @IsOptional()
  @IsIn(PIECE_SORTS)
  sort?: PieceSort;

  /** Those that its maker sorts under this. */
  @IsOptional()
  @Transform(empty)
  @IsName(40)
  tag?: string;
}

/** `begun` and `logged`: what was begun or logged last comes first. */
export const MAKE_SORTS = ['begun', 'logged', 'name'] as const;
export type MakeSort = (typeof MAKE_SORTS)[number];

export const MAKE_STATES = ['logged', 'under-way'] as const;
export type MakeState = (typeof MAKE_STATES)[number];

export class MakesQueryDto extends PageQueryDto {
  @IsOptional()
  @IsIn(MAKE_SORTS)
  sort?: MakeSort;

  @IsOptional()
  @Transform(empty)
  @IsIn(MAKE_STATES)
  state?: MakeState;

  /** Kind of part that they hold. */
  @IsOptional()
  @Transform(empty)
  @IsName(40)
  technique?: string;

  /** Those of one piece. */
  @IsOptional()
  @Transform(empty)
  @IsUUID()
  piece?: string;
}

export const PHOTO_SORTS = ['newest', 'oldest'] as const;
export type PhotoSort = (typeof PHOTO_SORTS)[number];

export class PhotosQueryDto extends PageQueryDto {
  @IsOptional()
  @IsIn(PHOTO_SORTS)
  sort?: PhotoSort;
}
