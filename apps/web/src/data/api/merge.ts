import { sameDocument } from '@coiled-strand/core';

type Tree = Readonly<Record<string, unknown>>;
const isTree = (value: unknown): value is Tree =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A list of things that have names of their own, by these. */
function byId(value: unknown): ReadonlyMap<string, unknown> | null {
  if (!Array.isArray(value)) return null;
  const named = new Map<string, unknown>();
  for (const item of value as unknown[]) {
    if (!isTree(item) || typeof item.id !== 'string' || named.has(item.id)) return null;
    named.set(item.id, item);
  }
  return named;
}

/** Both changed the same thing in different ways. */
class Clash extends Error {}

function merged(base: unknown, mine: unknown, theirs: unknown): unknown {
  if (sameDocument(mine, theirs) || sameDocument(base, theirs)) return mine;
  if (sameDocument(base, mine)) return theirs;
  if (isTree(base) && isTree(mine) && isTree(theirs)) {
    const keys = [...new Set([...Object.keys(theirs), ...Object.keys(mine)])];
    const entries = keys.map((key) => [key, merged(base[key], mine[key], theirs[key])] as const);
    return Object.fromEntries(entries.filter(([, value]) => value !== undefined));
  }
  const [before, here, there] = [byId(base), byId(mine), byId(theirs)];
  if (before && here && there) return mergedList(before, here, there);
  throw new Clash();
}

/** Things with names: each merged by itself, in the order of whoever changed that. */
function mergedList(
  base: ReadonlyMap<string, unknown>,
  mine: ReadonlyMap<string, unknown>,
  theirs: ReadonlyMap<string, unknown>,
): unknown[] {
  const order = merged([...base.keys()], [...mine.keys()], [...theirs.keys()]) as string[];
  // One that somebody took away must be as it was for the other.
  const all = new Set([...order, ...base.keys()]);
  return [...all].flatMap((id) => {
    const value = merged(base.get(id), mine.get(id), theirs.get(id));
    return value === undefined ? [] : [value];
  });
}

/**
 * What two made of the same document, put together: what one of them changed is changed, what both did alike is done
 * once. Lists of things with an `id` are merged thing by thing, all other lists as a whole.
 *
 * @param base what both began with
 * @returns null where both changed the same thing in different ways, so that somebody must choose
 */
export function merge<T>(base: T, mine: T, theirs: T): T | null {
  try {
    return merged(base, mine, theirs) as T;
  } catch (error) {
    if (error instanceof Clash) return null;
    throw error;
  }
}
