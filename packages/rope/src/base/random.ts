/** Random numbers. */
export interface Random {
  /** From 0 to 1, without 1. */
  readonly uniform: () => number;
  /** Mean 0, standard deviation 1. */
  readonly normal: () => number;
}

/**
 * Seeded random numbers, the same on every machine: the 32-bit generator of T. Ettinger known as
 * mulberry32, and Box and Muller's normal numbers from it.
 */
export function random(seed: number): Random {
  let state = seed >>> 0;
  const uniform = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
  return {
    uniform,
    normal: () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform()),
  };
}
