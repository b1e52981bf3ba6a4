import { describe, expect, it } from '@jest/globals';
import { EXAMPLE_PIECE } from '../example.js';
import { readPieceFile } from './piece-file.js';
import { upgradePiece } from './upgrade.js';

const { confidence, ...rest } = EXAMPLE_PIECE.cutting;
/** A file as version 3 of the format wrote it. */
const old = {
  format: 'coiled-strand/piece',
  version: 3,
  piece: { ...EXAMPLE_PIECE, cutting: { sureness: confidence, ...rest } },
};

describe('a file of version 3', () => {
  it('is read as one of the present version', () => {
    const read = readPieceFile(JSON.stringify(old));
    expect(read.ok && read.value).toEqual({ ...old, version: 4, piece: EXAMPLE_PIECE });
  });
  it('keeps its faults, for the checks that follow', () => {
    const wrong = { ...old, piece: { cutting: { sureness: 'high' }, parts: 7 } };
    const read = readPieceFile(JSON.stringify(wrong));
    expect(read.ok && read.value).toMatchObject({
      piece: { cutting: { confidence: 'high' }, parts: 7 },
    });
  });
});

it('what is no piece of version 3 stays as it is', () => {
  expect(upgradePiece({ name: 'x' })).toEqual({ name: 'x' });
  expect(upgradePiece(EXAMPLE_PIECE)).toBe(EXAMPLE_PIECE);
  expect(upgradePiece(7)).toBe(7);
});
