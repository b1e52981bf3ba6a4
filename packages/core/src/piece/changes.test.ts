import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { IN_MM, speak } from '../base/measure/speak.js';
import { TEMPLATES } from '../plan/template/templates.js';
import { CLOSURE_KINDS } from '../craft/closure/registry.js';
import { changes, keptInOrder } from './changes.js';
import { movePart, removePart } from './edit.js';
import { EXAMPLE_PIECE } from './example.js';
import type { Piece } from './piece.js';

const made = TEMPLATES.map((template) =>
  template.make({
    name: template.label,
    wearer: { name: 'Somebody', wrist: 165, hand: 200, neck: 360, ankle: 215, head: 560 },
    cutting: { confidence: 0.95, step: 10, practice: 'practised' },
  }),
);
const told = (before: Piece, after: Piece): (string | null)[][] =>
  changes(before, after).map((one) => [
    speak(one.what, IN_MM),
    one.before === null ? null : speak(one.before, IN_MM),
    one.after === null ? null : speak(one.after, IN_MM),
  ]);
const withPart = (piece: Piece, i: number, more: object): Piece => ({
  ...piece,
  parts: piece.parts.map((part, at) => (at === i ? { ...part, ...more } : part)),
});

describe('what differs between two pieces', () => {
  it.each(made.map((piece) => [piece.name, piece] as const))(
    'is nothing of %s and its copy',
    (_, piece) => {
      expect(changes(piece, JSON.parse(JSON.stringify(piece)) as Piece)).toEqual([]);
    },
  );

  it('is told of any two designs, both ways round, and never as the same', () => {
    for (const before of made) {
      for (const after of made) {
        const there = told(before, after);
        const back = told(after, before);
        if (before !== after) expect(there.length).toBeGreaterThan(0);
        for (const [what, was, is] of [...there, ...back]) {
          expect(what).not.toBe('');
          expect(was).not.toBe(is);
        }
      }
    }
  });

  it('is told in lengths, names and the trade’s words', () => {
    const piece = EXAMPLE_PIECE;
    const after: Piece = {
      ...piece,
      note: 'loose',
      wearer: { ...piece.wearer, wrist: piece.wearer.wrist + 5, child: true },
      ease: { rule: 'own', amount: 14 },
      cutting: { ...piece.cutting, practice: 'expert', confidence: 0.99 },
      ends: 'tuck',
      strands: [
        ...piece.strands,
        { cord: piece.strands[0]!.cord, legs: ['carried'], laidIn: false },
      ],
    };
    const { wrist } = piece.wearer;
    expect(told(piece, after)).toEqual(
      expect.arrayContaining([
        ['Note', null, 'loose'],
        ['Girth of the wrist', `${wrist} mm`, `${wrist + 5} mm`],
        ['A child', 'no', 'yes'],
        ['Room', expect.stringMatching(/^Two fingers, 25 mm$/), 'Own, 14 mm'],
        ['Hands', 'Practised', 'Expert'],
        ['Sure that every cord lasts', '95 in 100', '99 in 100'],
        ['Ends', expect.any(String), 'Tuck under the last knots'],
        [`Cord ${after.strands.length}`, null, expect.stringMatching(/: carried beside the core$/)],
      ]),
    );
  });

  it('of a part is told by its field, and of one that was put in, taken out or moved by its place', () => {
    const piece = made.find(({ parts }) => parts.length >= 4)!;
    const [first, , third] = piece.parts;
    const gone = told(piece, removePart(piece, third!.id));
    expect(gone).toEqual([['Part 3', expect.any(String), null]]);
    const moved = told(piece, movePart(piece, first!.id, 2));
    expect(moved).toEqual([
      [
        expect.stringMatching(/ lies elsewhere$/),
        'first',
        expect.stringMatching(/^after part 2, /),
      ],
    ]);
    expect(told(piece, withPart(piece, 0, { roles: ['core', 'working'] }))).toEqual([
      [expect.stringMatching(/: what each cord does there$/), 'as elsewhere', 'core, working'],
    ]);
    const long = piece.parts.findIndex((part) => 'length' in part);
    const longer = withPart(piece, long, { length: 77 });
    expect(told(piece, longer)).toEqual([
      [
        expect.stringMatching(new RegExp(`^Part ${long + 1}, .*length$`)),
        expect.anything(),
        '77 mm',
      ],
    ]);
  });

  it('of a closure is told by its kind, or by its fields where that stayed', () => {
    const piece = made[0]!;
    for (const kind of CLOSURE_KINDS) {
      const closure = kind.make(piece.strands[0]!.cord) as Piece['closure'];
      if (closure.type === piece.closure.type) continue;
      expect(told(piece, { ...piece, closure })).toEqual([
        ['Closure', expect.any(String), kind.entry.label],
      ]);
    }
  });

  it('keeps as many in their order as can be', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.nat(30), { maxLength: 8 }), (numbers) => {
        const kept = [...keptInOrder(numbers)].sort((a, b) => a - b);
        const rising = (places: readonly number[]): boolean =>
          places.every((place, i) => i === 0 || numbers[places[i - 1]!]! < numbers[place]!);
        expect(rising(kept)).toBe(true);
        // By trying every choice.
        let most = 0;
        for (let choice = 0; choice < 2 ** numbers.length; choice++) {
          const places = numbers.map((_, i) => i).filter((i) => choice & (2 ** i));
          if (rising(places)) most = Math.max(most, places.length);
        }
        expect(kept).toHaveLength(most);
      }),
    );
  });
});
