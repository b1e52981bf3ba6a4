import {
  CLOSURE_KINDS,
  EXAMPLE_PIECE,
  firstSideFor,
  makeSteps,
  PART_KINDS,
  partKind,
  planPiece,
  sampleClosure,
  sampleOf,
  suitsEnd,
  type Bead,
  type Cord,
  type EndTreatment,
  type Part,
  type Piece,
  type Plan,
  type Side,
  type Step,
} from '@coiled-strand/core';
import type { Entry } from './entries';

/** What an entry is shown and practised on: a small piece, and which of its steps are about it. */
export interface OnCord {
  readonly piece: Piece;
  readonly plan: Plan;
  /** The part that it is about; null for a closure or a finish. */
  readonly part: Part | null;
  readonly steps: readonly Step[];
  readonly firstSide: Side;
}

/** As many units as a swatch is measured by, where a part can be tied with any number. */
const PRACTISED = 20;

/** A part by itself, long enough to get into the way of it. */
function partOn(
  id: string,
  cord: Cord,
  bead: Bead | undefined,
): Omit<OnCord, 'steps' | 'firstSide'> | null {
  const { needsBead, needsKnot } = partKind(id).entry;
  if (needsKnot || (needsBead && !bead)) return null;
  const sample = sampleOf(id, cord, needsBead ? bead : undefined);
  if (!sample) return null;
  const { piece, plan, part } = sample;
  const longer = partKind(id).withUnits?.(part, PRACTISED) as Part | undefined;
  if (!longer) return { piece, plan, part };
  const longPiece = { ...piece, parts: piece.parts.map((one) => (one === part ? longer : one)) };
  const longPlan = planPiece(longPiece);
  // What loses its order on the way is shown as short as it is.
  const good = longPlan.ok && !longPlan.advice.some(({ severity }) => severity === 'error');
  return good ? { piece: longPiece, plan: longPlan, part: longer } : { piece, plan, part };
}

function finishOn(ends: EndTreatment, cord: Cord): Omit<OnCord, 'steps' | 'firstSide'> | null {
  if (!suitsEnd(ends, cord.kind)) return null;
  const strands = EXAMPLE_PIECE.strands.map((strand) => ({ ...strand, cord }));
  const piece = { ...EXAMPLE_PIECE, strands, ends };
  const plan = planPiece(piece);
  return plan.ok ? { piece, plan, part: null } : null;
}

function closureOn(type: string, cord: Cord): Omit<OnCord, 'steps' | 'firstSide'> | null {
  const sample = sampleClosure(type, cord);
  return sample && { ...sample, part: null };
}

/** Which steps are about an entry. */
const isAbout =
  ({ group }: Entry, part: Part | null) =>
  ({ stage, look, part: own }: Step): boolean => {
    if (group === 'finish') return stage === 'finish' && look?.kind === 'ends';
    if (group === 'closure') {
      return own === 'closure' || (stage === 'prepare' && look?.kind === 'start');
    }
    return own === part?.id;
  };

/** An entry on a cord; null where it does not go with such a cord, or with what is at hand. */
export function onCord(
  entry: Entry,
  cord: Cord,
  bead: Bead | undefined,
  hand: Side,
): OnCord | null {
  const found = PART_KINDS.some((kind) => kind.entry.id === entry.id)
    ? partOn(entry.id, cord, bead)
    : CLOSURE_KINDS.some((kind) => kind.entry.type === entry.id)
      ? closureOn(entry.id, cord)
      : finishOn(entry.id as EndTreatment, cord);
  if (!found) return null;
  const { piece, plan, part } = found;
  const steps = makeSteps(piece, plan, { hand }).filter(isAbout(entry, part));
  return { ...found, steps, firstSide: firstSideFor(hand) };
}
