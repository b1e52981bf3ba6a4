import { dayFrom, isZone } from '@coiled-strand/core';
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
  ValidateBy,
  ValidateIf,
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

/** A list of such numbers. */
export const IsMeasures = (min: number, max: number, most: number): PropertyDecorator =>
  together(
    IsArray(),
    ArrayMaxSize(most),
    IsNumber({}, { each: true }),
    Min(min, { each: true }),
    Max(max, { each: true }),
  );

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

/** A value that may be null, where nobody knows or nothing is meant. */
export const OrNull = (): PropertyDecorator => ValidateIf((_, value) => value !== null);

const text = (
  name: string,
  holds: (value: string) => boolean,
  message: string,
): PropertyDecorator =>
  ValidateBy({
    name,
    validator: {
      validate: (value: unknown) => typeof value === 'string' && value.length <= 60 && holds(value),
      defaultMessage: (args) => `${args?.property ?? 'this'} ${message}`,
    },
  });

/** A day of the calendar, as `2026-12-05`. */
export const IsDay = (): PropertyDecorator =>
  text('isDay', (value) => dayFrom(value) !== null, 'must be a day such as 2026-12-05');

/** A time zone, as `Europe/Oslo`. */
export const IsZone = (): PropertyDecorator =>
  text('isZone', isZone, 'must be a time zone such as Europe/Oslo');

/** More money than changes hands here. */
const MOST_CENTS = 100_000_000;

/** An amount in whole cents. */
export const IsCents = (): PropertyDecorator => IsCount(0, MOST_CENTS);

/** A list of days. */
export const IsDays = (most: number): PropertyDecorator =>
  together(
    IsArray(),
    ArrayMaxSize(most),
    ValidateBy(
      {
        name: 'isDays',
        validator: {
          validate: (value: unknown) => typeof value === 'string' && dayFrom(value) !== null,
          defaultMessage: (args) =>
            `each of ${args?.property ?? 'these'} must be a day such as 2026-12-05`,
        },
      },
      { each: true },
    ),
  );
