/**
 * A function that keeps its last answer for each object it was asked about: asked again with the same
 * further arguments, it gives the very same answer back. Only for pure functions of immutable values.
 * While one part of a piece is dragged, the others are neither laid out nor drawn again.
 *
 * @param make the function; its first argument is an object
 * @param same whether a further argument says the same as before; the very same value when left out
 * @example memoize((list, n) => list.length + n)([1, 2], 3) // 5
 */
export function memoize<K extends object, D extends readonly unknown[], V>(
  make: (key: K, ...others: D) => V,
  same: (a: unknown, b: unknown) => boolean = Object.is,
): (key: K, ...others: D) => V {
  const last = new WeakMap<K, { readonly others: D; readonly answer: V }>();
  return (key, ...others) => {
    const old = last.get(key);
    if (old?.others.every((value, i) => same(value, others[i]))) return old.answer;
    const answer = make(key, ...others);
    last.set(key, { others, answer });
    return answer;
  };
}

/** Whether two objects hold the very same values. */
export const sameFields = (a: unknown, b: unknown): boolean => {
  const [one, other] = [Object.entries(a as object), new Map(Object.entries(b as object))];
  return (
    one.length === other.size &&
    one.every(([key, value]) => other.has(key) && Object.is(value, other.get(key)))
  );
};
