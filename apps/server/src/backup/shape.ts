import type { FileFault } from '@coiled-strand/core';

/** What a value that no rules of a request are written for has to be. */
export type Shape =
  | 'number'
  | 'text'
  | 'boolean'
  /** Whatever it is, it may be left out or null. */
  | { readonly maybe: Shape }
  /** One of these words. */
  | { readonly oneOf: readonly string[] }
  /** Any number of these, in a list. */
  | { readonly list: Shape }
  /** Any number of these, by names. */
  | { readonly named: Shape }
  /** At least these, by their names. */
  | { readonly with: Readonly<Record<string, Shape>> };

/** More faults than that nobody reads. */
const MAX_FAULTS = 5;

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * Where a value is not of its shape; its first faults.
 *
 * @example shapeFaults({ list: 'number' }, [1, 'x'], 'at') // [{ path: 'at[1]', message: 'must be a number' }]
 */
export function shapeFaults(shape: Shape, value: unknown, path: string): FileFault[] {
  const no = (message: string): FileFault[] => [{ path, message }];
  if (shape === 'number') return Number.isFinite(value) ? [] : no('must be a number');
  if (shape === 'text') return typeof value === 'string' ? [] : no('must be a text');
  if (shape === 'boolean') return typeof value === 'boolean' ? [] : no('must be true or false');
  if ('maybe' in shape) {
    return value === undefined || value === null ? [] : shapeFaults(shape.maybe, value, path);
  }
  if ('oneOf' in shape) {
    return shape.oneOf.includes(value as string)
      ? []
      : no(`must be one of ${shape.oneOf.join(', ')}`);
  }
  if ('list' in shape) {
    if (!Array.isArray(value)) return no('must be a list');
    return some(value, (one: unknown, i) => shapeFaults(shape.list, one, `${path}[${i}]`));
  }
  if (!isObject(value)) return no('must be an object');
  if ('named' in shape) {
    return some(Object.entries(value), ([name, one]) =>
      shapeFaults(shape.named, one, `${path}.${name.slice(0, 60)}`),
    );
  }
  return some(Object.entries(shape.with), ([name, one]) =>
    shapeFaults(one, value[name], `${path}.${name}`),
  );
}

function some<T>(
  all: readonly T[],
  faultsOf: (one: T, index: number) => readonly FileFault[],
): FileFault[] {
  const faults: FileFault[] = [];
  for (const [i, one] of all.entries()) {
    faults.push(...faultsOf(one, i));
    if (faults.length >= MAX_FAULTS) break;
  }
  return faults.slice(0, MAX_FAULTS);
}
