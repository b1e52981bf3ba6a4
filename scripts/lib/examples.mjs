import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';

/** Every `@example call // answer` in the docstrings below a folder. */
function examplesIn(src) {
  return readdirSync(src, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
    .flatMap((file) =>
      [...readFileSync(new URL(file, src), 'utf8').matchAll(/@example (.*?)\s*\/\/ (.*)/g)].map(
        ([, call, answer]) => ({ file, call, answer: answer.replace(/\s*\*\/$/, '').trim() }),
      ),
    );
}

/** Decimals that the answer is written with; a number is meant to be right to its last one. */
const decimalsOf = (answer) =>
  /^-?\d+(?:\.(\d+))?$/.exec(answer)?.[1]?.length ?? (/^-?\d+$/.test(answer) ? 0 : 6);

/** Numbers may end in the dust of binary fractions, also inside an answer. */
const roughly = (value) =>
  typeof value === 'number'
    ? expect.closeTo(value, 6)
    : Array.isArray(value)
      ? value.map(roughly)
      : typeof value === 'object' && value !== null
        ? Object.fromEntries(Object.entries(value).map(([key, part]) => [key, roughly(part)]))
        : value;

/**
 * Tests the examples that stand in the docstrings of a package.
 *
 * @param src address of its folder of sources
 * @param least how many there are at least: whoever finds none has looked in the wrong place
 */
export function testExamples(src, least) {
  const examples = examplesIn(src);
  describe('examples in the docstrings', () => {
    it('are there', () => {
      expect(examples.length).toBeGreaterThanOrEqual(least);
    });
    it.each(examples)('$file: $call is $answer', async ({ file, call, answer }) => {
      const module = await import(new URL(file, src).pathname);
      // The text comes from this repository's own sources.
      const evaluate = (text) =>
        // oxlint-disable-next-line typescript/no-implied-eval -- that is what an example is for
        new Function(...Object.keys(module), `return (${text})`)(...Object.values(module));
      const got = evaluate(call);
      const want = evaluate(answer);
      if (typeof want === 'number') expect(got).toBeCloseTo(want, decimalsOf(answer));
      else expect(got).toEqual(roughly(want));
    });
  });
}
