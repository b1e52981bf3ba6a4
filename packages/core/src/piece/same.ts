type Tree = Readonly<Record<string, unknown>>;

const isTree = (value: unknown): value is Tree => typeof value === 'object' && value !== null;

/** Whether two values say the same but for some keys, wherever these stand. */
function alike(a: unknown, b: unknown, except: ReadonlySet<string>): boolean {
  if (Object.is(a, b)) return true;
  if (!isTree(a) || !isTree(b) || Array.isArray(a) !== Array.isArray(b)) return false;
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]);
  return [...keys].every((key) => except.has(key) || alike(a[key], b[key], except));
}

const NOTHING: ReadonlySet<string> = new Set();
const ORIGIN: ReadonlySet<string> = new Set(['origin']);

/**
 * Whether two documents say the same, whatever the order of their keys. A key that holds nothing is as good as none.
 *
 * @example sameDocument({ a: 1, b: [2] }, { b: [2], a: 1 }) // true
 */
export const sameDocument = (a: unknown, b: unknown): boolean => alike(a, b, NOTHING);

/**
 * Whether two copies of what is on a list say the same, whichever things on it they are of.
 *
 * @example sameCopy({ name: 'Silk', origin: 'a' }, { name: 'Silk' }) // true
 */
export const sameCopy = (a: object, b: object): boolean => alike(a, b, ORIGIN);
