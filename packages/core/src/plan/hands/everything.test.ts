import { describe, expect, it } from '@jest/globals';
import { CLOSURE_KINDS } from '../../craft/closure/registry.js';
import type { Closure } from '../../craft/closure/registry.js';
import { END_TREATMENTS, suitsEnd } from '../../base/material/ends.js';
import { partKind, PART_KINDS, type Part } from '../../craft/part/registry.js';
import { EXAMPLE_PIECE } from '../../piece/example.js';
import type { Piece } from '../../piece/piece.js';
import { idleCords } from '../checks.js';
import { draftPlan } from '../plan.js';
import { firstStop, planPiece } from '../steps/plan-piece.js';
import { TEMPLATES } from '../template/templates.js';
import { testCord } from '../../testing.js';
import { BEADS, stopOf, WAYS, WEARER } from '../../testing-pieces.js';

const CUTTING = { confidence: 0.95, step: 10, practice: 'practised' } as const;

describe.each(TEMPLATES.map((template) => [template.id, template] as const))(
  'hands follow %s to the letter',
  (_id, template) => {
    it.each(END_TREATMENTS)('left and right, for a child and in inches, ends by %s', (ends) => {
      for (const hand of ['left', 'right'] as const) {
        for (const child of [true, false]) {
          for (const step of [10, 6.35]) {
            const piece = template.make({
              name: 'x',
              wearer: { ...WEARER, child, wrist: child ? 138 : 172 },
              cutting: { ...CUTTING, step, practice: child ? 'learner' : 'expert' },
            });
            const suits = piece.strands.every(({ cord }) => suitsEnd(ends, cord.kind));
            if (suits) expect(stopOf({ ...piece, ends }, hand)).toBeNull();
          }
        }
      }
    });
    it.each([
      [0.88, 0.94],
      [0.88, 1.08],
      [1.15, 0.94],
      [1.15, 1.08],
    ])('as well for a hand that takes %d of the cord and makes units %d as long', (cord, pitch) => {
      const piece = template.make({ name: 'x', wearer: WEARER, cutting: CUTTING });
      const said = { spread: 0.06, rests: 3 };
      const kinds = [...new Set(piece.strands.map((strand) => strand.cord.kind))];
      const hand = piece.parts.flatMap(({ kind: technique }) =>
        kinds.flatMap((cordKind) => [
          { ...said, technique, cordKind, measure: 'take-up' as const, factor: cord },
          { ...said, technique, cordKind, measure: 'pitch' as const, factor: pitch },
        ]),
      );
      const plan = planPiece(piece, hand);
      expect(plan.advice.filter(({ severity }) => severity === 'error')).toEqual([]);
    });
  },
);

/**
 * What cannot be made, and hands say so: a buckle’s core is set between two bars before anything is worked,
 * so that only what goes round it or lies along it can be; a loop of its own at the start leaves no room
 * for another thing there; and what is strung on a piece that is worn open with no knot behind it runs off.
 */
const ROUND_OR_ALONG: ReadonlySet<string> = new Set([
  'square-knot-sinnet',
  'own-knot',
  'chain-cord',
  'plain',
  'whipping',
  'tail',
]);
/** Closures that put nothing where a loop of the piece’s own begins it. */
const LEAVES_THE_START: ReadonlySet<string> = new Set([
  'square-knot-slider',
  'coiled-slider',
  'turks-head-slider',
  'two-sliding-knots',
  'two-way-bead',
  'cord-ends',
  'glue-in-clasp',
  'tie-ends',
]);
/** What is only strung, and runs off where nothing is tied behind it. */
const STRUNG: ReadonlySet<string> = new Set(['beads', 'focal']);

/** What only lies, or comes undone, where nothing is tied behind it: several cords stay several. */
const LIES_LOOSE: ReadonlySet<string> = new Set(['plain', 'tail', 'plait', 'petal-plait']);

/** Why a closure cannot be on a kind of part; null where it can. */
function cannotBe(closure: string, part: string): string | null {
  if (closure === 'side-release-buckle') return ROUND_OR_ALONG.has(part) ? null : 'closed-end';
  if (closure === 'lariat') {
    return STRUNG.has(partKind(part).entry.group) || LIES_LOOSE.has(part) ? 'not-fast' : null;
  }
  return part === 'loop' && !LEAVES_THE_START.has(closure) ? 'out-of-order' : null;
}

describe('every closure on every kind of part', () => {
  const cases = CLOSURE_KINDS.flatMap((closure) =>
    PART_KINDS.map((part) => [closure.entry.type, part.entry.id, closure, part] as const),
  );
  it.each(cases)('%s on %s is made, or refused for a reason', (type, id, closureKind, kind) => {
    const cord = testCord(1.5, { kind: 'waxed-cotton' });
    const cannot = cannotBe(type, id);
    for (const [way, strands] of WAYS) {
      for (const role of ['core', 'plaited'] as const) {
        const laid = strands(cord, role);
        const part = kind.make({ id: 'part', bead: 'six', cord, runs: laid.length });
        const first = kind.entry.forClosure || id === 'tail';
        const fill: Part = { id: 'fill', kind: 'plain', length: null };
        const piece: Piece = {
          ...EXAMPLE_PIECE,
          wearer: WEARER,
          strands: laid,
          beads: BEADS,
          parts: [...(first ? [] : [fill]), part as Part, { ...fill, id: 'rest' }],
          closure: closureKind.make(cord) as Closure,
          ends: 'glue',
        };
        const plan = draftPlan(piece);
        // A cord that nothing ties is told of by the plan.
        if (!plan.ok || plan.unmakeable || idleCords(piece).length > 0) continue;
        for (const first of ['left', 'right'] as const) {
          const stop = firstStop(piece, plan, { first, words: false })?.stop;
          const where = [way, role, first];
          if (stop)
            expect([...where, stop.code, stop.message]).toEqual([...where, cannot, stop.message]);
        }
      }
    }
  });
});
