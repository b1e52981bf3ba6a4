import type { HalfWayDto } from '@coiled-strand/contract';
import type { Between, HalfWay } from '@coiled-strand/core';

/** What was measured half way, as the server is told of it. */
export const sentHalfWay = ({ done, length, left }: HalfWay): HalfWayDto => ({
  done: Object.entries(done).map(([part, units]) => ({ part, units })),
  length,
  left: left.flatMap((mm, i) => (mm === null ? [] : [{ strand: i + 1, length: mm }])),
});

/** @param strands how many the make has */
export const heardHalfWay = ({ done, length, left }: HalfWayDto, strands: number): HalfWay => ({
  done: Object.fromEntries(done.map(({ part, units }) => [part, units])),
  length,
  left: Array.from(
    { length: strands },
    (_, i) => left.find(({ strand }) => strand === i + 1)?.length ?? null,
  ),
});

/** What a log keeps of it: parts that were begun, and how long they were. */
export function betweenOf(half: HalfWay | null): { between?: Between } {
  if (!half) return {};
  const done = sentHalfWay(half).done.filter(({ units }) => units > 0);
  return done.length > 0 ? { between: { done, length: half.length } } : {};
}
