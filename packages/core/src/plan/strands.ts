import { PRACTICE, type Use, type Reason, type AuxiliaryCord } from '../base/kind/reason.js';
import { spreadOf, sumOf, useOf, type Area } from '../base/kind/reason.js';
import type { Hand } from '../base/learn/hand.js';
import { meanFactor, reserveFactor } from '../base/learn/reserve.js';
import { endReason } from '../base/kind/working-ends.js';
import { roundUpToStep } from '../base/measure/round.js';
import type { Cutting, Piece, Strand } from '../piece/piece.js';
import { firstMake } from './first-make.js';
import { endInWork, lastInWork } from '../piece/ends-in-work.js';
import { runsEndingByKnots, runsOf } from '../piece/runs.js';
import { withOwnEnds } from './hand-uses.js';
import type { AuxiliaryPlan, StrandPlan } from './plan-types.js';

const alike = (a: number, b: number): boolean => Math.abs(a - b) < 1e-6;

/** Reasons of one kind while they are being added up. */
interface Sum {
  readonly first: Reason;
  mm: number;
  count: number;
  /** How long each of them is; null when they are not alike. */
  each: number | null;
  assumed: boolean;
  /** Length in mm times the spread of how many units it is. */
  byPitch: number;
}

/** What is added up: one kind of reason, of one technique, since those are learnt apart. */
const kindOf = ({ code, technique }: Reason): string => `${code} ${technique ?? ''}`;

/** Adds reasons of the same kind up; the count stays where every one was as long. */
class Sums {
  private readonly kinds = new Map<string, Sum>();

  add(reason: Reason): void {
    const old = this.kinds.get(kindOf(reason));
    if (!old) {
      this.kinds.set(kindOf(reason), {
        first: reason,
        mm: reason.mm,
        count: reason.times?.count ?? 0,
        each: reason.times?.each ?? null,
        assumed: reason.assumed ?? false,
        byPitch: reason.mm * (reason.pitchSpread ?? 0),
      });
      return;
    }
    const same = old.each !== null && reason.times && alike(old.each, reason.times.each);
    old.mm += reason.mm;
    old.count += reason.times?.count ?? 0;
    if (!same) old.each = null;
    old.assumed ||= reason.assumed ?? false;
    old.byPitch += reason.mm * (reason.pitchSpread ?? 0);
  }

  reasons(): Reason[] {
    return [...this.kinds.values()].map(({ first, mm, count, each, assumed, byPitch }): Reason => {
      const { times: _times, assumed: _assumed, pitchSpread: _pitch, ...plain } = first;
      return {
        ...plain,
        mm,
        ...(each === null ? {} : { times: { count, each } }),
        ...(assumed ? { assumed } : {}),
        // One hand ties them all: those to a length vary together, those by number do not.
        ...(byPitch > 0 ? { pitchSpread: byPitch / mm } : {}),
      };
    });
  }
}

/** What both halves do alike is told once: knots are counted once, straight runs twice. */
function mergeHalves(first: readonly Reason[], second: readonly Reason[]): Reason[] {
  const rest = [...second];
  const both = first.map((reason): Reason => {
    const i = rest.findIndex((other) => kindOf(other) === kindOf(reason));
    if (i < 0) return reason;
    const [other] = rest.splice(i, 1) as [Reason];
    const mm = reason.mm + other.mm;
    const { times: mine, bothHalves, pitchSpread: _pitch, ...own } = reason;
    const byPitch = reason.mm * (reason.pitchSpread ?? 0) + other.mm * (other.pitchSpread ?? 0);
    const plain = { ...own, ...(byPitch > 0 ? { pitchSpread: byPitch / mm } : {}) };
    if (!alike(reason.mm, other.mm) || !mine) return { ...plain, mm };
    return bothHalves === undefined
      ? { ...plain, mm, times: { count: 2 * mine.count, each: mine.each } }
      : { ...plain, mm, detail: bothHalves, times: { count: mine.count, each: 2 * mine.each } };
  });
  return [...both, ...rest];
}

const RANK: readonly Area[] = ['start', 'run', 'knot', 'closure', 'end', 'reserve'];
const rank = ({ area }: Reason): number => RANK.indexOf(area);

/** Reserve for a hand's spread, of each kind of knot at its own; one hand, so they add up. */
function reserveOf(reasons: readonly Reason[], confidence: number): Reason[] {
  const mm = reasons.reduce(
    (sum, reason) => sum + reason.mm * (reserveFactor(confidence, spreadOf(reason)) - 1),
    0,
  );
  if (mm <= 0) return [];
  const percent = Number((confidence * 100).toFixed(1));
  // Told of what asks for the most of it.
  const share = (reason: Reason): number => reason.mm * spreadOf(reason);
  const most = reasons.reduce((a, b) => (share(b) > share(a) ? b : a));
  const spread = spreadOf(most);
  const known = most.hand !== undefined;
  return [
    {
      area: 'reserve',
      code: 'reserve',
      label: 'Reserve',
      detail: `${known ? 'your makes differ' : 'hands differ'} by about ${Math.round(spread * 100)} % in the cord ${most.pitchSpread ? 'that knots to a length take' : 'a knot takes'}; with this much more it lasts ${percent} times in 100`,
      ...(known ? {} : PRACTICE),
      mm,
    },
  ];
}

/** What stays in the piece of a length, on average over hands. */
const keptOf = (reasons: readonly Reason[]): number =>
  reasons
    .filter(({ area }) => area !== 'end' && area !== 'reserve')
    .reduce((sum, reason) => sum + reason.mm * meanFactor(spreadOf(reason)), 0);

const isTurned = (strand: Strand): boolean => strand.legs.includes('turned');

/** What a strand is called in the cut list. */
function strandRole(strand: Strand, all: readonly Strand[]): string {
  const sameKind = all.filter((s) => s.legs.join() === strand.legs.join());
  if (isTurned(strand)) {
    const turned = all.filter(isTurned);
    return turned.length === 1 ? 'Cord' : turned[0] === strand ? 'Front cord' : 'Edge cord';
  }
  const roles = new Set(strand.legs);
  const name = roles.has('working')
    ? roles.size > 1
      ? 'Core and working cord'
      : 'Working cord'
    : roles.has('plaited')
      ? 'Strand'
      : roles.has('carried')
        ? 'Carried cord'
        : all.length === sameKind.length
          ? 'Cord'
          : 'Core cord';
  return name;
}

/** The ends that the last knots of cords ending in the work are tied with. */
const endsInWork = (piece: Piece): Use[] =>
  runsEndingByKnots(runsOf(piece)).map((run) =>
    useOf(run, endReason(lastInWork(piece)), endInWork(piece, run.cord)),
  );

/** What a cord is cut longer than it is planned: for hands that take more, and for one that nothing is known of. */
const marginOf = (
  reasons: readonly Reason[],
  { confidence, practice }: Cutting,
  hand: Hand,
): Reason[] => [...reserveOf(reasons, confidence), ...firstMake(reasons, practice, hand)];

function planStrand(
  { strands, cutting }: Piece,
  index: number,
  sums: readonly [Sums, Sums],
  hand: Hand,
): StrandPlan {
  const strand = strands[index]!;
  const halves = [sums[0].reasons(), sums[1].reasons()] as const;
  const merged = mergeHalves(halves[0], halves[1]).sort((a, b) => rank(a) - rank(b));
  const reasons = [...merged, ...marginOf(merged, cutting, hand)];
  const total = sumOf(reasons);
  const cut = roundUpToStep(total, cutting.step);
  const kept = keptOf(reasons);
  const folded = strand.legs.length > 1;
  const lengths = halves.map((half) => sumOf([...half, ...marginOf(half, cutting, hand)]));
  const [a, b] = lengths as [number, number];
  return {
    number: index + 1,
    role: strandRole(strand, strands),
    cord: strand.cord,
    reasons,
    total,
    cut,
    given: reasons.some((reason) => reason.given),
    // Off the middle when one half works harder; what rounding adds is shared in proportion.
    fold: folded && total > 0 ? (alike(a, b) ? cut / 2 : (cut * a) / (a + b)) : null,
    leftover: cut - kept,
    kept,
  };
}

/**
 * Every strand of the piece with the reasons for its length.
 * @param uses what parts and closure take of each half of each strand, in this hand but for working ends
 */
export function planStrands(piece: Piece, uses: readonly Use[], hand: Hand): StrandPlan[] {
  const sums = piece.strands.map(() => [new Sums(), new Sums()] as const);
  for (const { strand, half, reason } of [...uses, ...endsInWork(piece)]) {
    const own = piece.strands[strand - 1];
    if (own) sums[strand - 1]![half].add(withOwnEnds(reason, own.cord.kind, hand));
  }
  return sums.map((own, index) => planStrand(piece, index, own, hand));
}

/** Cords cut besides the strands. */
export const planAuxiliary = (
  cords: readonly AuxiliaryCord[],
  cutting: Cutting,
  hand: Hand,
): AuxiliaryPlan[] =>
  cords.map(({ id, label, cord, reasons: told }) => {
    const plain = cord ? told.map((reason) => withOwnEnds(reason, cord.kind, hand)) : told;
    const reasons = [...plain, ...marginOf(plain, cutting, hand)];
    const total = sumOf(reasons);
    return { id, label, cord, reasons, total, cut: roundUpToStep(total, cutting.step) };
  });
