import { ID_PATTERN, MAX_ROW, MAX_ROWS, STRAND_LIMITS, type Field } from '@coiled-strand/core';
import { type ClassConstructor } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsIn,
  IsInt,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateIf,
} from 'class-validator';
import { CordDto } from './cord.dto.js';
import { IsA, IsColour, IsCount, IsMeasure, IsName, OrNull } from './rules.js';

const PART_RUNS = 99;

/** The rules for one value, as the form asks for it. */
function rulesOf(field: Field): PropertyDecorator[] {
  switch (field.type) {
    case 'length':
      return [
        ...nullable(field),
        ...(field.optional ? [orAbsent(field.key)] : []),
        IsMeasure(field.min, field.max),
      ];
    case 'count':
      return [...nullable(field), IsCount(field.min, field.max)];
    case 'choice':
      return [
        ...(field.optional ? [orAbsent(field.key)] : []),
        IsIn(field.choices.map((choice) => choice.id)),
      ];
    case 'text':
      return [IsName()];
    case 'colour':
      return [IsColour()];
    case 'bead':
      return [
        ...(field.optional ? [orAbsent(field.key)] : []),
        Matches(ID_PATTERN, { message: `${field.key} must be the id of a bead` }),
      ];
    case 'knot':
      return [Matches(ID_PATTERN, { message: `${field.key} must be the id of a knot` })];
    case 'beads':
      return [
        IsArray(),
        ArrayMinSize(1),
        ArrayMaxSize(MAX_ROW),
        Matches(ID_PATTERN, { each: true, message: `${field.key} must be ids of beads` }),
      ];
    case 'cord':
      return [IsA(() => CordDto)];
    case 'weave':
      return [
        IsArray(),
        ArrayMinSize(1),
        ArrayMaxSize(MAX_ROWS),
        IsString({ each: true }),
        MaxLength(STRAND_LIMITS.max, { each: true }),
      ];
    case 'places':
    case 'runs':
      return [
        OrNull(),
        IsArray(),
        ArrayMaxSize(PART_RUNS),
        IsInt({ each: true }),
        Min(0, { each: true }),
        Max(PART_RUNS, { each: true }),
      ];
  }
}

const orAbsent = (key: string): PropertyDecorator =>
  ValidateIf((value: Record<string, unknown>) => value[key] !== undefined);
const nullable = (field: { open?: string }): PropertyDecorator[] =>
  field.open === undefined ? [] : [OrNull()];

/**
 * A DTO for a kind of part or closure, from the fields that its form asks for: one description, and
 * what the form offers is what the edge lets in.
 *
 * @param base what all of them have
 */
export function dtoOf<T extends object>(
  name: string,
  fields: readonly Field[],
  base: ClassConstructor<T>,
): ClassConstructor<T> {
  const Base = base as ClassConstructor<object>;
  const Dto = { [name]: class extends Base {} }[name]!;
  for (const field of fields) {
    for (const rule of rulesOf(field)) rule(Dto.prototype as object, field.key);
  }
  return Dto as ClassConstructor<T>;
}

/** 'square-knot-sinnet' as a class is called: SquareKnotSinnet. */
export const classNameOf = (id: string): string =>
  id.replace(/(^|-)([a-z])/g, (_, __, letter: string) => letter.toUpperCase());
