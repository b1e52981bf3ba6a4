import {
  AT_END,
  AT_START,
  type Action,
  type CordId,
  type Drying,
  type End,
  type Leg,
  type Place,
  type PointWay,
} from '../../base/action/action.js';
import type { Bead } from '../../base/material/bead.js';
import { CORD_KIND_FACTS, type Cord } from '../../base/material/cord.js';
import { frays, type EndTreatment } from '../../base/material/ends.js';
import { cordNamed, inSentence, say, type Saying } from '../../base/measure/saying.js';
import type { Side } from '../../base/measure/side.js';
import type { Piece } from '../../piece/piece.js';
import { placedParts, type PlacedPart } from '../placed-parts.js';
import type { Plan } from '../plan-types.js';

/** A cord and what has been done to it so far. Lengths in mm. */
export interface CordState {
  readonly id: CordId;
  readonly cord: Cord | null;
  readonly called: Saying;
  /** 2 for a cord that is folded at the start. */
  readonly legs: 1 | 2;
  readonly given: boolean;
  readonly laidIn: boolean;
  /** What the plan cuts, and how far from the end of half 0 it folds it. */
  readonly length: number;
  readonly fold: number | null;
  /** Whether it gives, and was not pulled out. */
  gives: boolean;
  measured: boolean;
  cut: boolean;
  readonly marks: number[];
  folded: boolean;
  /** Laid in where it is first tied with. */
  joinedIn: boolean;
  /** Whether its ends still come apart: neither molten since they were cut nor pointed. */
  frays: boolean;
  /** Whether its number is on it. */
  labelled: boolean;
  /** Loose turns that have still to be drawn up. */
  slack: boolean;
  /** Of each half. */
  readonly used: [number, number];
}

/** How an end lies. */
export type EndLies =
  | 'free'
  /** Under the first knots that were tied over it. */
  | 'buried'
  | 'turned-back'
  | 'joined'
  | 'in-socket';

export interface EndState {
  lies: EndLies;
  /** How it was made to go through holes; null where it was not. */
  point: PointWay | null;
  /** A knot, turns or a fold hold it, so that what is beyond may go. */
  fast: boolean;
  /** Where it was made fast. */
  at: Place | null;
  trimmed: boolean;
  /** Whether the wax on it was wiped off. */
  wiped: boolean;
  treated: EndTreatment | null;
  pressed: boolean;
  dyed: boolean;
  sealed: boolean;
}

/** Something that lies along a leg, from the start of the piece to its end. */
export interface Item {
  /** Number of its place: -1 for the closure at the start, then the parts in order. */
  readonly rank: number;
  readonly what: 'bead' | 'knot' | 'length' | 'plait' | 'finding';
  /** Work in mm that it makes. */
  readonly mm: number;
  readonly bead?: string;
}

/** What comes off an open end, or comes undone there. */
export type Loose = 'bead' | 'plait' | 'stitch';

/** An end that something comes off, and what. */
export interface LooseEnd {
  readonly end: End;
  readonly loose: Loose;
}

/** A bead as it was strung. */
export interface Strung {
  readonly bead: string;
  readonly place: Place;
  readonly legs: readonly string[];
  /** Middle of the bead in mm from where its place begins, and how near to that it is known. */
  readonly at: number;
  readonly within: number;
}

export interface FindingState {
  readonly called: Saying;
  readonly count: number;
  /** How many have been used; halves count half. */
  used: number;
  /** Opened and not closed again. */
  open: number;
}

/** All that lies on the table, and what is known of it. */
export interface Table {
  readonly piece: Piece;
  readonly plan: Plan;
  /** All that was done so far. */
  readonly done: Action[];
  /** The parts, each with all there is of it. */
  readonly parts: readonly PlacedPart[];
  readonly cords: ReadonlyMap<CordId, CordState>;
  readonly ends: ReadonlyMap<string, EndState>;
  readonly along: ReadonlyMap<string, Item[]>;
  /** Work in mm that every leg has made at every place. */
  readonly advanced: Map<string, number>;
  readonly beads: Map<string, { readonly bead: Bead; left: number }>;
  readonly strung: Strung[];
  /** Beads that lie loose on a cord, the next to be used last. */
  readonly waiting: string[];
  readonly findings: ReadonlyMap<string, FindingState>;
  /** Ends that are drawn through one thing in several goes, by its name. */
  readonly within: Map<string, readonly End[]>;
  /** Number of every place. */
  readonly ranks: ReadonlyMap<Place, number>;
  /** Legs side by side, from the side that these hands begin on. */
  order: readonly string[];
  /** Whether nothing was strung or knotted since they were laid in order. */
  sorted: boolean;
  held: 'board' | 'clasp' | null;
  /** Halves whose far ends are clipped down. */
  readonly taut: Set<string>;
  /** Whether the core has to be set to length before it is tied over, and was. */
  core: 'free' | 'through' | 'set';
  /** Legs that run from one bar to another, so that nothing goes on to them any more. */
  readonly spanned: Set<string>;
  overlapped: boolean;
  wet: Drying | null;
  readonly wetEnds: Set<string>;
  oiled: boolean;
  /** Whether the work was changed since it was last tried on. */
  changed: boolean;
  /** Tried on since a part was last worked; and closed, since anything was. */
  fitted: boolean;
  triedClosed: boolean;
  /** Share of the tying that was done when it was laid round; null when it was not. */
  laidRound: number | null;
  thread: boolean;
  threadUsed: boolean;
  /** The side that these hands begin on; null until it is told. */
  begins: Side | null;
  /** Crossings of a plait at a place so far. */
  readonly crossings: Map<Place, number>;
  /** Units of flat knots at a place, and the side of the last. */
  readonly lastSide: Map<Place, 'left' | 'right'>;
  readonly tested: Set<string>;
  readonly checked: Set<string>;
  /** The sides whose tails are tied round the other. */
  readonly slidesAt: Set<End['side']>;
  /** Whether a loop was tied. */
  looped: boolean;
  /** Something of the closure slides, and what stops it is there. */
  slides: boolean;
  stopped: boolean;
  /** Cords that a chain was begun with, and whose last stitch was shut. */
  readonly slips: Set<string>;
  readonly shut: Set<string>;
  /** What each cord is fastened to: another cord, or a thing by its name; see `fasten`. */
  readonly fastened: Map<CordId, CordId>;
  /** Ends, and last stitches, that are in a clip. */
  readonly clipped: Map<string, LooseEnd>;
  /** Whether a crossing has come since the last petals, which the next one holds. */
  crossed: boolean;
}

export const legKey = ({ cord, half }: Leg): string => `${cord}/${half}`;
export const endKey = (end: End): string => `${end.cord}/${end.half}/${end.side}`;

const NEW_END: EndState = {
  lies: 'free',
  point: null,
  fast: false,
  at: null,
  trimmed: false,
  wiped: false,
  treated: null,
  pressed: false,
  dyed: false,
  sealed: false,
};

/** The ends that a cord has: of a folded one both lie at the end of the piece. */
export const endsOfCord = ({ id, legs }: Pick<CordState, 'id' | 'legs'>): readonly End[] =>
  legs === 2
    ? [
        { cord: id, half: 0, side: 'end' },
        { cord: id, half: 1, side: 'end' },
      ]
    : [
        { cord: id, half: 0, side: 'start' },
        { cord: id, half: 0, side: 'end' },
      ];

function cordsOf(piece: Piece, plan: Plan): CordState[] {
  const fresh = {
    measured: false,
    cut: false,
    folded: false,
    joinedIn: false,
    labelled: false,
    slack: false,
  };
  const strands = plan.strands.map((own): CordState => {
    const { legs, laidIn } = piece.strands[own.number - 1]!;
    return {
      ...fresh,
      id: own.number,
      cord: own.cord,
      called: say`${cordNamed({ strand: own.number, cord: own.cord })}`,
      legs: legs.length > 1 ? 2 : 1,
      given: own.given,
      frays: !own.given && frays(own.cord.kind, piece.ends),
      gives: !own.given && CORD_KIND_FACTS[own.cord.kind].pulledOut === true,
      laidIn,
      length: own.cut,
      fold: own.fold,
      marks: [],
      used: [0, 0],
    };
  });
  const others = plan.auxiliary.map((own): CordState => ({
    ...fresh,
    id: own.id,
    cord: own.cord,
    called: `the ${inSentence(own.label)}`,
    legs: 1,
    given: false,
    frays: own.cord !== null && frays(own.cord.kind, piece.ends),
    gives: own.cord !== null && CORD_KIND_FACTS[own.cord.kind].pulledOut === true,
    laidIn: false,
    length: own.cut,
    fold: null,
    marks: [],
    used: [0, 0],
  }));
  return [...strands, ...others];
}

/**
 * The table before anything is done: what the plan has made ready, and nothing else.
 *
 * @param first the side that these hands begin on; null when the first action that names one is to tell
 */
export function layTable(piece: Piece, plan: Plan, first: Side | null = null): Table {
  const cords = cordsOf(piece, plan);
  const beads = new Map(piece.beads.map((bead) => [bead.id, bead]));
  const ranks = new Map<Place, number>([
    [AT_START, -1],
    ...piece.parts.map((p, i) => [p.id, i] as const),
    [AT_END, piece.parts.length],
  ]);
  return {
    piece,
    plan,
    done: [],
    parts: placedParts(piece, plan),
    cords: new Map(cords.map((cord) => [cord.id, cord])),
    ends: new Map(
      cords.flatMap((cord) => endsOfCord(cord)).map((end) => [endKey(end), { ...NEW_END }]),
    ),
    along: new Map(
      cords.flatMap(({ id, legs }) =>
        (legs === 2 ? ([0, 1] as const) : ([0] as const)).map((half) => [
          legKey({ cord: id, half }),
          [],
        ]),
      ),
    ),
    advanced: new Map(),
    beads: new Map(
      plan.counters.beads.flatMap(({ id, count }) => {
        const bead = beads.get(id);
        return bead ? [[id, { bead, left: count }]] : [];
      }),
    ),
    strung: [],
    waiting: [],
    findings: new Map(
      plan.counters.needs.map(({ id, label, count }) => [
        id,
        { called: label, count, used: 0, open: 0 },
      ]),
    ),
    ranks,
    order: [],
    sorted: false,
    held: null,
    taut: new Set(),
    core: 'free',
    within: new Map(),
    spanned: new Set(),
    overlapped: false,
    wet: null,
    wetEnds: new Set(),
    oiled: false,
    changed: false,
    fitted: false,
    triedClosed: false,
    laidRound: null,
    thread: plan.auxiliary.some(({ id }) => id === THREAD),
    threadUsed: false,
    begins: first,
    crossings: new Map(),
    lastSide: new Map(),
    tested: new Set(),
    checked: new Set(),
    slidesAt: new Set(),
    looped: false,
    slides: false,
    stopped: false,
    slips: new Set(),
    shut: new Set(),
    fastened: new Map(),
    clipped: new Map(),
    crossed: false,
  };
}

/** The cord that pulls others through narrow holes. */
export const THREAD = 'needle-thread';
