import type { JobView } from '@coiled-strand/contract';
import { useMemo } from 'react';
import { useJobs, usePiecesById } from '../../../data/api/week-queries';
import type { Wish } from './demand';

/** What is ordered and not begun, so many of each line. */
export function useOrderedWishes(): readonly Wish[] | undefined {
  const { data } = useJobs();
  const lines = useMemo(() => (data ? linesOf(data.jobs) : undefined), [data]);
  const ids = useMemo(() => [...new Set((lines ?? []).map(({ pieceId }) => pieceId))], [lines]);
  const pieces = usePiecesById(ids);
  return useMemo(
    () =>
      lines && pieces.size === ids.length
        ? lines.map(({ id, pieceId, name, number }): Wish => {
            const { piece } = pieces.get(pieceId)!;
            return { id, pieceId, piece, name, number };
          })
        : undefined,
    [lines, ids, pieces],
  );
}

interface Line {
  readonly id: string;
  readonly pieceId: string;
  readonly name: string;
  readonly number: number;
}

function linesOf(jobs: readonly JobView[]): Line[] {
  const lines = new Map<string, Line>();
  for (const { makeId, lineId, pieceId, what, customer } of jobs) {
    if (makeId !== null || lineId === null || pieceId === null) continue;
    const before = lines.get(lineId);
    lines.set(lineId, {
      id: lineId.slice(0, 8),
      pieceId,
      name: `${what}${customer ? `, ${customer}` : ''}`,
      number: (before?.number ?? 0) + 1,
    });
  }
  return [...lines.values()];
}
