/** A shorter rest is waste, where a maker says nothing else of a cord. In mm. Common practice, no source. */
export const USEFUL = 300;

export interface Leftover {
  /** In mm, in one piece. */
  readonly length: number;
}

/**
 * What is worth keeping of what was left over, the longest first.
 *
 * @param useful least length in mm that is kept; tie ends, whippings and sliders use short ones
 * @example worthKeeping([{ length: 120 }, { length: 450 }], 300) // { kept: [{ length: 450 }], waste: 120 }
 */
export function worthKeeping<T extends Leftover>(
  leftovers: readonly T[],
  useful = USEFUL,
): { readonly kept: readonly T[]; readonly waste: number } {
  const kept = leftovers.filter(({ length }) => length >= useful);
  return {
    kept: [...kept].sort((a, b) => b.length - a.length),
    waste: leftovers.reduce((sum, { length }) => sum + (length < useful ? length : 0), 0),
  };
}
