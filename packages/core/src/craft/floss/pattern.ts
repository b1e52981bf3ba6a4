import type { Advice } from '../../base/measure/advice.js';
import { CROSSINGS, mirroredCrossing, type Crossing } from './crossing.js';

/**
 * How the knots of a band lie.
 *
 * - `crossing`: neighbours meet in every row, in even places and odd places by turns, as bricks lie;
 *   lines of knots run slantwise
 * - `leader`: in every row one strand, the leader, crosses all others to the far edge and comes back
 *   in the next; lines of knots run straight across
 */
export type Lay = 'crossing' | 'leader';

/** Signs of a leader's row: the leader's colour shows, or that of the strand it crosses. */
const LEADER_SIGNS = ['-', '|'] as const;

/** What stands for a knot. */
export const signsOf = (lay: Lay): readonly string[] =>
  lay === 'crossing' ? CROSSINGS : LEADER_SIGNS;

/** Limits within which a band is planned. */
export const STRAND_LIMITS = { min: 3, max: 60 } as const;
export const MAX_ROWS = 400;

/** One repeat of a band: a sign for every knot, row by row, from the left edge to the right. */
export interface FlossPattern {
  readonly lay: Lay;
  /**
   * `crossing`: row r has a {@link Crossing} for each of the places r mod 2, r mod 2 + 2, ... `leader`:
   * every row has a {@link LEADER_SIGNS leader's sign} for each of the places 0 to strands - 2.
   */
  readonly rows: readonly string[];
}

/** Place of the first knot of a row: the number of strands to the left of its left strand. */
export const firstPlace = (lay: Lay, row: number): 0 | 1 =>
  lay === 'crossing' && row % 2 === 1 ? 1 : 0;

/** From the place of one knot to that of the next in its row. */
export const placeStep = (lay: Lay): 1 | 2 => (lay === 'crossing' ? 2 : 1);

/**
 * How many knots a row has.
 * @example knotsInRow('crossing', 1, 8) // 3
 */
export const knotsInRow = (lay: Lay, row: number, strands: number): number =>
  lay === 'leader' ? strands - 1 : Math.floor((strands - firstPlace(lay, row)) / 2);

/** In even rows the leader goes to the right. */
const leaderGoesRight = (row: number): boolean => row % 2 === 0;

/** The crossing that a sign stands for in its row. */
export function crossingOf(lay: Lay, row: number, sign: string): Crossing {
  if (lay === 'crossing') return sign as Crossing;
  // The leader is the left one when it goes right; whoever shows is the one that works.
  return (sign === '-') === leaderGoesRight(row) ? '>' : '<';
}

/** Advice on a pattern, in plain words: no lengths are named in it. */
interface Fault extends Omit<Advice, 'path'> {
  readonly message: string;
  readonly remedy: string;
}
const fault = (code: string, message: string, remedy: string): Fault => ({
  code,
  severity: 'error',
  message,
  remedy,
});

/**
 * What keeps a pattern from being tied with a number of strands. Paths are within the pattern.
 *
 * @returns nothing when all is well; at most one fault for each row
 */
export function patternFaults(pattern: FlossPattern, strands: number): Advice[] {
  const whole = repeatFault(pattern, strands);
  if (whole !== null) return [{ ...whole, path: 'rows' }];
  return pattern.rows.flatMap((row, r): Advice[] => {
    const own = rowFault(pattern.lay, row, r, strands);
    return own === null ? [] : [{ ...own, path: `rows[${r}]` }];
  });
}

/** What keeps a repeat as a whole from being tied: its number of strands, or of rows. */
export function repeatFault({ lay, rows }: FlossPattern, strands: number): Fault | null {
  if (strands < STRAND_LIMITS.min || strands > STRAND_LIMITS.max) {
    return fault(
      'floss.strands',
      `A knotted band takes ${STRAND_LIMITS.min} to ${STRAND_LIMITS.max} strands; this one has ${strands}.`,
      strands < STRAND_LIMITS.min ? 'Add strands, or fold them.' : 'Remove strands.',
    );
  }
  if (rows.length === 0 || rows.length > MAX_ROWS) {
    return fault(
      'floss.rows',
      `A repeat has 1 to ${MAX_ROWS} rows; this one has ${rows.length}.`,
      'Choose a ready pattern, or add rows on the loom.',
    );
  }
  if (lay === 'crossing' && rows.length % 2 === 1) {
    return fault(
      'floss.odd',
      'A repeat of crossings has an even number of rows, so that the next begins in the same places.',
      'Add or remove a row.',
    );
  }
  return null;
}

/** What keeps one row, counted from 0, from being tied with a number of strands. */
export function rowFault(lay: Lay, row: string, r: number, strands: number): Fault | null {
  const wanted = knotsInRow(lay, r, strands);
  if (row.length !== wanted) {
    return fault(
      'floss.row',
      `Row ${r + 1} has ${row.length} knots; with ${strands} strands it must have ${wanted}.`,
      'Fit the pattern to the strands on the loom, or choose it again.',
    );
  }
  const signs = signsOf(lay);
  const strange = [...row].find((sign) => !signs.includes(sign));
  return strange === undefined
    ? null
    : fault(
        'floss.sign',
        `Row ${r + 1} has a knot “${strange}”; there is no such knot.`,
        `Use ${signs.join(' ')}.`,
      );
}

/**
 * The band seen in a mirror: left is right. A band of crossings with an odd number of strands begins
 * one row later, since its first row has its free place at the other edge.
 */
export function mirrorAcross({ lay, rows }: FlossPattern, strands: number): FlossPattern {
  const turned = rows.map((row) =>
    [...row]
      .reverse()
      .map((sign) => (lay === 'crossing' ? mirroredCrossing(sign as Crossing) : sign))
      .join(''),
  );
  if (lay === 'leader' || strands % 2 === 0) return { lay, rows: turned };
  return { lay, rows: [...turned.slice(1), ...turned.slice(0, 1)] };
}

/**
 * The repeat, and then the repeat as it came, backwards: a band that looks alike from both ends. The
 * rows at the two turns are not doubled.
 *
 * @example mirrorAlong({ lay: 'crossing', rows: ['>>', '>', '<<', '>'] }).rows.length // 6
 */
export function mirrorAlong({ lay, rows }: FlossPattern): FlossPattern {
  const back = rows
    .slice(1, -1)
    .reverse()
    .map((row) =>
      lay === 'crossing'
        ? [...row].map((sign) => mirroredCrossing(sign as Crossing)).join('')
        : row,
    );
  return { lay, rows: [...rows, ...back] };
}

/** The repeat made of itself, several times over. */
export const repeated = ({ lay, rows }: FlossPattern, times: number): FlossPattern => ({
  lay,
  rows: Array.from({ length: times }, () => rows).flat(),
});

/** Rows that are put in or taken out together: two where places go by turns, so that they still do. */
export const rowsTogether = (lay: Lay): 1 | 2 => (lay === 'crossing' ? 2 : 1);

/** The rows at one place once more, before themselves. */
export function insertRows({ lay, rows }: FlossPattern, at: number): FlossPattern {
  const n = rowsTogether(lay);
  const from = Math.max(0, Math.min(rows.length - n, at - (at % n)));
  return { lay, rows: [...rows.slice(0, from + n), ...rows.slice(from)] };
}

/** Without the rows at one place; the last ones stay. */
export function removeRows({ lay, rows }: FlossPattern, at: number): FlossPattern {
  const n = rowsTogether(lay);
  if (rows.length <= n) return { lay, rows };
  const from = Math.max(0, Math.min(rows.length - n, at - (at % n)));
  return { lay, rows: [...rows.slice(0, from), ...rows.slice(from + n)] };
}

/** One knot changed. Signs that the lay does not know leave the pattern as it is. */
export function withSign(
  { lay, rows }: FlossPattern,
  row: number,
  knot: number,
  sign: string,
): FlossPattern {
  const old = rows[row];
  if (old?.[knot] === undefined || !signsOf(lay).includes(sign)) return { lay, rows };
  const changed = old.slice(0, knot) + sign + old.slice(knot + 1);
  return { lay, rows: rows.map((r, i) => (i === row ? changed : r)) };
}

/** The pattern fitted to another number of strands: knots at the right edge go, or are tied on. */
export const fitToStrands = ({ lay, rows }: FlossPattern, strands: number): FlossPattern => ({
  lay,
  rows: rows.map((row, r) => {
    const wanted = Math.max(0, knotsInRow(lay, r, strands));
    const more = row.at(-1) ?? (lay === 'crossing' ? '>' : '-');
    return row.slice(0, wanted).padEnd(wanted, more);
  }),
});
