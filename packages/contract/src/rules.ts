import { Type, type ClassConstructor } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsInt,
  IsNotEmpty,
  IsNumber,
  IsString,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator';
import { IsDefinedObject } from './is-defined-object.js';

/** Rules that go together, under one name. */
const together =
  (...rules: readonly PropertyDecorator[]): PropertyDecorator =>
  (target, key) => {
    for (const rule of rules) rule(target, key);
  };

/** A length, a share or a price: any number from `min` to `max`. */
export const IsMeasure = (min: number, max: number): PropertyDecorator =>
  together(IsNumber(), Min(min), Max(max));

export const IsCount = (min: number, max: number): PropertyDecorator =>
  together(IsInt(), Min(min), Max(max));

/** A text that may be empty. */
export const IsText = (longest: number): PropertyDecorator =>
  together(IsString(), MaxLength(longest));

/** A text that says something. @param missing what to do where it does not */
export const IsName = (longest = 80, missing?: string): PropertyDecorator =>
  together(
    IsString(),
    IsNotEmpty(missing === undefined ? {} : { message: missing }),
    MaxLength(longest),
  );

/** An object of its own, checked by the rules of its class. */
export const IsA = (type: () => ClassConstructor<object>): PropertyDecorator =>
  together(IsDefinedObject(), ValidateNested(), Type(type));

/** A list of such objects. */
export const IsListOf = (
  type: () => ClassConstructor<object>,
  least: number,
  most: number,
): PropertyDecorator =>
  together(
    IsArray(),
    ArrayMinSize(least),
    ArrayMaxSize(most),
    IsDefinedObject({ each: true }),
    ValidateNested({ each: true }),
    Type(type),
  );
