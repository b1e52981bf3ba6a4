import { closureKind } from '../../craft/closure/registry.js';
import { passage } from '../../base/material/passage.js';
import { sumOf } from '../../base/kind/reason.js';
import { beforeStretch, turnAt, wornIn } from '../../base/measure/fit.js';
import type { BeadsPart } from '../../craft/part/beads/model.js';
import { partKind, type Part } from '../../craft/part/registry.js';
import { alternated, graded, inBlocks } from '../../piece/arrange.js';
import { freshId } from '../../piece/edit.js';
import { beadIdsOf, beadsById } from '../../piece/palette.js';
import type { Piece } from '../../piece/piece.js';
import { ANY_HAND, type Hand } from '../../base/learn/hand.js';
import { closureSiteOf, sitesOf } from '../../piece/sites.js';
import { fitParts, stretchOf } from '../fit-plan.js';
import { planPiece } from '../steps/plan-piece.js';
import {
  choicesOf,
  groupAlike,
  MAX_KINDS,
  mostOf,
  shareEvenly,
  type Alike,
  type BeadWish,
} from './alike.js';
import { bestCounts, type Candidate, type CountAnswer } from './solve.js';

export type RowOrder = 'graded' | 'alternating' | 'blocks';
export type RowGap = 'touching' | 'overhand' | 'double-barrel' | 'half-knots';

/** What the maker wants laid out. */
export interface LayoutWish {
  /** Beads of the piece that may be used, and how many of each. */
  readonly beads: readonly BeadWish[];
  readonly symmetric: boolean;
  readonly order: RowOrder;
  readonly between: RowGap;
  /** Fewest and most half knots between neighbours; read only for half knots. */
  readonly knots: readonly [number, number];
  /** Length in mm of each part beside the row that would otherwise take what the fit asks for. */
  readonly ends: number;
  /** How many proposals. */
  readonly keep: number;
}

export interface Proposal {
  readonly piece: Piece;
  readonly row: readonly string[];
  readonly counts: readonly { readonly id: string; readonly count: number }[];
  /** Half knots between neighbours; 0 without. */
  readonly knots: number;
  /** What planning it gives: inner circumference in mm, or length of a piece worn open. */
  readonly size: number;
  /** That size minus the one aimed at, in mm. */
  readonly off: number;
}

/** First and last part that carries beads: what a proposal puts its row in place of. */
function slotOf(parts: readonly Part[]): readonly [number, number] {
  const carries = (part: Part): boolean => part.kind === 'beads';
  const first = parts.findIndex(carries);
  if (first >= 0) return [first, parts.findLastIndex(carries)];
  const middle = Math.floor(parts.length / 2);
  return [middle, middle - 1];
}

/** The row as parts: one of beads, or beads and half knots in turn. */
function rowParts(
  piece: Piece,
  row: readonly string[],
  { between }: Pick<LayoutWish, 'between'>,
  knots: number,
): Part[] {
  const [from, to] = slotOf(piece.parts);
  const outside = [...piece.parts.slice(0, from), ...piece.parts.slice(to + 1)];
  const old = piece.parts.find((part): part is BeadsPart => part.kind === 'beads');
  const through = { through: old?.through ?? 'core', runs: old?.runs ?? null } as const;
  const beads = (ids: readonly string[], id: string): BeadsPart => ({
    id,
    kind: 'beads',
    beads: ids,
    ...through,
    between: between === 'half-knots' ? 'touching' : between,
    gap: 0,
  });
  if (between !== 'half-knots') return [beads(row, freshId(outside, 'beads'))];
  const parts: Part[] = [];
  const fresh = (kind: string): string => freshId([...outside, ...parts], kind);
  row.forEach((id, i) => {
    if (i > 0) {
      parts.push({
        id: fresh('square-knot-sinnet'),
        kind: 'square-knot-sinnet',
        form: 'flat',
        tension: 'even',
        length: null,
        units: knots,
      });
    }
    parts.push(beads([id], fresh('beads')));
  });
  return parts;
}

/** The piece with a row in its slot, and nothing left to the fit. */
function withRow(piece: Piece, wish: LayoutWish, row: readonly string[], knots: number): Piece {
  const [from, to] = slotOf(piece.parts);
  const fix = (part: Part): Part =>
    partKind(part.kind).fills(part) ? ({ ...part, length: wish.ends } as Part) : part;
  return {
    ...piece,
    parts: [
      ...piece.parts.slice(0, from).map(fix),
      ...rowParts(piece, row, wish, knots),
      ...piece.parts.slice(to + 1).map(fix),
    ],
  };
}

/** Counts as a row: its halves alike when it is to be symmetric. */
export function orderRow(
  ids: readonly string[],
  { symmetric, order }: Pick<LayoutWish, 'symmetric' | 'order'>,
  size: Parameters<typeof graded>[1],
): string[] {
  const arrange = (row: readonly string[]): string[] =>
    order === 'graded' ? graded(row, size) : order === 'blocks' ? inBlocks(row) : alternated(row);
  if (!symmetric) return arrange(ids);
  const counts = new Map<string, number>();
  for (const id of ids) counts.set(id, (counts.get(id) ?? 0) + 1);
  const half = [...counts].flatMap(([id, n]) =>
    Array.from({ length: Math.floor(n / 2) }, () => id),
  );
  const middle = [...counts].filter(([, n]) => n % 2 === 1).map(([id]) => id);
  // Graded: small beads outside, so the half grows towards the middle.
  const left =
    order === 'graded'
      ? [...half].sort((a, b) => size(a).height - size(b).height || size(a).length - size(b).length)
      : arrange(half);
  return [...left, ...middle, ...left.slice().reverse()];
}

/** How a piece without filling parts measures against its aim, in mm along the inside. */
function measureOf(piece: Piece, hand: Hand): { readonly has: number; readonly wants: number } {
  const sites = sitesOf(piece, hand);
  const site = closureSiteOf(piece, sites);
  const kind = closureKind(piece.closure.type);
  const { layouts } = fitParts(piece, sites, site);
  const stretch = stretchOf(piece);
  const open = kind.open?.(piece.closure, site);
  if (open) {
    return {
      has: layouts.reduce((sum, layout) => sum + layout.length, 0),
      wants: beforeStretch(sumOf(open.length), stretch),
    };
  }
  const r = site.target / (2 * Math.PI);
  const round = layouts.flatMap((layout) => layout.round);
  const angle = turnAt([...wornIn(round, stretch), ...kind.aim(piece.closure, site)], r);
  return { has: angle * r, wants: site.turns * site.target };
}

/** Beads that fit on their cords, no more of each than there are in hand. */
function allowed(piece: Piece, wish: LayoutWish): LayoutWish['beads'] {
  const bead = beadsById(piece);
  const [from, to] = slotOf(piece.parts);
  const elsewhere = [...piece.parts.slice(0, from), ...piece.parts.slice(to + 1)].flatMap(
    beadIdsOf,
  );
  return wish.beads.flatMap(({ id, least, most }) => {
    const tried = withRow(piece, wish, [id], 1);
    const sites = sitesOf(tried);
    const at = tried.parts.findIndex((part) => part.kind === 'beads');
    const [row, site] = [tried.parts[at], sites[at]];
    if (!row || !site) return [];
    const goes = partKind('beads')
      .layOut(row, site, 0)
      .passages.every(
        ({ hole, runs }) =>
          passage(
            hole,
            runs.map((run) => run.cord),
          ).answer !== 'no',
      );
    const used = elsewhere.filter((other) => other === id).length;
    const stock = Math.max(0, (bead(id).count ?? Infinity) - used);
    const top = Math.min(most, stock);
    return goes && least <= top ? [{ id, least, most: top }] : [];
  });
}

/** Looked at more closely than is kept: planning them ranks them truly. */
const SPARE = 4;
/** Measured, before the nearest of them are planned: what lies between two beads depends on both. */
const MEASURED = 12;
/** As near in mm as no rule shows a difference: as many rows as are kept that come so near are enough. */
const NO_DIFFERENCE = 0.02;
/** Rows of some kinds of beads that are near, by counts of all kinds. */
interface Near {
  readonly answer: CountAnswer;
  readonly knots: number;
  readonly groups: readonly Alike[];
}

/**
 * What a row takes is the sum of what each bead takes between others of its kind, and of what its two outermost
 * beads take beside the rest of the piece. Which kinds lie outermost depends on which are there: every choice of
 * kinds is searched by itself.
 */
function* searchRows(
  piece: Piece,
  wish: LayoutWish,
  beads: LayoutWish['beads'],
  knots: number,
  hand: Hand,
): Generator<number, Near[]> {
  const bead = beadsById(piece);
  const of = (ids: readonly string[]): ReturnType<typeof measureOf> =>
    measureOf(withRow(piece, wish, ids, knots), hand);
  const takes = new Map(
    beads.map(({ id }) => {
      const { has, wants } = of([id]);
      const inRow = of([id, id]).has - has;
      return [id, { inRow, beside: has - inRow, wants }];
    }),
  );
  const [first] = takes.values();
  if (!first) return [];
  const groups = groupAlike(beads, (id) => takes.get(id)?.inRow ?? 0);
  const beside = (id = ''): number => takes.get(id)?.beside ?? 0;
  const near: Near[] = [];
  const choices = choicesOf(groups.length);
  for (const [n, chosen] of choices.entries()) {
    const every = groups.length <= MAX_KINDS;
    const there = groups.filter((_, i) => chosen.includes(i));
    const candidates: Candidate[] = there.map((group) => {
      const least = group.beads.reduce((sum, own) => sum + own.least, 0);
      return {
        length: group.length,
        least: every ? Math.max(1, least) : least,
        most: mostOf(group, wish.symmetric),
      };
    });
    // Kinds that must be there are in every choice that counts; none is asked for more than there is.
    const wanted = groups.some(
      (group, i) => !chosen.includes(i) && group.beads.some(({ least }) => least > 0),
    );
    if (wanted || candidates.some(({ least, most }) => least > most)) continue;
    const kinds = there.flatMap((group) => group.beads.slice(0, 1).map(({ id }) => id));
    const sample = orderRow(
      kinds.flatMap((id) => [id, id]),
      wish,
      bead,
    );
    const target = first.wants - (beside(sample[0]) + beside(sample.at(-1))) / 2;
    const search = bestCounts(
      { candidates, gap: 0, target, symmetric: wish.symmetric },
      wish.keep * SPARE,
      NO_DIFFERENCE,
    );
    for (;;) {
      const step = search.next();
      if (step.done) {
        near.push(
          ...step.value.map(({ counts, off }) => ({
            answer: { off, counts: groups.map((_, i) => counts[chosen.indexOf(i)] ?? 0) },
            knots,
            groups,
          })),
        );
        break;
      }
      yield (n + step.value) / choices.length;
    }
  }
  return near;
}

/** Counts of kinds as a row of beads; null where its halves cannot be alike. */
function rowOf(
  piece: Piece,
  wish: LayoutWish,
  { answer, groups }: Near,
): { readonly row: string[]; readonly counts: Proposal['counts'] } | null {
  const counts = groups.flatMap((group, i) => {
    const shared = shareEvenly(group.beads, answer.counts[i] ?? 0, wish.symmetric);
    return group.beads.map(({ id }, n) => ({ id, count: shared[n] ?? 0 }));
  });
  if (wish.symmetric && counts.filter(({ count }) => count % 2 === 1).length > 1) return null;
  const ids = counts.flatMap(({ id, count }) => Array.from({ length: count }, () => id));
  return { row: orderRow(ids, wish, beadsById(piece)), counts };
}

/**
 * Proposes rows of beads that land nearest to the size aimed at, best first. Beads are counted by the
 * angle each takes on a body of that size, where lengths add up; what is near is then laid round the body as a
 * whole, and the nearest planned: a proposal's deviation is the one that planning gives.
 *
 * Yields the share done, 0 to 1.
 *
 * @param piece the piece as it stands; its row of beads, from the first to the last, is replaced
 * @param hand what was learnt of the hand that will make it
 * @throws RangeError when no bead may be used: its hole is too narrow, or there is none in hand
 */
export function* proposeLayouts(
  piece: Piece,
  wish: LayoutWish,
  hand: Hand = ANY_HAND,
): Generator<number, Proposal[]> {
  const beads = allowed(piece, wish);
  const first = beads[0];
  if (!first) {
    throw new RangeError(
      'None of these beads can be used: their holes are too narrow for the cords, or none is left in hand.',
    );
  }
  const [low, high] = wish.between === 'half-knots' ? wish.knots : [0, 0];
  const tries = high - low + 1;
  const near: Near[] = [];
  for (let knots = low; knots <= high; knots++) {
    const search = searchRows(piece, wish, beads, knots, hand);
    for (;;) {
      const step = search.next();
      if (step.done) {
        near.push(...step.value);
        break;
      }
      yield (0.9 * (knots - low + step.value)) / tries;
    }
  }
  const byOff = <T extends { readonly off: number }>(a: T, b: T): number =>
    Math.abs(a.off) - Math.abs(b.off);
  const measured = near
    .sort((a, b) => byOff(a.answer, b.answer))
    .slice(0, wish.keep * SPARE * MEASURED)
    .flatMap((own) => {
      const laid = rowOf(piece, wish, own);
      if (!laid) return [];
      const proposed = withRow(piece, wish, laid.row, own.knots);
      const { has, wants } = measureOf(proposed, hand);
      return [{ ...laid, knots: own.knots, proposed, off: has - wants }];
    })
    .sort(byOff);
  yield 0.95;
  const proposals = measured
    .slice(0, wish.keep * SPARE)
    .flatMap(({ row, counts, knots, proposed }): Proposal[] => {
      const plan = planPiece(proposed, hand);
      if (!plan.ok || plan.unmakeable) return [];
      const open = plan.fit.circumference === 0;
      const size = open ? plan.fit.length : plan.fit.circumference;
      return [
        {
          piece: proposed,
          row,
          counts: counts.filter(({ count }) => count > 0),
          knots,
          size,
          off: size - (open ? plan.fit.fitted : plan.fit.target),
        },
      ];
    });
  yield 1;
  return proposals.sort(byOff).slice(0, wish.keep);
}
