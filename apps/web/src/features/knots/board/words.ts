import type { BoardCrossing, BoardVerdict, KnotMeasure, Likeness } from '@coiled-strand/core';
import { nameOfCord } from './colours';

/** 'Crossing 2: cord 1 lies over core 2'. */
export function crossingWords(
  { early, late, earlyOver }: BoardCrossing,
  index: number,
  cores: readonly number[] = [],
): string {
  const [over, under] = earlyOver ? [early, late] : [late, early];
  const below = over.cord === under.cord ? 'itself' : nameOfCord(under.cord, cores);
  const when =
    over.cord === under.cord
      ? earlyOver
        ? ', the earlier part on top'
        : ', the later part on top'
      : '';
  return `Crossing ${index + 1}: ${nameOfCord(over.cord, cores)} lies over ${below}${when}`;
}

/** A number in cord diameters with what it may be off by: '10.1 ± 0.1'. */
export function sayMeasure({ value, off }: KnotMeasure): string {
  const digits = off < 0.05 ? 2 : 1;
  return `${value.toFixed(digits)} ± ${Math.max(off, 10 ** -digits).toFixed(digits)}`;
}

/** What became of a board, in a sentence. */
export function sayVerdict(verdict: BoardVerdict): string {
  switch (verdict.how) {
    case 'holds':
      return verdict.tight.settled
        ? 'It holds.'
        : 'It holds, and was not quite at rest: its numbers are less sure.';
    case 'falls-apart':
      return 'It falls apart: nothing holds, and every cord pulls straight. Turn a crossing over.';
    case 'locks':
      return 'It locks: there is no room for the cords as they are drawn. Draw it wider, or let fewer cords cross in one place.';
    case 'overlaps':
      return 'Two cords are drawn through one another where the ring is. Lead one round the other.';
  }
}

/** 'It is a figure-eight knot, seen in the mirror.' */
export function sayLikeness(found: readonly Likeness[]): string | null {
  const [first] = found;
  if (!first) return null;
  const names = found.map(({ name }) => name).join(', or ');
  return `It has the same crossings as ${names}${first.how === 'mirrored' ? ', seen in the mirror' : ''}.`;
}
