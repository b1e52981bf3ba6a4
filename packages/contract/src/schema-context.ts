import type { ValidationOptions } from 'class-validator';

/** A schema of JSON Schema, draft 2020-12, or a part of one. */
export type JsonSchema = Readonly<Record<string, unknown>>;

interface Told {
  readonly schema: JsonSchema;
}

/** What a rule of our own says, in JSON Schema: it stands beside the rule, where it is written. */
export const schemaContext = (schema: JsonSchema): Pick<ValidationOptions, 'context'> => ({
  context: { schema } satisfies Told,
});

/** What a rule's context tells of it; undefined where it tells nothing. */
export const schemaIn = (context: unknown): JsonSchema | undefined =>
  (context as Told | undefined)?.schema;
