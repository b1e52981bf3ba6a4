import { Transform } from 'class-transformer';
import { IsOptional } from 'class-validator';
import { TAG_LIMITS } from './limits.js';
import { IsName, IsNames, OrNull } from './rules.js';

const MAX_NAME_LENGTH = 80;

const trimmed = (value: unknown): unknown => (typeof value === 'string' ? value.trim() : value);
const Trimmed = (): PropertyDecorator => Transform(({ value }) => trimmed(value));

/** Keeps a version of a piece, or calls one by another name. */
export class VersionNameDto {
  /** What it is called; null for no name. */
  @OrNull()
  @Trimmed()
  @IsName(MAX_NAME_LENGTH, 'give the version a name, or none')
  name!: string | null;
}

/** What a piece is sorted under. */
export class TagsDto {
  @Transform(({ value }) =>
    Array.isArray(value) ? [...new Set((value as unknown[]).map(trimmed))] : (value as unknown),
  )
  @IsNames(TAG_LIMITS.length, TAG_LIMITS.count)
  tags!: string[];
}

/** Calls a tag otherwise on every piece that has it. */
export class RenameTagDto {
  @IsName(TAG_LIMITS.length)
  from!: string;

  /** Left out to take the tag off them all; one that there is already takes it in. */
  @IsOptional()
  @Trimmed()
  @IsName(TAG_LIMITS.length, 'say what the tag is called')
  to?: string;
}
