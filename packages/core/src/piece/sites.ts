import { memoize, sameFields } from '@coiled-strand/rope';
import { closureKind } from '../craft/closure/registry.js';
import type { ClosureSite } from '../base/kind/closure-kind.js';
import type { Lying, PartSite } from '../base/kind/part-kind.js';

import type { Run } from '../base/kind/run.js';
import { ANY_HAND, factorOf, type Hand } from '../base/learn/hand.js';
import type { Cord } from '../base/material/cord.js';
import { sideBySide } from '../craft/knot/lanes.js';
import { easeAmount } from '../base/measure/ease.js';
import { passGirth } from '../base/measure/girth.js';
import { partKind, type Part } from '../craft/part/registry.js';
import { beadIdsOf, beadsById, knotsById } from './palette.js';
import type { Piece } from './piece.js';
import { liesInside, runsAtClosure, runsIn, runsOf, tiedSpan } from './runs.js';

/** Length in mm of cut core ends that the closure hides in the first part tied over a core. */
function buriedIn(piece: Piece): (index: number) => number {
  const legs = piece.strands.map((strand) => strand.legs);
  const length = closureKind(piece.closure.type).buries?.(piece.closure, legs) ?? 0;
  const at = piece.parts.findIndex((part) => partKind(part.kind).entry.ties === 'over-core');
  return (index) => (index === at ? length : 0);
}

/** Runs as they lie; in the order of the cut list where nothing is said of them. */
function inOrder(runs: readonly Run[], lies: Lying | undefined): readonly Run[] {
  if (!lies) return runs;
  const lying = lies.order.flatMap((index) => runs.find((run) => run.index === index) ?? []);
  return lying.length === runs.length ? lying : runs;
}

/** What lies round a part: its site, but for the runs, which follow from those of the whole piece. */
interface Surroundings extends Omit<PartSite, 'runs' | 'crossed'> {
  /** All runs of the piece. */
  readonly all: readonly Run[];
  /** Whether it lies between the first part that is tied and the last. */
  readonly inside: boolean;
  readonly lies: Lying | undefined;
}

const siteOf = memoize(
  (part: Part, { all, inside, lies, ...site }: Surroundings): PartSite => ({
    ...site,
    runs: inOrder(runsIn(part, all, inside), lies),
    crossed: lies?.crossed ?? 0,
  }),
  sameFields,
);

/** The run that ties among some; the first where none does. */
const tiesWith = (runs: readonly Run[]): Run | undefined =>
  runs.find((run) => run.role === 'working' || run.role === 'plaited') ?? runs[0];

/** The cord that a part is tied with: what a hand's factors go by. Undefined where nothing lies. */
export const tyingCord = (site: PartSite | undefined): Cord | undefined =>
  tiesWith(site?.runs ?? [])?.cord;

/** This hand's length per unit over the model's, with the cord that ties here. */
function pitchFactorOf(part: Part, runs: readonly Run[], hand: Hand): number {
  const ties = tiesWith(runs);
  return ties ? (factorOf(hand, part.kind, ties.cord.kind, 'pitch')?.factor ?? 1) : 1;
}

/** A plan, as far as it says how the cords of its parts lie, and how long this hand's units are. */
interface Laid {
  readonly parts: readonly { readonly lies?: Lying; readonly pitchFactor?: number }[];
}

/**
 * What every part of a planned piece has to work with: its cords lie as the parts before leave them, and its
 * units are as long as the hand makes them that it was planned for.
 */
export const sitesIn = (piece: Piece, plan: Laid): PartSite[] =>
  sitesOf(
    piece,
    ANY_HAND,
    plan.parts.map(({ lies }) => lies),
    plan.parts.map(({ pitchFactor }) => pitchFactor ?? 1),
  );

/**
 * What every part of the piece has to work with, in the order of the parts.
 * @param lying how cords lie where each part begins; as in the cut list when left out
 * @param factors length per unit over the model's of each part, where it is known already
 */
export function sitesOf(
  piece: Piece,
  hand: Hand = ANY_HAND,
  lying: readonly (Lying | undefined)[] = [],
  factors: readonly number[] = [],
): PartSite[] {
  const runs = runsOf(piece);
  const bead = beadsById(piece);
  const knot = knotsById(piece);
  const span = tiedSpan(piece.parts);
  const buried = buriedIn(piece);
  return piece.parts.map((part, i) =>
    siteOf(part, {
      all: runs,
      inside: liesInside(span, i),
      lies: lying[i],
      bead,
      knot,
      buried: buried(i),
      pitchFactor: factors[i] ?? pitchFactorOf(part, runs, hand),
      practice: piece.cutting.practice,
      first: i === 0,
      last: i === piece.parts.length - 1,
    }),
  );
}

/** Girth in mm of the body where the piece is worn; undefined when it was not measured. */
export const girthOf = (piece: Piece): number | undefined => piece.wearer[piece.wear.site];

/** Inner circumference aimed at in mm: the length wanted, or girth and room. */
const targetOf = (piece: Piece): number =>
  piece.wear.length ?? (girthOf(piece) ?? 0) + easeAmount(piece.ease);

const turnedOf = (runs: readonly Run[]): number[] => [
  ...new Set(
    runs
      .filter((run) => run.role === 'working')
      .filter((run) =>
        runs.some((o) => o.strand === run.strand && o.half === run.half && o.role === 'core'),
      )
      .map((run) => run.strand),
  ),
];

/** The parts from an end to the stretch that the fit sets: what comes through a ring there, one by one. */
function towards(parts: readonly Part[]): readonly Part[] {
  const fills = parts.findIndex((part) => partKind(part.kind).fills(part));
  return fills < 0 ? parts : parts.slice(0, fills);
}

/** What the closure has to close. */
export function closureSiteOf(piece: Piece, sites: readonly PartSite[]): ClosureSite {
  const runs = runsOf(piece);
  const reaching = runsAtClosure(runs);
  const [first, last] = [piece.parts[0], piece.parts.at(-1)];
  const bead = beadsById(piece);
  const sectionAt = (index: number): { width: number; thickness: number } => {
    const part = piece.parts[index];
    const site = sites[index];
    return part && site ? partKind(part.kind).section(part, site) : sideBySide(reaching);
  };
  const ends = [sectionAt(0), sectionAt(piece.parts.length - 1)];
  const endBeads = [...towards(piece.parts), ...towards([...piece.parts].reverse())].flatMap(
    (part) => beadIdsOf(part).map((id) => bead(id).height),
  );
  return {
    runs: reaching,
    turned: turnedOf(runs),
    practice: piece.cutting.practice,
    ends: piece.ends,
    pass: passGirth(piece.wear.site, piece.wearer),
    turns: piece.wear.turns,
    target: targetOf(piece),
    child: piece.wearer.child === true,
    endSize: Math.max(sideBySide(reaching).width, ...endBeads),
    first: first ? partKind(first.kind).entry : null,
    last: last ? partKind(last.kind).entry : null,
    width: Math.max(...ends.map((section) => section.width)),
    thickness: Math.max(...ends.map((section) => section.thickness)),
  };
}
