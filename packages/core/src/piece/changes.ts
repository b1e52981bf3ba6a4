import { closureKind } from '../craft/closure/registry.js';
import type { Field } from '../base/kind/field.js';
import { BEAD_SHAPE_LABELS } from '../base/material/bead.js';
import { END_SCHOOLS } from '../base/material/ends.js';
import { PRACTICE_LABELS } from '../base/material/practice.js';
import { EASE_LABELS, easeAmount } from '../base/measure/ease.js';
import { WEAR_SITES } from '../base/measure/girth.js';
import {
  cordLength,
  inSentence,
  join,
  laid,
  sameSaying,
  say,
  size,
  type Saying,
} from '../base/measure/saying.js';
import { partKind, type Part } from '../craft/part/registry.js';
import { cordWords, fieldWords } from './field-words.js';
import type { Piece, PieceBead, Strand, Wear } from './piece.js';
import { sameDocument } from './same.js';
import { strandWay } from './strand-ways.js';

/** Where something lies in which two pieces differ, in the order in which a piece is planned. */
export const TOPICS = ['piece', 'wearer', 'cords', 'beads', 'parts', 'closure', 'cutting'] as const;
export type Topic = (typeof TOPICS)[number];

/** One thing in which two pieces differ. */
export interface Change {
  readonly topic: Topic;
  readonly what: Saying;
  /** As each of them has it; null where it has nothing of the kind. */
  readonly before: Saying | null;
  readonly after: Saying | null;
}

type Both = readonly [Piece, Piece];
type Told = Omit<Change, 'topic'>;

/** A thing told of both, where they differ in it. */
function differing(
  what: Saying,
  one: unknown,
  other: unknown,
  words: (side: 0 | 1) => Saying | null,
): Told[] {
  return sameDocument(one, other) ? [] : [apart({ what, before: words(0), after: words(1) })];
}

/** Two beads may have one name, two patterns as many rows: it is said that they differ. */
function apart({ what, before, after }: Told): Told {
  const alike = before !== null && after !== null && sameSaying(before, after);
  return { what, before, after: alike ? join(after, ', but another') : after };
}

/** The same of a plain value of both. */
const of = <T>(what: Saying, both: Both, get: (piece: Piece) => T, words: (value: T) => Saying) =>
  differing(what, get(both[0]), get(both[1]), (side) => {
    const value = get(both[side]);
    return value === undefined || value === null || value === '' ? null : words(value);
  });

const text = (value: string | undefined): Saying => value ?? '';
const length = (mm: number | null | undefined): Saying => say`${laid(mm ?? 0)}`;
const yes = (value: boolean | undefined): Saying => (value ? 'yes' : 'no');

const pieceChanges = (both: Both): Told[] => [
  ...of('Name', both, ({ name }) => name, text),
  ...of('Note', both, ({ note }) => note ?? '', text),
];

function easeWords({ ease }: Piece): Saying {
  const label = EASE_LABELS[ease.rule];
  return ease.rule === 'own' && ease.amount === undefined
    ? label
    : join(label, ', ', length(easeAmount(ease)));
}

function wearWords({ site, turns, length: long }: Wear): Saying {
  const round = `${site}, ${turns === 1 ? 'once round' : `${turns} times round`}`;
  return long === null ? round : join(round, ', ', length(long), ' inside');
}

const wearerChanges = (both: Both): Told[] => [
  ...of('For', both, ({ wearer }) => wearer.name, text),
  ...[...WEAR_SITES, 'hand' as const, 'head' as const].flatMap((site) =>
    of(`Girth of the ${site}`, both, ({ wearer }) => wearer[site] ?? null, length),
  ),
  ...of('A child', both, ({ wearer }) => wearer.child ?? false, yes),
  ...of('Does not bear', both, ({ wearer }) => wearer.allergy ?? '', text),
  ...differing('Worn', both[0].wear, both[1].wear, (side) => wearWords(both[side].wear)),
  ...differing('Room', both[0].ease, both[1].ease, (side) => easeWords(both[side])),
];

const strandWords = (strand: Strand): Saying =>
  join(
    cordWords(strand.cord),
    `: ${inSentence(strandWay(strand)?.label ?? strand.legs.join(' and '))}`,
  );

function cordChanges([a, b]: Both): Told[] {
  const most = Math.max(a.strands.length, b.strands.length);
  return Array.from({ length: most }, (_, i): Told[] => {
    const both = [a.strands[i], b.strands[i]] as const;
    return differing(`Cord ${i + 1}`, both[0], both[1], (side) =>
      both[side] ? strandWords(both[side]) : null,
    );
  }).flat();
}

/** Things with ids, each of both: in the order of the second, then what only the first has. */
function byId<T extends { readonly id: string }>(
  one: readonly T[],
  other: readonly T[],
): readonly (readonly [T | undefined, T | undefined])[] {
  const before = new Map(one.map((item) => [item.id, item]));
  const after = new Set(other.map(({ id }) => id));
  return [
    ...other.map((item) => [before.get(item.id), item] as const),
    ...one.filter(({ id }) => !after.has(id)).map((item) => [item, undefined] as const),
  ];
}

const beadWords = ({
  name,
  shape,
  length: along,
  height,
  hole,
  colour,
  count,
}: PieceBead): Saying =>
  join(
    `${name}, ${inSentence(BEAD_SHAPE_LABELS[shape])}, ${colour.name}, `,
    say`${size(along)} long, ${size(height)} across, hole ${size(hole)}`,
    count === undefined ? '' : `, ${count} in hand`,
  );

const beadChanges = ([a, b]: Both): Told[] => [
  ...byId(a.beads, b.beads).flatMap((both) =>
    differing('Bead', both[0], both[1], (side) => (both[side] ? beadWords(both[side]) : null)),
  ),
  ...byId(a.knots ?? [], b.knots ?? []).flatMap((both) =>
    differing('Knot of your own', both[0], both[1], (side) => both[side]?.name ?? null),
  ),
];

/** What fields tell of two things of one kind, and what their cords do. */
function fieldChanges(
  fields: readonly Field[],
  things: readonly [object, object],
  both: Both,
  name: (label: string) => Saying,
): Told[] {
  const values = things as readonly [Record<string, unknown>, Record<string, unknown>];
  const told = fields.flatMap((field) =>
    differing(name(field.label), values[0][field.key], values[1][field.key], (side) =>
      fieldWords(field, values[side], both[side]),
    ),
  );
  // What a part has besides its fields: what its cords do there, where that differs from elsewhere.
  const roles = values.map((value) => value.roles as readonly string[] | undefined);
  const rest = differing(name('What each cord does there'), roles[0], roles[1], (side) =>
    roles[side] ? roles[side].join(', ') : 'as elsewhere',
  );
  return [...told, ...rest];
}

const partLabel = (part: Part): string => partKind(part.kind).entry.label;

/** The longest row of rising numbers that ends with one. */
interface Rising {
  readonly place: number;
  readonly number: number;
  readonly size: number;
  readonly before: Rising | null;
}

/**
 * Positions that keep their order: the longest row of rising numbers in a list.
 *
 * @returns the places in the list, from 0
 * @example [...keptInOrder([0, 3, 1, 2])].sort() // [0, 2, 3]
 */
export function keptInOrder(numbers: readonly number[]): ReadonlySet<number> {
  const rows: Rising[] = [];
  let longest: Rising | null = null;
  for (const [place, number] of numbers.entries()) {
    let before: Rising | null = null;
    for (const row of rows) {
      if (row.number < number && row.size > (before?.size ?? 0)) before = row;
    }
    const row: Rising = { place, number, before, size: (before?.size ?? 0) + 1 };
    rows.push(row);
    if (row.size > (longest?.size ?? 0)) longest = row;
  }
  const kept = new Set<number>();
  for (let row: Rising | null = longest; row; row = row.before) kept.add(row.place);
  return kept;
}

function partChanges(both: Both): Told[] {
  const [a, b] = both;
  const placeIn = ({ parts }: Piece, id: string): number =>
    parts.findIndex((part) => part.id === id);
  const stayedIn = (one: Piece, other: Piece): Part[] =>
    one.parts.filter(({ id }) => placeIn(other, id) >= 0);
  const [stayedBefore, stayedAfter] = [stayedIn(a, b), stayedIn(b, a)];
  const inOrder = keptInOrder(stayedAfter.map(({ id }) => placeIn(a, id)));
  /** What lies before a part, of those that both have; undefined before the first. */
  const leading = (parts: readonly Part[], id: string): Part | undefined =>
    parts[parts.findIndex((part) => part.id === id) - 1];
  // Of parts that were moved together only the first is told.
  const moved = stayedAfter.filter(
    ({ id }, i) =>
      !inOrder.has(i) && leading(stayedBefore, id)?.id !== leading(stayedAfter, id)?.id,
  );
  const told = (piece: Piece, led: Part | undefined): string =>
    led ? `after part ${placeIn(piece, led.id) + 1}, ${inSentence(partLabel(led))}` : 'first';
  return [
    ...byId(a.parts, b.parts).flatMap(([before, after]): Told[] => {
      const part = after ?? before;
      if (!part) return [];
      const place = placeIn(after ? b : a, part.id) + 1;
      const name = `Part ${place}, ${inSentence(partLabel(part))}`;
      if (after && before?.kind === after.kind) {
        const { fields } = partKind(after.kind);
        return fieldChanges(
          fields,
          [before, after],
          both,
          (label) => `${name}: ${inSentence(label)}`,
        );
      }
      return [
        {
          what: `Part ${place}`,
          before: before ? partLabel(before) : null,
          after: after ? partLabel(after) : null,
        },
      ];
    }),
    ...moved.map((part): Told =>
      apart({
        what: `${partLabel(part)} lies elsewhere`,
        before: told(a, leading(stayedBefore, part.id)),
        after: told(b, leading(stayedAfter, part.id)),
      }),
    ),
  ];
}

function closureChanges(both: Both): Told[] {
  const [a, b] = both.map(({ closure }) => closure) as [Piece['closure'], Piece['closure']];
  const kinds = [closureKind(a.type), closureKind(b.type)] as const;
  const ends = of(
    'Ends',
    both,
    (piece) => piece.ends,
    (value) => END_SCHOOLS[value].label,
  );
  if (a.type !== b.type) {
    return [
      { what: 'Closure', before: kinds[0].entry.label, after: kinds[1].entry.label },
      ...ends,
    ];
  }
  const { fields, entry } = kinds[1];
  return [
    ...fieldChanges(fields, [a, b], both, (label) => `${entry.label}: ${inSentence(label)}`),
    ...ends,
  ];
}

const cuttingChanges = (both: Both): Told[] => [
  ...of(
    'Sure that every cord lasts',
    both,
    ({ cutting }) => cutting.confidence,
    (share) => `${Number((share * 100).toFixed(1))} in 100`,
  ),
  ...of(
    'Rounded up to',
    both,
    ({ cutting }) => cutting.step,
    (mm) => say`${cordLength(mm)}`,
  ),
  ...of(
    'Hands',
    both,
    ({ cutting }) => cutting.practice,
    (id) => PRACTICE_LABELS[id],
  ),
  ...of('Cords of a kind cut alike', both, ({ cutting }) => cutting.equal ?? false, yes),
];

const TELLERS: Readonly<Record<Topic, (both: Both) => readonly Told[]>> = {
  piece: pieceChanges,
  wearer: wearerChanges,
  cords: cordChanges,
  beads: beadChanges,
  parts: partChanges,
  closure: closureChanges,
  cutting: cuttingChanges,
};

/**
 * Everything in which a piece differs from what it was, in the maker’s words; nothing where they say the same.
 * Parts, beads and knots are told apart by their ids, cords by their number.
 */
export const changes = (before: Piece, after: Piece): readonly Change[] =>
  TOPICS.flatMap((topic) =>
    TELLERS[topic]([before, after]).map((told): Change => ({ topic, ...told })),
  );
