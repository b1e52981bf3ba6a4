/// <reference types="node" />
import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import {
  CLOSURE_KINDS,
  CORD_KIND_FACTS,
  CORD_KINDS,
  commonWorkingEnds,
  NUMBERS,
  PART_KINDS,
  PIECE_FORMAT_VERSION,
} from '@coiled-strand/core';
import { pieceFileSchema } from './index.js';

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
  it('has its schema beside it, as the rules tell it', () => {
    const file = new URL('../../../docs/piece.schema.json', import.meta.url);
    // Where it is not, `npm run docs` writes it anew.
    expect(JSON.parse(readFileSync(file, 'utf8'))).toEqual(
      JSON.parse(JSON.stringify(pieceFileSchema())),
    );
  });
  it('names every kind of cord', () => {
    for (const kind of CORD_KINDS) expect(text).toContain(`"${kind}"`);
  });
});

describe('the description of the calculation', () => {
  const calculation = readFileSync(
    new URL('../../../docs/calculation.md', import.meta.url),
    'utf8',
  );
  /** The cells of a table's rows, as they are read: what is empty is left out. */
  const rowsOf = (name: string): string[][] =>
    (calculation.split(`<!-- table: ${name} -->`)[1] ?? '')
      .split('<!-- /table -->')[0]!
      .split('\n')
      .filter((line) => line.startsWith('|') && !/^\|[ |-]+\|$/.test(line))
      .slice(1)
      .map((line) =>
        line
          .split('|')
          .map((cell) => cell.trim())
          .filter((cell) => cell !== ''),
      );
  // Where it is not, `npm run docs` writes the tables anew.
  it('carries the computed numbers as the program does', () => {
    expect(rowsOf('computed')).toEqual(
      NUMBERS.flatMap(({ of, rows }) =>
        rows.map(({ what, value, error }, i) => [...(i === 0 ? [of] : []), what, value, error]),
      ),
    );
  });
  it('carries the working ends and the cords', () => {
    expect(rowsOf('ends')).toEqual(
      commonWorkingEnds().map(({ to, of1, of3 }) => [
        to,
        `${Math.round(of1)} mm`,
        `${Math.round(of3)} mm`,
      ]),
    );
    expect(rowsOf('cord').map(([label]) => label)).toEqual(
      CORD_KINDS.map((kind) => CORD_KIND_FACTS[kind].label),
    );
  });
});
