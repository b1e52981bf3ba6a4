/**
 * A function that keeps its last answer for each object it was asked about: asked again with the same
 * further arguments, it gives the very same answer back. Only for pure functions of immutable values.
 * While one part of a piece is dragged, the others are neither laid out nor drawn again.
 *
 * @param make the function; its first argument is an object
 * @example memoize((list, n) => list.length + n)([1, 2], 3) // 5
 */
export function memoize<K extends object, D extends readonly unknown[], V>(
  make: (key: K, ...others: D) => V,
): (key: K, ...others: D) => V {
  const last = new WeakMap<K, { readonly others: D; readonly answer: V }>();
  return (key, ...others) => {
    const old = last.get(key);
    if (old?.others.every((value, i) => Object.is(value, others[i]))) return old.answer;
    const answer = make(key, ...others);
    last.set(key, { others, answer });
    return answer;
  };
}
