import { describe, expect, it } from '@jest/globals';
import { EXAMPLE_PIECE } from '../example.js';
import { readPieceFile, toPieceFile } from './piece-file.js';
import { PIECE_FORMAT } from './version.js';

const piece = EXAMPLE_PIECE;

describe('piece file', () => {
  it('comes back as it went', () => {
    const back = readPieceFile(JSON.stringify(toPieceFile(piece)));
    expect(back).toEqual({ ok: true, value: toPieceFile(piece) });
  });
  it.each([
    ['{', ''],
    ['[]', ''],
    ['{"format":"other/thing","version":1}', 'format'],
    [`{"format":"${PIECE_FORMAT}","version":9}`, 'version'],
    [`{"format":"${PIECE_FORMAT}"}`, 'version'],
  ])('names the fault in %s', (text, path) => {
    const result = readPieceFile(text);
    expect(result.ok).toBe(false);
    if (!result.ok) expect(result.faults[0]?.path).toBe(path);
  });
});
