import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bestCounts, finish, rowLength, type CountProblem } from './solve.js';

/** Every allowed row there is, by trying them all. */
function bruteForce({ candidates, gap, target, symmetric }: CountProblem): number[] {
  let rows: number[][] = [[]];
  for (const { least, most } of candidates) {
    rows = rows.flatMap((row) =>
      Array.from({ length: Math.max(0, most - least + 1) }, (_, i) => [...row, least + i]),
    );
  }
  return rows
    .filter((row) => row.some((n) => n > 0))
    .filter((row) => !symmetric || row.filter((n) => n % 2 === 1).length <= 1)
    .map((row) => Math.abs(rowLength(candidates, gap, row) - target))
    .sort((a, b) => a - b);
}

const problems: fc.Arbitrary<CountProblem> = fc.record({
  candidates: fc.array(
    fc
      .record({
        length: fc.double({ min: 2, max: 15, noNaN: true }),
        least: fc.nat(2),
        more: fc.nat(9),
      })
      .map(({ length, least, more }) => ({ length, least, most: least + more })),
    { minLength: 1, maxLength: 3 },
  ),
  gap: fc.double({ min: 0, max: 8, noNaN: true }),
  target: fc.double({ min: 10, max: 250, noNaN: true }),
  symmetric: fc.boolean(),
});

describe('the layout solver', () => {
  it('finds what trying every row finds, in the same order', () => {
    fc.assert(
      fc.property(problems, fc.integer({ min: 1, max: 8 }), (problem, keep) => {
        const found = finish(bestCounts(problem, keep)).map((answer) => Math.abs(answer.off));
        const want = bruteForce(problem).slice(0, keep);
        expect(found).toHaveLength(want.length);
        found.forEach((off, i) => expect(off).toBeCloseTo(want[i]!, 9));
      }),
      { numRuns: 400 },
    );
  });
  it('keeps to the counts and to symmetry', () => {
    fc.assert(
      fc.property(problems, (problem) => {
        for (const { counts, off } of finish(bestCounts(problem, 6))) {
          counts.forEach((n, i) => {
            expect(n).toBeGreaterThanOrEqual(problem.candidates[i]!.least);
            expect(n).toBeLessThanOrEqual(problem.candidates[i]!.most);
          });
          if (problem.symmetric) {
            expect(counts.filter((n) => n % 2 === 1).length).toBeLessThanOrEqual(1);
          }
          expect(off).toBeCloseTo(
            rowLength(problem.candidates, problem.gap, counts) - problem.target,
            9,
          );
        }
      }),
    );
  });
  it('reports how far it is, rising, and can be left half-way', () => {
    const candidates = [5.1, 6.3, 7.7, 9.2].map((length) => ({ length, least: 0, most: 60 }));
    const search = bestCounts({ candidates, gap: 0.5, target: 400, symmetric: false }, 5);
    const shares: number[] = [];
    for (let i = 0; i < 5; i++) {
      const { value, done } = search.next();
      if (!done) shares.push(value);
    }
    expect(shares.length).toBeGreaterThan(1);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(search.return([]).done).toBe(true);
  });
});
