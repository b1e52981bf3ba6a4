import { closureKind, type Closure } from '../../craft/closure/registry.js';
import type { Cord } from '../../base/material/cord.js';
import { EXAMPLE_PIECE } from '../../piece/example.js';
import type { Piece, Strand } from '../../piece/piece.js';
import type { Plan } from '../../plan/plan-types.js';
import { planPiece } from '../../plan/steps/plan-piece.js';
import { cores, overCores } from './sample.js';

/** A small piece that closes in one way, planned. */
export interface ClosureSample {
  readonly piece: Piece;
  readonly plan: Plan;
}

const plain: Piece['parts'] = [{ id: 'plain', kind: 'plain', length: null }];
const pieceOf = (strands: readonly Strand[], parts: Piece['parts']): Piece => ({
  ...EXAMPLE_PIECE,
  strands,
  parts,
  // Which every cord bears.
  ends: 'glue',
});

/** What a piece may be made of that closes so, what most are made of first. */
const WAYS: readonly ((cord: Cord) => Piece)[] = [
  (cord) =>
    pieceOf(
      EXAMPLE_PIECE.strands.map((strand) => ({ ...strand, cord })),
      EXAMPLE_PIECE.parts,
    ),
  (cord) => pieceOf(overCores(2)(cord), EXAMPLE_PIECE.parts),
  (cord) => pieceOf(cores(1)(cord), plain),
  (cord) => pieceOf(cores(2)(cord), plain),
];

/**
 * What a closure looks like at the ends of a small piece of a cord: of the first work that goes with it.
 *
 * @returns null where none can be planned
 */
export function sampleClosure(type: string, cord: Cord): ClosureSample | null {
  let next: ClosureSample | null = null;
  for (const way of WAYS) {
    const piece = { ...way(cord), closure: closureKind(type).make(cord) as Closure };
    const plan = planPiece(piece);
    if (!plan.ok) continue;
    if (!plan.advice.some(({ severity }) => severity === 'error')) return { piece, plan };
    next ??= { piece, plan };
  }
  return next;
}
