/** A path with dots alone, as forms and these steps name it: `parts.2.length`. */
export const dotted = (path: string): string => path.replace(/\[(\d+)\]/g, '.$1');

/**
 * The same document with one value put at a path; what is not on the way is kept as it is.
 *
 * @param path as advice names it: `closure.tails`, `parts[2].length`
 */
export function putAt<T>(document: T, path: string, value: unknown): T {
  const steps = dotted(path).split('.');
  const put = (node: unknown, depth: number): unknown => {
    if (depth === steps.length) return value;
    const step = steps[depth]!;
    if (Array.isArray(node)) {
      return node.map((item: unknown, i) => (i === Number(step) ? put(item, depth + 1) : item));
    }
    const tree = (node ?? {}) as Record<string, unknown>;
    return { ...tree, [step]: put(tree[step], depth + 1) };
  };
  return put(document, 0) as T;
}
