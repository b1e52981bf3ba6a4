import { STRAND_LIMITS, type FlossPattern } from './pattern.js';
import { LETTER_HEIGHT, lettersOf, textColumns } from './lettering.js';

/** What a ready pattern is made for. */
export interface ReadyStart {
  readonly strands: number;
  /** How many colours there are to lay out, >= 1. */
  readonly colours: number;
  /** For lettering. */
  readonly text?: string;
}

/** A ready pattern made for a number of strands. */
export interface ReadyMade {
  readonly pattern: FlossPattern;
  /** Which of the colours the strand at each place has, counted from 0. */
  readonly colours: readonly number[];
}

/** A pattern made by rule. */
export interface ReadyPattern {
  readonly id: string;
  readonly label: string;
  readonly blurb: string;
  /** What it needs that these strands do not give, in plain words; null when it can be made. */
  lacks(start: ReadyStart): string | null;
  /** The nearest number of strands it can be made with. */
  nearest(strands: number): number;
  make(start: ReadyStart): ReadyMade;
}

type Sign = (row: number, place: number) => string;

/** Rows of crossings from a rule for each. */
const crossings = (strands: number, rows: number, sign: Sign): FlossPattern => ({
  lay: 'crossing',
  rows: Array.from({ length: rows }, (_, r) => {
    const first = r % 2;
    return Array.from({ length: Math.floor((strands - first) / 2) }, (__, i) =>
      sign(r, first + 2 * i),
    ).join('');
  }),
});

/** Rows of a leader from a rule that tells where the crossed strand shows. */
const leader = (
  strands: number,
  rows: number,
  shows: (row: number, place: number) => boolean,
): FlossPattern => ({
  lay: 'leader',
  rows: Array.from({ length: rows }, (_, r) =>
    Array.from({ length: strands - 1 }, (__, p) => (shows(r, p) ? '|' : '-')).join(''),
  ),
});

/** Colours one after the other over some places. */
const inTurn = (places: number, colours: number): number[] =>
  Array.from({ length: places }, (_, i) => i % colours);

/** Colours from both edges to the middle alike. */
const mirroredColours = (places: number, colours: number): number[] =>
  Array.from({ length: places }, (_, i) => Math.min(i, places - 1 - i) % colours);

/** The first colour leads; the others lie side by side under it, in stripes as even as may be. */
const ground = (strands: number, colours: number): number[] =>
  Array.from({ length: strands }, (_, i) =>
    i === 0 || colours < 2
      ? 0
      : 1 + Math.floor(((i - 1) * (colours - 1)) / Math.max(1, strands - 1)),
  );

const anyNumber = {
  lacks: () => null,
  nearest: (strands: number) => Math.min(STRAND_LIMITS.max, Math.max(STRAND_LIMITS.min, strands)),
} as const;

const multipleOf = (of: number, least: number) => ({
  lacks: ({ strands }: ReadyStart): string | null =>
    strands >= least && strands % of === 0
      ? null
      : of === 2
        ? `It needs an even number of strands, at least ${least}, so that both halves mirror each other.`
        : `It needs ${of}, ${2 * of}, ${3 * of} … strands, so that all ${of / 2} arms are alike.`,
  nearest: (strands: number): number =>
    Math.min(
      STRAND_LIMITS.max - (STRAND_LIMITS.max % of),
      Math.max(least, Math.round(strands / of) * of),
    ),
});

const atLeast = (least: number, what: string) => ({
  lacks: ({ strands }: ReadyStart): string | null =>
    strands >= least ? null : `${what} needs at least ${least} strands.`,
  nearest: (strands: number): number => Math.min(STRAND_LIMITS.max, Math.max(least, strands)),
});

/** All lines of knots run to the middle, or out from it. */
const towardsMiddle =
  (strands: number, inwards: boolean): Sign =>
  (_row, place) => {
    const middle = strands / 2 - 1;
    // The knot in the middle joins both arms; either strand may tie it, here always the left one.
    if (place === middle) return '>';
    return place < middle === inwards ? '>' : '<';
  };

/** How wide a heart is on its height, and where it is cut off above. A curve of the sixth degree. */
const inHeart = (x: number, y: number): boolean =>
  (x * x + y * y - 1) ** 3 - x * x * y * y * y <= 0;

/** Ready patterns, each from a rule that adapts to the strands. */
export const READY_PATTERNS: readonly ReadyPattern[] = [
  {
    id: 'stripe',
    label: 'Slanting stripes',
    blurb: 'Every strand crosses all the others in its turn; each makes a slanting stripe.',
    ...anyNumber,
    make: ({ strands, colours }) => ({
      // After twice as many rows as strands every strand is back at its place.
      pattern: crossings(strands, 2 * strands, () => '>'),
      colours: inTurn(strands, colours),
    }),
  },
  {
    id: 'zigzag',
    label: 'Zigzag',
    blurb: 'Slanting stripes that turn back on themselves again and again.',
    ...anyNumber,
    make: ({ strands, colours }) => ({
      pattern: crossings(strands, 2 * strands, (row) => (row < strands ? '>' : '<')),
      colours: inTurn(strands, colours),
    }),
  },
  {
    id: 'chevron',
    label: 'Chevron',
    blurb: 'Stripes from both edges meet in the middle; colours mirror each other.',
    ...multipleOf(2, 4),
    make: ({ strands, colours }) => ({
      pattern: crossings(strands, 2 * strands, towardsMiddle(strands, true)),
      colours: mirroredColours(strands, Math.min(colours, strands / 2)),
    }),
  },
  {
    id: 'double-chevron',
    label: 'Double chevron',
    blurb: 'Two chevrons side by side, joined where they meet.',
    ...multipleOf(4, 8),
    make({ strands, colours }) {
      const half = strands / 2;
      const arm = towardsMiddle(half, true);
      return {
        pattern: crossings(strands, 2 * strands, (row, place) =>
          place === half - 1 ? '>' : arm(row, place < half ? place : place - half),
        ),
        colours: [
          ...mirroredColours(half, Math.min(colours, half / 2)),
          ...mirroredColours(half, Math.min(colours, half / 2)),
        ],
      };
    },
  },
  {
    id: 'diamond',
    label: 'Diamonds',
    blurb: 'A chevron that turns round and opens again, so that its arms close to diamonds.',
    ...multipleOf(2, 6),
    make({ strands, colours }) {
      const [inwards, outwards] = [towardsMiddle(strands, true), towardsMiddle(strands, false)];
      return {
        pattern: crossings(strands, 2 * strands, (row, place) =>
          row < strands ? inwards(row, place) : outwards(row, place),
        ),
        colours: mirroredColours(strands, Math.min(colours, strands / 2)),
      };
    },
  },
  {
    id: 'hearts',
    label: 'A row of hearts',
    blurb: 'One strand lays the ground to and fro; the strands it crosses show as hearts.',
    ...atLeast(8, 'A heart'),
    make({ strands, colours }) {
      const across = strands - 1;
      const size = across - 2;
      const gap = 2;
      const rows = size + gap + ((size + gap) % 2);
      return {
        pattern: leader(strands, rows, (row, place) => {
          // The heart lies along the band, its point to the end; both axes from -1.2 to 1.2.
          const x = ((place - across / 2 + 0.5) / (size / 2)) * 1.15;
          const y = ((size / 2 - row - 0.5) / (size / 2)) * 1.1 + 0.12;
          return row < size && inHeart(x, y);
        }),
        colours: ground(strands, colours),
      };
    },
  },
  {
    id: 'blocks',
    label: 'Blocks',
    blurb: 'The ground for some rows, then the strands it crosses for as many.',
    ...atLeast(4, 'A block'),
    make({ strands, colours }) {
      const rows = 2 * Math.max(2, Math.ceil((strands - 1) / 2));
      return {
        pattern: leader(strands, 2 * rows, (row) => row >= rows),
        colours: ground(strands, colours),
      };
    },
  },
  {
    id: 'letters',
    label: 'Letters',
    blurb: 'A word along the band, in the colour of the strands that the ground crosses.',
    lacks({ strands, text }) {
      const least = LETTER_HEIGHT + 1;
      if (strands < least) return `Letters need at least ${least} strands.`;
      return lettersOf(text ?? '').some((c) => c !== ' ')
        ? null
        : 'Write a word of letters and digits.';
    },
    nearest: (strands) => Math.min(STRAND_LIMITS.max, Math.max(LETTER_HEIGHT + 3, strands)),
    make({ strands, colours, text }) {
      const columns = textColumns(text ?? '', strands - 1);
      const gap = 4;
      const rows = columns.length + gap + (columns.length % 2);
      return {
        pattern: leader(strands, rows, (row, place) => columns[row - gap / 2]?.[place] ?? false),
        colours: ground(strands, colours),
      };
    },
  },
];

const BY_ID = new Map(READY_PATTERNS.map((pattern) => [pattern.id, pattern]));

/** @throws RangeError for an id that no ready pattern has */
export function readyPattern(id: string): ReadyPattern {
  const pattern = BY_ID.get(id);
  if (!pattern) throw new RangeError(`there is no pattern “${id}”`);
  return pattern;
}
