import type { Rule } from '../identity/roles.js';

/** A route as the OpenAPI document tells of it. */
export interface Route {
  readonly method: 'get' | 'post' | 'put' | 'delete' | 'patch';
  /** With its parameters in braces. */
  readonly path: string;
  /** Name of the schema of its body; null for none. */
  readonly body: string | null;
  /** Names of what may be asked for after the question mark. */
  readonly query: readonly string[];
  /** Who may use it; null where nothing says so. */
  readonly rule: Rule | null;
  /** Whether its answer goes on for as long as somebody listens. */
  readonly stream: boolean;
}

interface Operation {
  readonly 'x-for'?: Rule;
  readonly 'x-stream'?: true;
  readonly parameters?: readonly { readonly name: string; readonly in: string }[];
  readonly requestBody?: {
    readonly content: Readonly<Record<string, { readonly schema?: { readonly $ref?: string } }>>;
  };
}
export interface Document {
  readonly paths: Readonly<Record<string, Readonly<Record<string, Operation>>>>;
  readonly components: { readonly schemas: Readonly<Record<string, Schema>> };
}

interface Schema {
  readonly $ref?: string;
  readonly type?: string;
  readonly enum?: readonly unknown[];
  readonly minimum?: number;
  readonly minItems?: number;
  readonly items?: Schema;
  readonly required?: readonly string[];
  readonly properties?: Readonly<Record<string, Schema>>;
}

const nameOf = ($ref: string): string => $ref.split('/').at(-1)!;

/** Every route that the document knows, so that new ones are tried without being named. */
export const routesOf = ({ paths }: Document): Route[] =>
  Object.entries(paths).flatMap(([path, operations]) =>
    Object.entries(operations).map(([method, operation]): Route => {
      const {
        requestBody,
        parameters = [],
        'x-for': rule = null,
        'x-stream': stream = false,
      } = operation;
      const $ref = Object.values(requestBody?.content ?? {})[0]?.schema?.$ref;
      const query = parameters.filter((one) => one.in === 'query').map(({ name }) => name);
      return {
        method: method as Route['method'],
        path,
        body: $ref ? nameOf($ref) : null,
        query,
        rule,
        stream,
      };
    }),
  );

/** A body by its schema alone: the least that it asks for. */
export function sampleOf({ components }: Document, name: string, depth = 0): unknown {
  const sample = (schema: Schema): unknown => {
    if (schema.$ref)
      return depth > 6 ? {} : sampleOf({ components, paths: {} }, nameOf(schema.$ref), depth + 1);
    if (schema.enum) return schema.enum[0];
    switch (schema.type) {
      case 'string':
        return 'x';
      case 'number':
      case 'integer':
        return schema.minimum ?? 1;
      case 'boolean':
        return true;
      case 'array':
        return Array.from({ length: schema.minItems ?? 0 }, () => sample(schema.items ?? {}));
      default:
        return Object.fromEntries(
          (schema.required ?? []).map((key) => [key, sample(schema.properties?.[key] ?? {})]),
        );
    }
  };
  return sample(components.schemas[name] ?? {});
}

/** Where a body has lists of objects, as `piece.parts` or `lots.[].cuts`; not deeper than a few steps. */
export function listsIn({ components }: Document, name: string): string[] {
  const found: string[] = [];
  const walk = (schema: Schema | undefined, at: readonly string[]): void => {
    if (!schema || at.length > 4) return;
    if (schema.$ref) return walk(components.schemas[nameOf(schema.$ref)], at);
    if (schema.type === 'array') {
      found.push(at.join('.'));
      return walk(schema.items, [...at, '[]']);
    }
    for (const [key, own] of Object.entries(schema.properties ?? {})) walk(own, [...at, key]);
  };
  walk(components.schemas[name], []);
  return found;
}
