import { CLOSURE_KINDS, type Closure, type ClosureBase } from '@coiled-strand/core';
import { IsIn, IsOptional, IsUUID } from 'class-validator';
import { classNameOf, dtoOf } from './dto-of-fields.js';
import { IsName, IsOneOf } from './rules.js';

/** What all closures have; one of an unknown type is checked by this alone, and refused for its type. */
export class ClosureDto implements ClosureBase {
  /** Id of what on a list it is a copy of. */
  @IsOptional()
  @IsUUID()
  origin?: string;

  @IsIn(CLOSURE_KINDS.map((kind) => kind.entry.type))
  type!: string;
}

const CLOSURE_DTOS = CLOSURE_KINDS.map(({ entry, fields }) => ({
  name: entry.type,
  value: dtoOf(`${classNameOf(entry.type)}ClosureDto`, fields, ClosureDto),
}));

/** A value that is a closure, checked by the rules of its type. */
export const IsClosure = (): PropertyDecorator =>
  IsOneOf(() => ClosureDto, { property: 'type', subTypes: CLOSURE_DTOS });

/** A closure kept on the workshop's list: a buckle, a button, a clasp. */
export class FittingDto {
  @IsName()
  name!: string;

  @IsClosure()
  closure!: Closure;
}
