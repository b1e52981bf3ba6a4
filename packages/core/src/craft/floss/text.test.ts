import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { knotsInRow, signsOf, type FlossPattern, type Lay } from './pattern.js';
import { READY_PATTERNS } from './ready.js';
import { readBand, writeBand } from './text.js';

const BRICK = { name: 'Brick', hex: '#b3324a' };
const TIDE = { name: 'Tide', hex: '#2b4a6f' };

const patterns: fc.Arbitrary<{ strands: number; pattern: FlossPattern }> = fc
  .record({
    lay: fc.constantFrom<Lay>('crossing', 'leader'),
    strands: fc.integer({ min: 3, max: 60 }),
    half: fc.integer({ min: 1, max: 20 }),
  })
  .chain(({ lay, strands, half }) =>
    fc
      .tuple(
        ...Array.from({ length: 2 * half }, (_, r) =>
          fc.string({
            unit: fc.constantFrom(...signsOf(lay)),
            minLength: knotsInRow(lay, r, strands),
            maxLength: knotsInRow(lay, r, strands),
          }),
        ),
      )
      .map((rows) => ({ strands, pattern: { lay, rows } })),
  );

const faultsOf = (text: string) => {
  const read = readBand(text);
  return read.ok ? [] : read.faults;
};

describe('a band as text', () => {
  it('comes back as it was written, colours and all', () => {
    const colours = fc.record({
      name: fc.string({ unit: fc.constantFrom('a', 'é', '#', '=', '>', ' ', '\n'), maxLength: 12 }),
      hex: fc.constantFrom('#000000', '#b3324a', '#2B4A6f'),
    });
    const cases = patterns.chain(({ strands, pattern }) =>
      fc.tuple(
        fc.constant(pattern),
        fc.array(colours, { minLength: strands, maxLength: strands }),
        fc.constantFrom('\n', '\r\n'),
      ),
    );
    fc.assert(
      fc.property(cases, ([pattern, own, end]) => {
        const read = readBand(writeBand(pattern, own).replaceAll('\n', end));
        if (!read.ok) throw new Error(JSON.stringify(read.faults));
        expect(read.value.pattern).toEqual(pattern);
        const back = read.value.places!.map((place) => read.value.colours[place]!);
        expect(back.map(({ hex }) => hex)).toEqual(own.map(({ hex }) => hex));
        // A name that is nothing but spaces is none; others lose the spaces that lead nowhere.
        const named = own.map(({ name, hex }) => name.replace(/\s+/g, ' ').trim() || hex);
        expect(back.map(({ name }) => name)).toEqual(named);
      }),
      { numRuns: 200 },
    );
  });

  it.each(READY_PATTERNS)('writes $id with every sign at its place', (ready) => {
    const start = { strands: ready.nearest(12), colours: 3, text: 'AB' };
    const { pattern, colours } = ready.make(start);
    const named = colours.map((c) => ({ name: `c${c}`, hex: `#00000${c}` }));
    const read = readBand(writeBand(pattern, named));
    expect(read.ok && read.value.pattern).toEqual(pattern);
    expect(read.ok && read.value.places?.map((p) => read.value.colours[p])).toEqual(named);
  });

  it('is written so that knots lie as bricks do', () => {
    const text = writeBand({ lay: 'crossing', rows: ['><', '<'] }, [BRICK, TIDE, TIDE, BRICK]);
    expect(text).toBe(
      ['strands: A B B A', 'A = #b3324a Brick', 'B = #2b4a6f Tide', '', '> <', ' <', ''].join('\n'),
    );
  });

  it('may be typed with nothing but its knots', () => {
    const five = readBand('> >\n > >');
    expect(five.ok && [five.value.strands, five.value.places]).toEqual([5, null]);
    const four = readBand('\n# mine\n1: >>\n2: >\n');
    expect(four.ok && four.value.strands).toBe(4);
    const led = readBand('--|\n|--');
    expect(led.ok && [led.value.pattern.lay, led.value.strands]).toEqual(['leader', 4]);
  });

  it('may tell strands apart without saying of what colour they are', () => {
    const read = readBand('Strands: ABBA\n>>\n>\nB = #2b4a6f');
    expect(read.ok && read.value.places).toEqual([0, 1, 1, 0]);
    expect(read.ok && read.value.colours).toEqual([null, { name: '#2b4a6f', hex: '#2b4a6f' }]);
  });

  it.each<[string, string, number, string]>([
    ['no rows', 'strands: A B C\n', 0, 'no row of knots'],
    ['a sign that is none', '> >\n > x', 2, '“x” is no knot'],
    ['a row too short', 'strands: A A A A\n\n>>\n>>', 4, 'Row 2 has 2 knots; with 4 strands'],
    ['two kinds of sign', '>>\n--', 1, 'do not go into one pattern'],
    ['an odd number of rows', '>>\n>\n>>', 0, 'even number of rows'],
    ['too few strands', 'strands: A B\n>\n', 0, '3 to 60 strands'],
    ['too many strands', `${'-'.repeat(60)}\n`, 0, 'this one has 61'],
    ['too many rows', '--\n'.repeat(401), 0, 'this one has 401'],
    ['strands told twice', 'strands: ABC\n--\nstrands: CBA', 3, 'told twice'],
    ['a colour told twice', 'A = #000000\nA = #111111\n--', 2, 'told twice'],
    ['a colour without its code', 'A = brick\n--', 1, 'A = #b3324a Brick'],
    ['a strand that is no letter', 'strands: A ? B\n--', 1, '“?”'],
    ['a novel', 'x'.repeat(200_000), 0, 'too long'],
  ])('says where there is %s', (_, text, line, words) => {
    const [first] = faultsOf(text);
    expect(first?.line).toBe(line);
    expect(first?.message).toContain(words);
  });

  it('names every line that is wrong, up to twenty', () => {
    expect(faultsOf('x\n'.repeat(500))).toHaveLength(20);
  });
});
