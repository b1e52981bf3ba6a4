import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { JSON_LIMITS, jsonExcess } from './json-limits.js';

const excess = (text: string): string | null => jsonExcess(Buffer.from(text));
const list = (item: string, n: number): string =>
  `[${Array.from({ length: n }, () => item).join(',')}]`;

describe('what a body may hold', () => {
  it('is as much as the largest piece has, and no more', () => {
    const { objects, values, names, depth } = JSON_LIMITS;
    expect(excess(list('{}', objects))).toBeNull();
    expect(excess(list('{}', objects + 1))).toMatch(/objects/);
    expect(excess(list('1', values - 2))).toBeNull();
    expect(excess(list('1', values + 1))).toMatch(/values/);
    const named = (n: number) => `{${Array.from({ length: n }, (_, i) => `"k${i}":1`).join(',')}}`;
    expect(excess(named(names))).toBeNull();
    expect(excess(named(names + 1))).toMatch(/names/);
    expect(excess('['.repeat(depth) + ']'.repeat(depth))).toBeNull();
    expect(excess('['.repeat(400_000))).toMatch(/deep/);
  });
  it('does not count what stands in texts, however they end', () => {
    const text = '{},[],\\"'.repeat(50_000);
    expect(excess(JSON.stringify({ text, more: `${text}\\` }))).toBeNull();
    expect(excess('"never ends \\"')).toBeNull();
    expect(excess('{"a\\\\":{"b":"\\\\\\""}}')).toBeNull();
  });
  it('is nothing that small data lack', () => {
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 8 }), (value) => excess(JSON.stringify(value)) === null),
    );
  });
});
