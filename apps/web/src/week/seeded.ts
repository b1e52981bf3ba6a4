/**
 * Random numbers that follow from a seed, so that the same week is planned the same: the 32-bit generator of T.
 * Ettinger known as mulberry32, and Box and Muller’s normal numbers from it.
 */
export function seeded(seed: number): {
  readonly uniform: () => number;
  readonly normal: () => number;
} {
  let state = seed >>> 0;
  const uniform = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
  return {
    uniform,
    normal: () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform()),
  };
}
