import { describe, expect, it } from '@jest/globals';
import type { Cord } from '../base/material/cord.js';
import { passingSize } from '../craft/knot/stopper.js';
import type { Part } from '../craft/part/registry.js';
import { EXAMPLE_PIECE } from '../piece/example.js';
import type { Piece } from '../piece/piece.js';
import { adviceCodes, inMm, testBead, testCord } from '../testing.js';
import { draftPlan } from './plan.js';
import { TEMPLATES } from './template/templates.js';

const plain = (id: string): Part => ({ id, kind: 'plain', length: null });
const stop = (id: string, more: Partial<Part> = {}): Part =>
  ({ id, kind: 'stopper-knot', form: 'overhand', tied: 'together', runs: null, ...more }) as Part;

/** Beads between two knots, in so many cords of a kind. */
function piece(cord: Cord, hole: number, count = 1, parts?: readonly Part[]): Piece {
  return {
    ...EXAMPLE_PIECE,
    strands: Array.from({ length: count }, () => ({ cord, legs: ['core'], laidIn: false })),
    beads: [{ ...testBead('bead', 8), hole }],
    parts: parts ?? [
      plain('a'),
      stop('before'),
      {
        id: 'row',
        kind: 'beads',
        beads: ['bead'],
        through: 'all',
        runs: null,
        between: 'touching',
        gap: 0,
      },
      stop('after'),
      plain('b'),
    ],
    closure: { type: 'tie-ends', length: 90 },
    ends: 'glue',
  };
}
const told = (one: Piece): string[] =>
  draftPlan(one).advice.flatMap(({ code, message, path }) =>
    code === 'knot.slips' ? [`${path}: ${inMm(message)}`] : [],
  );

describe('a knot beside a bead', () => {
  it.each([
    [1, 5.5],
    [0.7, 3],
    [2, 7],
  ])('in cord of %d mm does not hold before a hole of %d mm, and says so', (d, hole) => {
    const advice = told(piece(testCord(d), hole));
    expect(advice).toHaveLength(2);
    expect(advice[0]).toMatch(/^parts\[1\]: bead slides over the overhand knot beside it/);
  });
  it('is refused with the smallest knot that holds, to be tied instead', () => {
    const of = (hole: number) => {
      const plan = draftPlan(piece(testCord(1), hole));
      expect(plan).toMatchObject({ ok: true, unmakeable: true });
      return plan.advice.find(({ code }) => code === 'knot.slips')!;
    };
    const [overhand, barrel] = (['overhand', 'double-barrel'] as const).map((form) =>
      passingSize(form, [testCord(1)]),
    ) as [number, number];
    const hole = (overhand + barrel) / 2;
    const near = of(hole);
    expect(near).toMatchObject({ severity: 'error', fix: { path: 'parts[1].form' } });
    const tied = piece(testCord(1), hole, 1, [
      plain('a'),
      stop('before', { form: near.fix!.value } as Partial<Part>),
      ...piece(testCord(1), hole).parts.slice(2, 3),
      stop('after', { form: near.fix!.value } as Partial<Part>),
      plain('b'),
    ]);
    expect(told(tied)).toEqual([]);
    const wide = of(9);
    expect(wide.fix).toBeUndefined();
    expect(inMm(wide.remedy)).toMatch(/^No knot in these cords holds/);
  });
  // An overhand knot is three cords wide: common practice, no source.
  it.each([
    [1, 1.4],
    [2, 2.4],
    [3, 5],
  ])('in cord of %d mm holds before a hole of %d mm', (d, hole) => {
    expect(told(piece(testCord(d, { kind: 'leather' }), hole))).toEqual([]);
  });
  it('holds by more cords together, and each by itself as the smallest does', () => {
    const cord = testCord(1);
    expect(told(piece(cord, 2.6, 1))).toHaveLength(2);
    expect(told(piece(cord, 2.6, 2))).toEqual([]);
    const [a, , row, , b] = piece(cord, 2.6, 2).parts;
    const each = [a!, stop('x', { tied: 'each' }), row!, stop('y'), b!];
    expect(told(piece(cord, 2.6, 2, each))).toHaveLength(1);
  });
  it('is looked at between the beads of a row too', () => {
    const row = (between: string): Part =>
      ({
        id: 'row',
        kind: 'beads',
        beads: ['bead', 'bead', 'bead'],
        through: 'all',
        runs: null,
        between,
        gap: 0,
      }) as Part;
    const of = (between: string): Piece =>
      piece(testCord(0.7, { kind: 'silk' }), 3, 1, [plain('a'), row(between), plain('b')]);
    expect(told(of('overhand'))).toHaveLength(1);
    expect(told(of('touching'))).toEqual([]);
  });
  it('holds in every template', () => {
    const start = {
      name: 'x',
      wearer: { name: 'Somebody', wrist: 165, hand: 200, neck: 360, ankle: 215, head: 560 },
      cutting: { confidence: 0.95, step: 10, practice: 'practised' },
    } as const;
    for (const template of TEMPLATES) {
      const { id } = template;
      expect([id, adviceCodes(template.make(start)).includes('knot.slips')]).toEqual([id, false]);
    }
  });
});
