/// <reference types="node" />
import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import { CLOSURE_KINDS, CORD_KINDS, PART_KINDS, PIECE_FORMAT_VERSION } from '@coiled-strand/core';

const text = readFileSync(new URL('../../../docs/file-format.md', import.meta.url), 'utf8');
/** The line of a table that begins with a value. */
const lineOf = (value: string): string =>
  text.split('\n').find((line) => line.startsWith(`| \`"${value}"\``)) ?? '';

describe('the description of the file format', () => {
  it('is of this version', () => {
    expect(text).toContain(`Version ${PIECE_FORMAT_VERSION}:`);
  });
  it.each([
    ...PART_KINDS.map((kind) => [kind.entry.id, kind.fields] as const),
    ...CLOSURE_KINDS.map((kind) => [kind.entry.type, kind.fields] as const),
  ])('names every value of %s', (id, fields) => {
    const line = lineOf(id);
    expect(line).not.toBe('');
    for (const field of fields) {
      expect(line).toContain(`\`${field.key}\``);
      if (field.type === 'choice') {
        for (const choice of field.choices) expect(line).toContain(`"${choice.id}"`);
      }
    }
  });
  it('names every kind of cord', () => {
    for (const kind of CORD_KINDS) expect(text).toContain(`"${kind}"`);
  });
});
