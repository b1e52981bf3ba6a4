import type { Copy } from '../material/copy.js';

type Tree = Readonly<Record<string, unknown>>;

const isTree = (value: unknown): value is Tree => typeof value === 'object' && value !== null;

/**
 * Whether two documents say the same, whatever the order of their keys. A key that holds nothing is as good as none.
 *
 * @example sameDocument({ a: 1, b: [2] }, { b: [2], a: 1 }) // true
 */
export function sameDocument(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (!isTree(a) || !isTree(b) || Array.isArray(a) !== Array.isArray(b)) return false;
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]);
  return [...keys].every((key) => sameDocument(a[key], b[key]));
}

/**
 * Whether two copies say the same, whichever things on a list they are of.
 *
 * @example sameCopy({ name: 'Silk', origin: 'a' }, { name: 'Silk' }) // true
 */
export const sameCopy = (a: Copy, b: Copy): boolean =>
  sameDocument({ ...a, origin: undefined }, { ...b, origin: undefined });
