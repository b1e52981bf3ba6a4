import { aside, type Board } from '@coiled-strand/rope';
import type { Point3 } from '../../base/kind/primitive.js';
import type { Tied } from '../../base/kind/step.js';
import { effectiveDiameter, type Cord } from '../../base/material/cord.js';
import { bytesOf, labOfHex } from '../../craft/floss/picture.js';
import type { TiedPiece } from '../../piece/tyings.js';

/** A cord as a tying is shown with it. */
export interface TiedCord {
  readonly strand: number;
  readonly cord: Cord;
  readonly stripe?: string;
  /** Those that go with it as one. */
  readonly beside?: readonly TiedCord[];
}

/** What is tied round and is no cord of the piece is drawn in this colour. */
export const BAR = '#8d867a';
/** How cords of one colour are told apart, in their order: by a stripe along every second, and by a share of white. */
const MARKS = [
  { striped: false, white: 0 },
  { striped: true, white: 0 },
  { striped: false, white: 0.4 },
  { striped: true, white: 0.4 },
] as const;
/** A stripe is pale, and dark along a cord that is pale itself: from so much lightness on, of 100 in CIELAB. */
const STRIPE = { pale: '#fbf7ee', dark: '#453c33', paleFrom: 62 } as const;
/** In space, where no stripe is drawn, as much white more. */
const FOR_STRIPE = 0.3;

const paler = (hex: string, by: number): string =>
  `#${bytesOf(hex)
    .map((value) =>
      Math.round(value + by * (255 - value))
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;

/** The stripe that is seen on a colour. */
const stripeOn = (hex: string): string =>
  labOfHex(hex)[0] >= STRIPE.paleFrom ? STRIPE.dark : STRIPE.pale;

const withWhite = (cord: Cord, by: number): Cord => ({
  ...cord,
  colour: { ...cord.colour, hex: paler(cord.colour.hex, by) },
});

/** A cord as it is drawn in space: paler instead of striped. */
export const unstriped = ({ stripe, cord, ...rest }: TiedCord): TiedCord => ({
  ...rest,
  cord: stripe ? withWhite(cord, FOR_STRIPE) : cord,
});

/** Cords that are alike to the eye, each with a mark of its own. */
function toldApart(cords: readonly (TiedCord | null)[]): (TiedCord | null)[] {
  const seen = new Map<string, number>();
  return cords.map((one) => {
    if (!one) return null;
    const { hex } = one.cord.colour;
    const before = seen.get(hex) ?? 0;
    seen.set(hex, before + 1);
    const { striped, white } = MARKS[before % MARKS.length]!;
    const cord = white > 0 ? withWhite(one.cord, white) : one.cord;
    return { ...one, cord, ...(striped && { stripe: stripeOn(cord.colour.hex) }) };
  });
}

/**
 * The cords that a knot is tied with, by strand of its tying, those of one colour told apart, and what is no cord in the
 * colour of a bar; null where none of them is in the piece.
 */
export function cordsTied(piece: TiedPiece, tied: Tied): readonly TiedCord[] | null {
  const cords = tied.strands.map((strand): TiedCord | null => {
    const cord =
      strand === null ? undefined : strand === 0 ? tied.own : piece.strands[strand - 1]?.cord;
    return cord && strand !== null ? { strand, cord } : null;
  });
  const any = cords.find((one) => one !== null);
  if (!any) return null;
  const bar = { strand: 0, cord: { ...any.cord, colour: { ...any.cord.colour, hex: BAR } } };
  return toldApart(cords).map((one, i): TiedCord => {
    if (!one) return bar;
    const more = (tied.together?.[i] ?? []).flatMap((strand): TiedCord[] => {
      const cord = piece.strands[strand - 1]?.cord;
      if (!cord) return [];
      // Of one colour they have one mark.
      const alike = cord.colour.hex === cords[i]!.cord.colour.hex;
      if (!alike) return [{ strand, cord }];
      return [{ ...one, strand, cord: { ...cord, colour: one.cord.colour } }];
    });
    return more.length === 0 ? one : { ...one, beside: more };
  });
}

/** Most cords of those that go as one that are drawn, and how far apart, in diameters. */
const SIDE_BY_SIDE = { most: 3, apart: 0.95 } as const;

/** All cords that go along a line, each beside the others. */
export function sideBySide(
  { beside = [], ...first }: TiedCord,
  line: readonly Point3[],
): { readonly run: TiedCord; readonly line: Point3[] }[] {
  const all = [first, ...beside].slice(0, SIDE_BY_SIDE.most);
  const apart = SIDE_BY_SIDE.apart * effectiveDiameter(first.cord);
  return all.map((run, n) => ({
    run,
    line: aside(line, (n - (all.length - 1) / 2) * apart).map(([x, y], i): Point3 => [
      x,
      y,
      line[i]![2],
    ]),
  }));
}

/** Diameter in mm of the thickest of some cords. */
export const widthOf = (cords: readonly TiedCord[]): number =>
  Math.max(...cords.map(({ cord }) => effectiveDiameter(cord)));

/** How thick a post is that a knot is laid round, in diameters: as the cord leaves room for. */
export const postRadius = ({ cords }: Pick<Board, 'cords'>): number =>
  Math.min(...cords.flat().map(([x, y]) => Math.hypot(x, y))) - 1;
