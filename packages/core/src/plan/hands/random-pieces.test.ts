import { describe, expect, it } from '@jest/globals';
import { deep } from '../../../../../scripts/lib/deep.mjs';
import fc from 'fast-check';
import { CLOSURE_KINDS } from '../../craft/closure/registry.js';
import type { Closure } from '../../craft/closure/registry.js';
import { TENSIONS } from '../../base/kind/part-kind.js';
import { CORD_KINDS } from '../../base/material/cord.js';
import { END_TREATMENTS, suitsEnd, usualEndOfAll } from '../../base/material/ends.js';
import { PRACTICES } from '../../base/material/practice.js';
import { STOPPER_FORMS } from '../../craft/knot/stopper.js';
import { readyPattern } from '../../craft/floss/ready.js';
import { PART_KINDS, type Part } from '../../craft/part/registry.js';
import { EXAMPLE_PIECE } from '../../piece/example.js';
import type { Piece, Strand } from '../../piece/piece.js';
import { draftPlan } from '../plan.js';
import { planPiece } from '../steps/plan-piece.js';
import { refit } from '../steps/refit.js';
import { testCord } from '../../testing.js';
import { BEADS, folded, single, stopOf, WAYS, WEARER, working } from '../../testing-pieces.js';

const pick = <T>(...values: readonly T[]): fc.Arbitrary<T> => fc.constantFrom(...values);
const size = (min: number, max: number): fc.Arbitrary<number> =>
  fc.double({ min, max, noNaN: true });

const cords = fc
  .record({ kind: pick(...CORD_KINDS), diameter: size(0.7, 2.5), hex: pick('#5b6b78', '#b9647c') })
  .map(({ kind, diameter, hex }) => testCord(diameter, { kind, colour: { name: hex, hex } }));
const fineCords = fc
  .record({ kind: pick(...CORD_KINDS), diameter: size(0.5, 1.2) })
  .map(({ kind, diameter }) => testCord(diameter, { kind }));

type Draft = Omit<Part, 'id'> & { readonly kind: Part['kind'] };
const draft = (value: object): Draft => value as Draft;
const named = (parts: readonly Draft[]): Part[] =>
  parts.map((part, i) => ({ ...part, id: `p${i}` }) as Part);

const FILL = draft({ kind: 'plain', length: null });
const plain = size(3, 30).map((length) => draft({ kind: 'plain', length }));
const stopperPart = fc
  .record({ form: pick(...STOPPER_FORMS), tied: pick('together', 'each') })
  .map((more) => draft({ kind: 'stopper-knot', runs: null, ...more }));
const row = fc
  .record({
    beads: fc.array(pick('six', 'ten'), { minLength: 1, maxLength: 6 }),
    between: pick('touching', 'overhand', 'double-barrel', 'space'),
    through: pick('core', 'all'),
    gap: size(1, 9),
  })
  .map((more) => draft({ kind: 'beads', runs: null, ...more }));
const sinnet = fc
  .record({
    form: pick('flat', 'spiral'),
    tension: pick(...TENSIONS),
    units: fc.integer({ min: 1, max: 14 }),
  })
  .map((more) => draft({ kind: 'square-knot-sinnet', length: null, ...more }));
const whipping = fc
  .record({ cord: fineCords, turns: fc.integer({ min: 3, max: 12 }) })
  .map((more) => draft({ kind: 'whipping', ...more }));
const bar = size(10, 40).map((length) =>
  draft({
    kind: 'focal',
    name: `Bar ${length}`,
    form: 'bar',
    length,
    width: 8,
    thickness: 5,
    drop: 30,
    hole: 8,
    colour: '#8d9499',
  }),
);
const plait = fc
  .record({
    form: pick('three', 'four-flat', 'four-round'),
    tension: pick(...TENSIONS),
    length: size(10, 60),
  })
  .map((more) => draft({ kind: 'plait', ...more }));
const petals = fc
  .record({
    repeats: fc.integer({ min: 1, max: 6 }),
    crossings: fc.integer({ min: 2, max: 7 }),
    petal: size(10, 30),
    school: pick('loops', 'snug'),
    tension: pick(...TENSIONS),
  })
  .map((more) => draft({ kind: 'petal-plait', ...more }));
const beadedPlait = fc
  .record({ count: fc.integer({ min: 1, max: 9 }), every: fc.integer({ min: 1, max: 4 }) })
  .map((more) => draft({ kind: 'beaded-plait', bead: 'six', tension: 'even', ...more }));
const snake = fc
  .integer({ min: 1, max: 6 })
  .map((units) => draft({ kind: 'two-cord-knot', units }));

/** Between knots, so that what is strung stays on a piece of whatever closure. */
const KNOT = draft({ kind: 'stopper-knot', form: 'overhand', tied: 'together', runs: null });
const ends = (parts: readonly Draft[]): Draft[] => [FILL, KNOT, ...parts, KNOT, FILL];

const some = (...of: readonly fc.Arbitrary<Draft>[]): fc.Arbitrary<Draft[]> =>
  fc.array(fc.oneof(...of), { minLength: 1, maxLength: 4 });

const sliders = pick('square-knot-slider', 'coiled-slider', 'turks-head-slider').chain((type) =>
  fc
    .record({
      stopper: pick(...STOPPER_FORMS),
      tailForm: pick('straight', 'plaited'),
      tails: pick(null, 260),
    })
    .map((more) => ({ type, ...more })),
);
const clasps = fc.oneof(
  pick({ type: 'toggle' }, { type: 'hook-and-ring' }, { type: 'breakaway-clasp', rated: 'adult' }),
  pick({ type: 'lobster', extender: 0 }, { type: 'lobster', extender: 40 }),
);
const looped = fc
  .record({
    buttonAt: pick('start', 'end'),
    loops: pick(1, 2),
    shape: pick('disc', 'ball'),
    hole: fc.constant(9),
  })
  .map((more) => ({ type: 'loop-and-button', ...more }));
const covers = fc.oneof(
  fc
    .record({
      by: pick('glue', 'crimp'),
      clasp: pick('hook-and-ring', 'lobster', 'toggle', 'magnet'),
      bore: fc.constant(12),
    })
    .map((more) => ({ type: 'cord-ends', ...more })),
  fc.constant({ type: 'glue-in-clasp', bore: 12 }),
);
const free = fc.oneof(
  sliders,
  clasps,
  looped,
  covers,
  pick('overhand', 'double-barrel', 'triple-barrel').map((form) => ({
    type: 'two-sliding-knots',
    form,
  })),
  pick(0, 5).map((endBead) => ({ type: 'two-way-bead', hole: 9, endBead })),
  pick(...STOPPER_FORMS).map((form) => ({ type: 'loop-and-knot', form })),
  fc
    .record({ length: size(60, 120), tailForm: pick('straight', 'plaited') })
    .map((more) => ({ type: 'tie-ends', ...more })),
  pick('own-loop', 'ring', 'toggle', 'lobster', 'tied').map((way) => ({
    type: 'lariat',
    way,
    ring: 60,
  })),
);
const onFolds = fc.oneof(
  clasps,
  pick(...STOPPER_FORMS, 'diamond').map((form) => ({ type: 'loop-and-knot', form })),
  fc.record({ loops: pick(1, 2) }).map((more) => ({
    type: 'loop-and-button',
    buttonAt: 'start',
    hole: 12,
    ...more,
  })),
  fc.constant({ type: 'tie-ends', length: 90 }),
);

/** What tells one piece from another before it is put on a wearer. */
interface Kind {
  readonly strands: readonly Strand[];
  readonly parts: readonly Draft[];
  readonly closure: { readonly type: string };
}
const kindOf = (
  strands: fc.Arbitrary<Strand[]>,
  parts: fc.Arbitrary<Draft[]>,
  closure: fc.Arbitrary<{ readonly type: string }>,
): fc.Arbitrary<Kind> => fc.record({ strands, parts, closure });

const many = (count: number, role: 'core' | 'plaited'): fc.Arbitrary<Strand[]> =>
  fc
    .record({ cord: cords, other: cords })
    .map(({ cord, other }) =>
      Array.from({ length: count }, (_, i) =>
        single({ ...(i % 2 === 0 ? cord : { ...cord, colour: other.colour }) }, role),
      ),
    );

/** Pieces that a maker can make, of every kind of work there is. */
const pieces: fc.Arbitrary<Piece> = fc
  .record({
    kind: fc.oneof(
      kindOf(
        pick(1, 2, 3).chain((n) => many(n, 'core')),
        some(plain, stopperPart, row, bar, whipping).map(ends),
        free,
      ),
      kindOf(
        pick(2, 4).chain((n) => many(n, 'core')),
        some(snake, plain, stopperPart, row).map(ends),
        free,
      ),
      kindOf(
        cords.map((cord) => [single(cord, 'core'), working(cord)]),
        some(sinnet, row, plain).map((parts) => [
          FILL,
          draft({
            kind: 'square-knot-sinnet',
            form: 'flat',
            tension: 'even',
            units: 6,
            length: null,
          }),
          ...parts,
          KNOT,
          FILL,
        ]),
        free,
      ),
      kindOf(
        pick(3, 4, 5, 6, 8).chain((n) => many(n, 'plaited')),
        some(plait, whipping, beadedPlait).map(ends),
        free,
      ),
      kindOf(
        pick(4, 5, 8).chain((n) => many(n, 'plaited')),
        some(plait, petals).map(ends),
        free,
      ),
      kindOf(
        cords.map((cord) => [folded(cord, 'core'), folded(cord, 'core')]),
        some(plain, stopperPart, row, snake).map((parts) => [...parts, KNOT, FILL]),
        onFolds,
      ),
      kindOf(
        fineCords.map((cord) => [folded(cord, 'plaited'), folded(cord, 'plaited')]),
        fc
          .integer({ min: 3, max: 30 })
          .map((block) => [
            draft({ kind: 'loop', perimeter: 24 }),
            draft({ kind: 'hitch-spiral', block, blocks: null, tension: 'even' }),
          ]),
        fc.constant({ type: 'tie-ends', length: 90 }),
      ),
      kindOf(
        pick(4, 6, 8, 10).chain((n) => many(n, 'plaited')),
        pick('stripe', 'chevron').map((id) => [
          draft({
            kind: 'knotted-floss',
            id,
            order: null,
            repeats: null,
            ending: 'anywhere',
            tension: 'even',
          }),
        ]),
        fc.oneof(sliders, covers),
      ),
      kindOf(
        fineCords.map((cord) => [single(cord, 'core')]),
        fc
          .record({
            between: fc.integer({ min: 1, max: 9 }),
            gauge: fc.integer({ min: 20, max: 70 }),
            loop: pick(null, 460),
          })
          .map((more) => [
            draft({ kind: 'chain-cord', bead: 'six', perStitch: 30, length: null, ...more }),
          ]),
        covers,
      ),
      kindOf(
        cords.map((cord) => [single(cord, 'core')]),
        fc.constant([FILL, draft(stoneOf()), FILL]),
        fc.oneof(
          pick('double-barrel').map((form) => ({ type: 'two-sliding-knots', form })),
          clasps,
          sliders,
        ),
      ),
    ),
    hand: size(180, 240),
    wrist: size(135, 190),
    child: fc.boolean(),
    practice: pick(...PRACTICES),
    step: pick(5, 10, 6.35, 25.4),
    wanted: pick(...END_TREATMENTS),
  })
  .map(({ kind, hand, wrist, child, practice, step, wanted }): Piece => {
    const { type, ...more } = kind.closure;
    const entry = CLOSURE_KINDS.find((own) => own.entry.type === type)!;
    const cord = kind.strands[0]!.cord;
    const kinds = kind.strands.map((strand) => strand.cord.kind);
    return {
      ...EXAMPLE_PIECE,
      wearer: { name: 'x', wrist, hand, neck: 360, child },
      strands: kind.strands,
      beads: BEADS,
      parts: named(kind.parts.map((part) => withPattern(part, kind.strands.length))),
      closure: { ...entry.make(cord), ...more } as Closure,
      ends: kinds.every((own) => suitsEnd(wanted, own)) ? wanted : usualEndOfAll(kinds),
      cutting: { confidence: 0.95, step, practice },
    };
  });

function stoneOf(): object {
  return {
    kind: 'stone',
    name: 'Drop',
    girth: 44,
    above: 50,
    height: 26,
    width: 18,
    thickness: 9,
    rise: 8,
    bead: 'ten',
    colour: '#8fa3a8',
  };
}

/** A knotted band gets its rows for as many strands as there are. */
function withPattern(part: Draft, strands: number): Draft {
  if (part.kind !== 'knotted-floss') return part;
  const { id, ...more } = part as unknown as { id: string };
  return draft({ ...more, ...readyPattern(id).make({ strands, colours: 1 }).pattern });
}

const TELLING = { first: 'left', words: true } as const;

describe('random pieces', () => {
  it('are made by hands that follow every word, left and right', () => {
    let made = 0;
    fc.assert(
      fc.property(pieces, pick('left' as const, 'right' as const), (piece, hand) => {
        const plan = draftPlan(piece);
        if (!plan.ok || plan.unmakeable) return;
        made++;
        expect(stopOf(piece, hand)).toBeNull();
        // And where it does not fit there are steps, or none: never half of them.
        const mended = refit(piece, plan, 'try-on-close', hand === 'left' ? 8 : -8, TELLING);
        expect(mended?.refused === null ? mended.steps.length : 1).toBeGreaterThan(0);
      }),
      { numRuns: deep(1000, 150), seed: 20 },
    );
    expect(made).toBeGreaterThan(deep(500, 75));
  });
});

describe('whatever is put together', () => {
  const any = fc.record({
    way: pick(...WAYS),
    role: pick('core' as const, 'plaited' as const),
    kinds: fc.array(pick(...PART_KINDS), { minLength: 0, maxLength: 6 }),
    closure: pick(...CLOSURE_KINDS),
    cord: cords,
    wanted: pick(...END_TREATMENTS),
  });
  it('is planned or refused, never thrown over', () => {
    fc.assert(
      fc.property(any, ({ way: [, strands], role, kinds, closure, cord, wanted }) => {
        const laid = strands(cord, role);
        const parts = kinds.map((kind, i) =>
          kind.make({ id: `p${i}`, bead: 'six', cord, runs: laid.length }),
        );
        const plan = planPiece({
          ...EXAMPLE_PIECE,
          wearer: WEARER,
          strands: laid,
          beads: BEADS,
          parts: parts as Part[],
          closure: closure.make(cord) as Closure,
          ends: suitsEnd(wanted, cord.kind) ? wanted : 'glue',
        });
        const errors = plan.advice.filter(({ severity }) => severity === 'error');
        expect(errors.length > 0).toBe(!plan.ok || plan.unmakeable === true);
      }),
      { numRuns: deep(400, 100), seed: 5 },
    );
  });
});
