import type { Point } from '../base/point.js';

/** A cord that turns by more between crossings is led on in another go, in radians. */
const TURNS = 1.3;
/** Most that is passed in one go. */
const MAX_PASSED = 4;

/** The way of a line at a place along it, in radians. */
export const directionAt = (cord: readonly Point[], along: number): number => {
  const i = Math.min(cord.length - 2, Math.floor(along));
  const [p, q] = [cord[i]!, cord[i + 1]!];
  return Math.atan2(q[1] - p[1], q[0] - p[0]);
};
const between = (a: number, b: number): number => {
  const turn = Math.abs(a - b) % (2 * Math.PI);
  return Math.min(turn, 2 * Math.PI - turn);
};

/** How far a cord turns from one place to another, all turns together, in radians. */
function turning(cord: readonly Point[], from: number, to: number): number {
  let sum = 0;
  let now = directionAt(cord, from);
  for (let i = Math.floor(from) + 1; i <= Math.floor(to); i++) {
    const next = directionAt(cord, i);
    sum += between(now, next);
    now = next;
  }
  return sum;
}

/**
 * What a cord passes, by what the hands do in one go.
 *
 * @param past in the order of the cord
 * @param alongOf how far along the cord each lies, in points
 */
export function goesAlong<T>(
  cord: readonly Point[],
  past: readonly T[],
  alongOf: (one: T) => number,
): T[][] {
  const goes: T[][] = [];
  for (const one of past) {
    const go = goes.at(-1);
    const last = go?.at(-1);
    if (
      go &&
      last !== undefined &&
      go.length < MAX_PASSED &&
      turning(cord, alongOf(last), alongOf(one)) <= TURNS
    ) {
      go.push(one);
    } else goes.push([one]);
  }
  return goes;
}
