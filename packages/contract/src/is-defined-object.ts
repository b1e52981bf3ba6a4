import { ValidateBy, type ValidationOptions } from 'class-validator';
import { schemaContext } from './schema-context.js';

/** The value is an object of its own: not missing, not null, not a list. Nested rules do the rest. */
export const IsDefinedObject = (options?: ValidationOptions): PropertyDecorator =>
  ValidateBy(
    {
      name: 'isDefinedObject',
      validator: {
        validate: (value: unknown) =>
          typeof value === 'object' && value !== null && !Array.isArray(value),
        defaultMessage: (args) => `${args?.property ?? 'this'} must be an object`,
      },
    },
    { ...options, ...schemaContext({ type: 'object' }) },
  );
