import type { Board } from '../base/own-knot.js';
import type { Point } from '../base/point.js';
import { inMirror } from '../board/board.js';
import type { TurksHead } from '../curves/turks-head-curve.js';
import type { Heading } from './planar-map.js';

/** What a strand of a tying is: cord that is led, or what the others are tied round. */
export type StrandKind = 'cord' | 'core' | 'bar';

/** A strand as it lies there before the first move. */
export interface TyingStrand {
  readonly kind: StrandKind;
  /** What it is called where it lies: 'standing part', 'core'. No two stretches of a tying share a name. */
  readonly name: string;
  /** What its free end is called: 'end', 'left end'; null where it runs through and is not led. */
  readonly end: string | null;
  /** The way that it comes in over the rim of the picture. */
  readonly heading: Heading;
  /** It begins at the fold of a cord whose other half is that strand: both begin side by side, inside the picture. */
  readonly foldOf?: number;
  /** Where it lies, in diameters, x to the right and y away from the maker: from the rim to its free end. */
  readonly way: readonly Point[];
}

/** A knot as it was drawn, its lines fine enough to turn smoothly. */
export type Drawn = Omit<Board, 'beads'>;

/** One move of the hands: the free end of a strand is led along a way, past what lies there. */
export interface Lead {
  readonly strand: number;
  /** Where it is led, on from where it was. */
  readonly way: readonly Point[];
  /** What it does at each crossing on the way, in order: o over, u under. */
  readonly passes: string;
  /** What the stretch that it lays is called from then on; that of its strand when left out. */
  readonly makes?: string;
  /** Its number, where there are many of what it makes. */
  readonly number?: number;
  /** It hangs down afterwards, as the strands of a plait do. */
  readonly hangs?: true;
  /** The craft's own word for it; lay, pass or lead when left out. */
  readonly verb?: string;
  /**
   * A bight is led instead of the end: out along the way and back beside it, on that side of it. Passes are those of the
   * way out; the way back is the same.
   */
  readonly bight?: 'left' | 'right';
  /** What the other hand does meanwhile, as a sentence. */
  readonly hold?: string;
}

/**
 * How a knot is tied: what lies there, and every move in order. Words, pictures, actions and the curve for the rope are
 * worked out from it. Left-handed it is the mirror image.
 */
export interface Tying {
  readonly id: string;
  readonly name: string;
  readonly strands: readonly TyingStrand[];
  readonly moves: readonly Lead[];
  /** How it is drawn up, in order: a sentence each. */
  readonly drawUp: readonly string[];
  /** The knot of the catalogue that its numbers are of; one of its own when left out. */
  readonly cell?: string;
  /** How many cells of that knot, where it repeats along the piece; one when left out. */
  readonly cells?: number;
  /** A Turk’s head, whose numbers are those of its form on a core. */
  readonly head?: TurksHead;
  /** The tying, or the knot of the catalogue, whose numbers are its own: its mirror image, or the same round something else. */
  readonly numbersOf?: string;
  /** That knot is seen in the mirror. */
  readonly mirrored?: true;
  /** By how much its length depends on how it is laid, as a share: nothing pushes its turns together. */
  readonly slack?: number;
  /** It does not hold by itself, so that it has no numbers. */
  readonly loose?: true;
  /**
   * Seen from the end of what it is tied round, ways are told from there: `rims` where it goes from the outer rim to the
   * inner and back, as a Turk's head does; `middle` where its cords come up out of the middle.
   */
  readonly round?: 'rims' | 'middle';
  /** It lies as it was drawn, and the ways of its moves are stretches of that. */
  readonly drawn?: Drawn;
  /** No words tell it: where its ends are led, its pictures alone show. */
  readonly seenOnly?: true;
}

/** A cord from the left whose end is led. */
export const fromLeft = (
  way: readonly Point[],
  name = 'standing part',
  end = 'end',
): TyingStrand => ({ kind: 'cord', name, end, heading: 'right', way });

/** What runs through, straight from one side to the other. */
export const through = (
  kind: StrandKind,
  name: string,
  heading: Heading,
  from: Point,
  to: Point,
): TyingStrand => ({ kind, name, end: null, heading, way: [from, to] });

const OTHER: Readonly<Record<string, string>> = { left: 'right', right: 'left' };

/** A name or a way with left and right changed. */
const turned = <T extends string>(text: T): T =>
  text.replace(/\b(left|right)\b/g, (one) => OTHER[one]!) as T;

/** The tying as a left hand makes it: seen in a mirror, so that what lies over still does. */
export function mirror(tying: Tying): Tying {
  const seen = (way: readonly Point[]): Point[] => way.map(([x, y]): Point => [-x || 0, y]);
  return {
    ...tying,
    ...(tying.drawn ? { drawn: inMirror(tying.drawn) } : {}),
    strands: tying.strands.map(({ foldOf: _, ...strand }, i) => ({
      ...strand,
      // Of the two halves of a fold the other one lies first now.
      ...half(tying, i),
      name: turned(strand.name),
      end: strand.end === null ? null : turned(strand.end),
      heading: turned(strand.heading),
      way: seen(strand.way),
    })),
    moves: tying.moves.map((move) => ({
      ...move,
      way: seen(move.way),
      ...(move.makes === undefined ? {} : { makes: turned(move.makes) }),
      ...(move.bight === undefined ? {} : { bight: turned(move.bight) }),
    })),
  };
}

const half = ({ strands }: Tying, strand: number): Pick<TyingStrand, 'foldOf'> => {
  const other = strands.findIndex(({ foldOf }) => foldOf === strand);
  return other < 0 ? {} : { foldOf: other };
};
