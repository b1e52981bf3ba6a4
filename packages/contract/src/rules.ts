import { ID_PATTERN } from '@coiled-strand/core';
import { dayFrom, isZone } from '@coiled-strand/workshop';
import 'reflect-metadata';
import { Type, type ClassConstructor } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  ArrayUnique,
  IsArray,
  IsInt,
  IsNotEmpty,
  IsNumber,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateBy,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import { IsDefinedObject } from './is-defined-object.js';
import { schemaContext } from './schema-context.js';

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

/** A list of texts that say something. */
export const IsNames = (longest: number, most: number): PropertyDecorator =>
  together(
    IsArray(),
    ArrayMaxSize(most),
    IsString({ each: true }),
    IsNotEmpty({ each: true }),
    MaxLength(longest, { each: true }),
  );

const NESTED = Symbol('nested');

/** Marks the rules that reach into an object held by another: a form asks all at once, the edge object by object. */
export const NESTED_RULES = { groups: ['nested'] };

/** One of several classes: which, a property of the value tells. */
export interface Discriminator {
  readonly property: string;
  readonly subTypes: readonly {
    readonly name: string;
    readonly value: ClassConstructor<object>;
  }[];
}

/** What a property holds: objects of a class, or of one of several that share it. */
export interface Nested {
  readonly type: () => ClassConstructor<object>;
  readonly choice?: Discriminator | undefined;
}

/** What plain data under a property is turned into; remembered, so that the rules can be told as a schema. */
const Holds =
  (type: () => ClassConstructor<object>, choice?: Discriminator): PropertyDecorator =>
  (target, key) => {
    const options = choice && {
      discriminator: { property: choice.property, subTypes: [...choice.subTypes] },
      keepDiscriminatorProperty: true,
    };
    Type(type, options)(target, key);
    Reflect.defineMetadata(NESTED, { type, choice } satisfies Nested, target, key);
  };

/** What a property of a class holds; undefined where it holds no objects with rules of their own. */
export const nestedIn = (target: object, key: string): Nested | undefined =>
  Reflect.getMetadata(NESTED, target, key) as Nested | undefined;

/** An object of its own, checked by the rules of its class. */
export const IsA = (type: () => ClassConstructor<object>): PropertyDecorator =>
  together(IsDefinedObject(), ValidateNested(NESTED_RULES), Holds(type));

/** An object checked by the rules of one of several classes; by those of `type` where it says none of them. */
export const IsOneOf = (
  type: () => ClassConstructor<object>,
  choice: Discriminator,
): PropertyDecorator =>
  together(IsDefinedObject(), ValidateNested(NESTED_RULES), Holds(type, choice));

/** A list of such objects. */
export const IsListOf = (
  type: () => ClassConstructor<object>,
  least: number,
  most: number,
  choice?: Discriminator,
): PropertyDecorator =>
  together(
    IsArray(),
    ArrayMinSize(least),
    ArrayMaxSize(most),
    IsDefinedObject({ each: true }),
    ValidateNested({ ...NESTED_RULES, each: true }),
    Holds(type, choice),
  );

/** A list of things that are told apart by their `id`. */
export const IsListById = (
  type: () => ClassConstructor<object>,
  most: number,
  choice?: Discriminator,
): PropertyDecorator =>
  together(
    ArrayUnique(
      (one: { readonly id?: unknown } | null) => one?.id,
      schemaContext({ $comment: 'No id twice.' }),
    ),
    IsListOf(type, 0, most, choice),
  );

/** `#rrggbb`. */
export const IsColour = (): PropertyDecorator =>
  Matches(/^#[0-9a-fA-F]{6}$/, { message: '$property must be a colour such as #5b6b78' });

/** A short name by which something in a piece is found. */
export const IsId = (): PropertyDecorator =>
  Matches(ID_PATTERN, {
    message: 'id must be a short name of small letters, digits and dashes',
  });

/** A value that may be null, where nobody knows or nothing is meant. */
export const OrNull = (): PropertyDecorator => ValidateIf((_, value) => value !== null);

const MAX_TEXT_LENGTH = 60;
const text = (
  name: string,
  holds: (value: string) => boolean,
  message: string,
  format?: string,
): PropertyDecorator =>
  ValidateBy(
    {
      name,
      validator: {
        validate: (value: unknown) =>
          typeof value === 'string' && value.length <= MAX_TEXT_LENGTH && holds(value),
        defaultMessage: (args) => `${args?.property ?? 'this'} ${message}`,
      },
    },
    schemaContext({
      type: 'string',
      maxLength: MAX_TEXT_LENGTH,
      ...(format !== undefined && { format }),
    }),
  );

/** A day of the calendar, as `2026-12-05`. */
export const IsDay = (): PropertyDecorator =>
  text('isDay', (value) => dayFrom(value) !== null, 'must be a day such as 2026-12-05', 'date');

/** A time zone, as `Europe/Oslo`. */
export const IsZone = (): PropertyDecorator =>
  text('isZone', isZone, 'must be a time zone such as Europe/Oslo');

/** More money than changes hands here. */
const MAX_CENTS = 100_000_000;

/** An amount in whole cents. */
export const IsCents = (): PropertyDecorator => IsCount(0, MAX_CENTS);

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
      { each: true, ...schemaContext({ type: 'string', format: 'date' }) },
    ),
  );
