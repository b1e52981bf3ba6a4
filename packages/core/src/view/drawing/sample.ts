import type { Bounds, Primitive } from '../../base/kind/primitive.js';
import { tieEnds } from '../../craft/closure/tie-ends/index.js';
import type { Bead } from '../../base/material/bead.js';
import type { Cord } from '../../base/material/cord.js';
import type { PlainPart } from '../../craft/part/plain/index.js';
import { partKind, type Part } from '../../craft/part/registry.js';
import { EXAMPLE_PIECE } from '../../piece/example.js';
import type { Piece, Strand } from '../../piece/piece.js';
import { runsOf } from '../../piece/runs.js';
import { placedPart } from '../../plan/placed-parts.js';
import type { Plan } from '../../plan/plan-types.js';
import { firstSideFor } from '../../plan/steps/habits.js';
import { planPiece } from '../../plan/steps/plan-piece.js';
import { drawPart } from './bench.js';
import { boundsOf } from './bounds.js';

/** One part by itself, planned and as it lies on the bench from x = 0, in mm. */
export interface Sample {
  readonly piece: Piece;
  readonly plan: Plan;
  readonly part: Part;
  readonly shapes: readonly Primitive[];
  /** What of it is worth seeing: all that it measures, and what stands out of it. */
  readonly frame: Bounds;
}

/** So many single cords; and the same with two working cords laid in over them. */
export const cores = (count: number) => (cord: Cord) =>
  Array.from({ length: count }, (): Strand => ({ cord, legs: ['core'], laidIn: false }));
export const overCores = (count: number) => (cord: Cord) => [
  ...cores(count)(cord),
  { cord, legs: ['working', 'working'], laidIn: true } satisfies Strand,
];

/** What a part may be tied of, those that most are tied of first. */
const WAYS: readonly ((cord: Cord) => readonly Strand[])[] = [
  overCores(2),
  ...[1, 2, 3, 4, 6].map(cores),
];

const BEAD = 'bead';
/** A hole this many times as wide as a cord lets two through, with their points. */
const BORED = 2.2;
const plainAt = (id: string): PlainPart => ({ id, kind: 'plain', length: 60 });

/** A part as it lies on the bench, done. */
function drawn(piece: Piece, plan: Plan, part: Part): Pick<Sample, 'shapes' | 'frame'> {
  const own = placedPart(piece, plan, part.id)!;
  const shapes = drawPart(own, own.layout.units, firstSideFor('right'));
  return { shapes, frame: boundsOf(shapes) };
}

/**
 * What a kind of part looks like in a cord: by itself, of as many strands as it takes.
 *
 * @param bead what is strung on it, where it needs one
 * @returns null where it cannot be planned of any strands, or needs a bead that is not there
 */
export function sampleOf(kindId: string, cord: Cord, bead: Bead | undefined): Sample | null {
  const kind = partKind(kindId);
  const { needsBead, needsKnot, ties } = kind.entry;
  if (needsKnot || (needsBead && !bead)) return null;
  const ways = ties === undefined ? [...WAYS.slice(1), WAYS[0]!] : WAYS;
  let next: Sample | null = null;
  // A bead that is too narrow for the cord is shown with a hole that is not.
  const beads = bead
    ? [bead, { ...bead, hole: Math.max(bead.hole, BORED * cord.diameter) }]
    : [null];
  for (const [way, strung] of beads.flatMap((own) => ways.map((one) => [one, own] as const))) {
    const strands = way(cord);
    const base: Piece = {
      ...EXAMPLE_PIECE,
      strands,
      beads: strung ? [{ ...strung, id: BEAD }] : [],
      parts: [],
      closure: tieEnds.make(cord),
      // Which every cord bears; it does not show.
      ends: 'glue',
    };
    const part = kind.make({
      id: kindId,
      bead: bead ? BEAD : '',
      cord,
      runs: runsOf(base).length,
    }) as Part;
    // A small part alone would be too short to go round anything.
    for (const parts of [[part], [plainAt('before'), part, plainAt('after')]]) {
      const piece = { ...base, parts };
      const plan = planPiece(piece);
      if (!plan.ok) continue;
      const sample = { piece, plan, part, ...drawn(piece, plan, part) };
      if (!plan.advice.some(({ severity }) => severity === 'error')) return sample;
      next ??= sample;
    }
  }
  return next;
}
