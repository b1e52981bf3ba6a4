export { random } from '@coiled-strand/rope';
import type { ClosureSite } from './base/kind/closure-kind.js';
import type { PartSite } from './base/kind/part-kind.js';
import type { Primitive } from './base/kind/primitive.js';
import type { Run, RunRole } from './base/kind/run.js';
import type { Cord } from './base/material/cord.js';
import { plain } from './craft/part/plain/index.js';
import type { Saying } from './base/measure/saying.js';
import { IN_MM, speak } from './base/measure/speak.js';
import type { Piece, Strand } from './piece/piece.js';
import { EXAMPLE_CORD, outAndBack } from './piece/example.js';
import { ANY_HAND, type Hand } from './base/learn/hand.js';
import { planPiece } from './plan/steps/plan-piece.js';
import type { Plan } from './plan/plan-types.js';
import type { PieceBead } from './piece/piece.js';
import { beadsById, knotsById } from './piece/palette.js';

/** What the tests of the core share. Not part of the package. */

/** A cord that is as thick under tension as on its label. */
export const testCord = (diameter: number, more: Partial<Cord> = {}): Cord => ({
  name: 'test cord',
  kind: 'nylon-cord',
  diameter,
  effective: 1,
  colour: { name: 'slate', hex: '#5b6b78' },
  ...more,
});

export const testBead = (id: string, size: number, more: Partial<PieceBead> = {}): PieceBead => ({
  id,
  name: id,
  shape: 'round',
  length: size,
  height: size,
  hole: size / 2,
  colour: { name: 'grey', hex: '#777777' },
  ...more,
});

/** Runs of strands of their own, one role each. */
export const testRuns = (
  roles: readonly RunRole[],
  cord = testCord(1),
  more: Partial<Run> = {},
): Run[] =>
  roles.map((role, index) => ({
    index,
    strand: index + 1,
    half: 0,
    role,
    cord,
    laidIn: false,
    folded: false,
    ...more,
  }));

export const testSite = (
  runs: readonly Run[],
  beads: readonly PieceBead[] = [],
  more: Partial<PartSite> = {},
): PartSite => ({
  runs,
  bead: beadsById({ beads }),
  knot: knotsById({}),
  buried: 0,
  crossed: 0,
  pitchFactor: 1,
  practice: 'practised',
  first: false,
  last: false,
  ...more,
});

export const testClosureSite = (
  runs: readonly Run[],
  more: Partial<ClosureSite> = {},
): ClosureSite => ({
  runs,
  turned: [],
  practice: 'practised',
  ends: 'glue',
  pass: { what: 'hand', mm: 226, estimated: false },
  turns: 1,
  target: 196,
  child: false,
  endSize: 4,
  first: plain.entry,
  last: plain.entry,
  width: 4,
  thickness: 2,
  ...more,
});

/** Ways of using cords for a band on a buckle. */
export const BAND_CORDS = {
  'one-cord': (cord: Cord): Strand[] => [outAndBack(cord)],
  'joined-at-fold': (cord: Cord): Strand[] => [
    { cord, legs: ['turned'], laidIn: false },
    { cord, legs: ['turned'], laidIn: false },
  ],
  'own-core': (cord: Cord): Strand[] => [
    { cord, legs: ['core', 'core'], laidIn: false },
    { cord, legs: ['working', 'working'], laidIn: true },
  ],
} as const;
export type BandCords = keyof typeof BAND_CORDS;
export const BAND_WAYS = Object.keys(BAND_CORDS) as BandCords[];
export const exampleStrands = (way: BandCords): Strand[] => BAND_CORDS[way](EXAMPLE_CORD);

/** @throws Error with the advice when the piece cannot be planned */
export function planned(piece: Piece, hand: Hand = ANY_HAND): Plan {
  const plan = planPiece(piece, hand);
  if (!plan.ok || plan.unmakeable) throw new Error(JSON.stringify(plan.advice));
  return plan;
}

export const adviceCodes = (piece: Piece): string[] =>
  planPiece(piece).advice.map((item) => item.code);

/** A sentence in millimetres. */
export const inMm = (saying: Saying): string => speak(saying, IN_MM);

/** Every point of some shapes. */
export const pointsOf = (shapes: readonly Primitive[]): (readonly [number, number])[] =>
  shapes.flatMap((shape) => {
    switch (shape.kind) {
      case 'cord':
        return shape.lines.flat();
      case 'plate':
        return shape.outlines.flat();
      case 'bead':
        return [shape.at];
      case 'arrow':
        return [...shape.line];
    }
  });

/** Whether a row is the same from both ends. */
export const isSymmetric = (ids: readonly string[]): boolean =>
  ids.every((id, i) => id === ids[ids.length - 1 - i]);

/** A hand that has measured one thing, which is in no piece of the tests: it makes no first make any more. */
export const MEASURED_HAND: Hand = [
  {
    technique: 'none of them',
    cordKind: 'hemp',
    measure: 'pitch',
    factor: 1,
    spread: 0.05,
    rests: 1,
  },
];

/** Whom and how the templates are made for where a test asks for nothing else. */
export const start = {
  name: 'x',
  wearer: { name: 'Somebody', wrist: 165, hand: 200, neck: 360, ankle: 215, head: 560 },
  cutting: { confidence: 0.95, step: 10, practice: 'practised' },
} as const;
