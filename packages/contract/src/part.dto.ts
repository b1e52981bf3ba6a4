import { LEG_ROLES, PART_KINDS, type LegRole, type PartBase } from '@coiled-strand/core';
import { ArrayMaxSize, IsArray, IsIn, IsOptional } from 'class-validator';
import { IsId } from './rules.js';
import { classNameOf, dtoOf } from './dto-of-fields.js';

/** What all parts have; a part of an unknown kind is checked by this alone, and refused for its kind. */
export class PartDto implements PartBase {
  @IsId()
  id!: string;

  @IsIn(PART_KINDS.map((kind) => kind.entry.id))
  kind!: string;

  @IsOptional()
  @IsArray()
  @ArrayMaxSize(100)
  @IsIn(LEG_ROLES, { each: true })
  roles?: LegRole[];
}

/** By their kind. */
export const PART_DTOS = PART_KINDS.map(({ entry, fields }) => ({
  name: entry.id,
  value: dtoOf(`${classNameOf(entry.id)}PartDto`, fields, PartDto),
}));
