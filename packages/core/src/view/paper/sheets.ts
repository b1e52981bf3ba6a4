/** Sizes of paper in mm, upright. A4: ISO 216. Letter: 8 1/2 by 11 inches, ANSI/ASME Y14.1. */
export const PAPERS = {
  a4: { label: 'A4', width: 210, height: 297 },
  letter: { label: 'Letter', width: 215.9, height: 279.4 },
} as const;
export type PaperSize = keyof typeof PAPERS;

/** Nothing is printed nearer to the edge, in mm: most printers leave 4 to 6. Common practice, no source. */
export const PAPER_MARGIN = 12;

/** A stretch of something long that goes on one row of paper, in mm. */
export interface Tile {
  readonly from: number;
  readonly to: number;
}

/**
 * Cuts a length into rows of paper that overlap, so that they can be glued end to end:
 *
 *     n = ceil((L - overlap) / (room - overlap)),  at least one
 *
 * All rows but the last are as long as there is room.
 *
 * @param from,to the length, in mm, from < to
 * @param room how long a row may be, in mm, more than the overlap
 * @param overlap in mm, >= 0
 * @throws RangeError where a row has no room beside its overlap
 * @example tilesOf(0, 300, 200, 10) // [{ from: 0, to: 200 }, { from: 190, to: 300 }]
 */
export function tilesOf(from: number, to: number, room: number, overlap: number): Tile[] {
  if (!(room > overlap)) throw new RangeError(`a row of ${room} mm has no room beside its overlap`);
  // A hair more than a row is no reason for another.
  const rows = Math.max(1, Math.ceil((to - from - overlap) / (room - overlap) - 1e-9));
  return Array.from({ length: rows }, (_, i) => {
    const start = from + i * (room - overlap);
    return { from: start, to: Math.min(to, start + room) };
  });
}

/**
 * Puts rows of one height on sheets, as many on each as go there.
 *
 * @param first,next room for rows on the first sheet and on those after it, in mm
 */
export function onSheets<T>(rows: readonly T[], high: number, first: number, next: number): T[][] {
  const sheets: T[][] = [];
  let left = 0;
  for (const row of rows) {
    if (left < 1) {
      left = Math.max(1, Math.floor((sheets.length === 0 ? first : next) / high));
      sheets.push([]);
    }
    sheets.at(-1)!.push(row);
    left -= 1;
  }
  return sheets;
}
