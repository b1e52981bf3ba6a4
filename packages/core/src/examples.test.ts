/// <reference types="node" />
import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';

const SRC = new URL('.', import.meta.url);

interface Example {
  readonly file: string;
  readonly call: string;
  readonly answer: string;
}

/** Every `@example call // answer` of the core's docstrings. */
function examples(): Example[] {
  return readdirSync(SRC, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
    .flatMap((file) =>
      [...readFileSync(new URL(file, SRC), 'utf8').matchAll(/@example (.*?)\s*\/\/ (.*)/g)].map(
        ([, call, answer]) => ({
          file,
          call: call!,
          answer: answer!.replace(/\s*\*\/$/, '').trim(),
        }),
      ),
    );
}

/** Decimals that the answer is written with; a number is meant to be right to its last one. */
const decimalsOf = (answer: string): number =>
  /^-?\d+(?:\.(\d+))?$/.exec(answer)?.[1]?.length ?? (/^-?\d+$/.test(answer) ? 0 : 6);

/** Numbers may end in the dust of binary fractions, also inside an answer. */
const roughly = (value: unknown): unknown =>
  typeof value === 'number'
    ? expect.closeTo(value, 6)
    : Array.isArray(value)
      ? value.map(roughly)
      : typeof value === 'object' && value !== null
        ? Object.fromEntries(Object.entries(value).map(([key, part]) => [key, roughly(part)]))
        : value;

describe('examples in the docstrings', () => {
  it('are there', () => {
    expect(examples().length).toBeGreaterThan(15);
  });
  it.each(examples())('$file: $call is $answer', async ({ file, call, answer }) => {
    const module = (await import(new URL(file, SRC).pathname)) as Record<string, unknown>;
    // The text comes from this repository's own sources.
    const evaluate = (text: string): unknown =>
      // eslint-disable-next-line @typescript-eslint/no-implied-eval, @typescript-eslint/no-unsafe-call
      new Function(...Object.keys(module), `return (${text})`)(...Object.values(module));
    const got = evaluate(call);
    const want = evaluate(answer);
    if (typeof want === 'number') expect(got).toBeCloseTo(want, decimalsOf(answer));
    else expect(got).toEqual(roughly(want));
  });
});
