import { getMetadataStorage, ValidationTypes } from 'class-validator';
import type { ClassConstructor } from 'class-transformer';
import { nestedIn, type Discriminator, type Nested } from './rules.js';
import { schemaIn, type JsonSchema } from './schema-context.js';

type Class = ClassConstructor<object>;
type Rule = ReturnType<
  ReturnType<typeof getMetadataStorage>['getTargetValidationMetadatas']
>[number];

/** Validator's own pattern of a UUID of any version. */
const UUID =
  '^(?:[0-9a-fA-F]{8}-[0-9a-fA-F]{4}-[1-8][0-9a-fA-F]{3}-[89abAB][0-9a-fA-F]{3}-[0-9a-fA-F]{12}|00000000-0000-0000-0000-000000000000|[fF]{8}-[fF]{4}-[fF]{4}-[fF]{4}-[fF]{12})$';

/** What class-validator's own rules say, by their names; `limit` is the first thing that a rule was given. */
const KEYWORDS: Readonly<Record<string, (limit: unknown) => JsonSchema>> = {
  isString: () => ({ type: 'string' }),
  isNotEmpty: () => ({ minLength: 1 }),
  maxLength: (maxLength) => ({ maxLength }),
  matches: (pattern) => ({ type: 'string', pattern: sourceOf(pattern as RegExp) }),
  isUuid: () => ({ type: 'string', pattern: UUID }),
  isIso8601: () => ({ type: 'string', format: 'date-time' }),
  isNumber: () => ({ type: 'number' }),
  isInt: () => ({ type: 'integer' }),
  min: (minimum) => ({ minimum }),
  max: (maximum) => ({ maximum }),
  isBoolean: () => ({ type: 'boolean' }),
  isIn: (values) => ({ enum: values }),
  equals: (value) => ({ const: value }),
  isArray: () => ({ type: 'array' }),
  arrayMinSize: (minItems) => ({ minItems }),
  arrayMaxSize: (maxItems) => ({ maxItems }),
  arrayUnique: () => ({ uniqueItems: true }),
};

function sourceOf({ source, flags }: RegExp): string {
  if (flags !== '' && flags !== 'u') throw new Error(`A schema has no flags: /${source}/${flags}`);
  return source;
}

/** What the schema of a class is called. */
export const schemaName = (type: abstract new () => object): string =>
  type.name.replace(/Dto$/, '');

/** What one rule says of a value, or of each item of one. @throws where no schema is known for it */
function keywordsOf(rule: Rule): JsonSchema {
  const told = schemaIn(rule.context) ?? KEYWORDS[rule.name ?? '']?.(rule.constraints?.[0]);
  if (told === undefined) {
    throw new Error(
      `No schema is known for the rule ${rule.name ?? rule.type} of ${rule.propertyName}.`,
    );
  }
  return told;
}

const isCondition = (rule: Rule): boolean => rule.type === ValidationTypes.CONDITIONAL_VALIDATION;
const isNested = (rule: Rule): boolean => rule.type === ValidationTypes.NESTED_VALIDATION;

/** Whether the rules of a property leave a value alone: then it may be as it likes. */
const leaves = (conditions: readonly Rule[], key: string, value: unknown): boolean =>
  conditions.some(
    ({ constraints }) =>
      !(constraints[0] as (object: object, value: unknown) => boolean)({ [key]: value }, value),
  );

/**
 * The rules of DTO classes, and of all that they hold, as schemas of JSON Schema, draft 2020-12, by the
 * names of the classes without “Dto”. What passes {@link validateAs} passes the schema. The other way
 * round, too, but for what a schema has no words for, which stands in it as a `$comment`, and for
 * characters that no text may have.
 *
 * Conditions of a rule (`IsOptional`, `OrNull`) are functions; they are asked about null and about
 * nothing, which are all that our conditions tell apart.
 *
 * @param pointer to where the schemas will stand, with a slash at its end
 * @throws where a rule has no schema: a new rule is told here before it is used in a published format
 */
export function schemasOf(
  roots: Iterable<Class>,
  pointer: string,
): Readonly<Record<string, JsonSchema>> {
  const known = new Map<string, Class>();
  const schemas: Record<string, JsonSchema> = {};

  const refTo = (of: Class, fixed: JsonSchema = {}): JsonSchema => {
    const name = schemaName(of);
    if (!known.has(name)) {
      // Named before it is looked into, so that a class may hold its own kind.
      known.set(name, of);
      schemas[name] = objectOf(of, fixed);
    } else if (known.get(name) !== of) throw new Error(`Two classes are called ${name}.`);
    return { $ref: `${pointer}${name}` };
  };

  const oneOf = ({ property, subTypes }: Discriminator): JsonSchema => ({
    oneOf: subTypes.map(({ name, value }) => refTo(value, { [property]: { const: name } })),
  });

  const heldBy = ({ type, choice }: Nested): JsonSchema =>
    choice === undefined ? refTo(type()) : oneOf(choice);

  const valueOf = (of: Class, key: string, rules: readonly Rule[]): JsonSchema => {
    const nested = nestedIn(of.prototype as object, key);
    const told = (each: boolean): JsonSchema => {
      const mine = rules.filter((rule) => (rule.each ?? false) === each);
      const held = nested && mine.some(isNested) ? heldBy(nested) : {};
      const words = mine.filter((rule) => !isNested(rule)).map(keywordsOf);
      return Object.assign({}, ...words, held) as JsonSchema;
    };
    const items = told(true);
    return { ...told(false), ...(Object.keys(items).length > 0 && { items }) };
  };

  const objectOf = (of: Class, fixed: JsonSchema): JsonSchema => {
    const all = getMetadataStorage().getTargetValidationMetadatas(of, '', false, false);
    const required: string[] = [];
    const properties: Record<string, JsonSchema> = {};
    for (const key of new Set(all.map((rule) => rule.propertyName))) {
      const own = all.filter((rule) => rule.propertyName === key);
      const conditions = own.filter(isCondition);
      const rules = own.filter((rule) => !isCondition(rule));
      const value = (fixed[key] as JsonSchema | undefined) ?? valueOf(of, key, rules);
      if (!leaves(conditions, key, undefined)) required.push(key);
      properties[key] = leaves(conditions, key, null)
        ? { anyOf: [value, { type: 'null' }] }
        : value;
    }
    return { type: 'object', properties, required, additionalProperties: false };
  };

  for (const root of roots) refTo(root);
  return schemas;
}

/**
 * The rules of one DTO class as a schema that stands alone, see {@link schemasOf}.
 *
 * @param head what stands above: `$id`, `title`
 */
export function jsonSchemaOf(root: Class, head: JsonSchema = {}): JsonSchema {
  const { [schemaName(root)]: own, ...$defs } = schemasOf([root], '#/$defs/');
  return { $schema: 'https://json-schema.org/draft/2020-12/schema', ...head, ...own, $defs };
}
