import { OLDER_VERSIONS, PIECE_FORMAT_VERSION } from './version.js';

type Dict = Record<string, unknown>;
const isDict = (value: unknown): value is Dict =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * A piece of version 3 in the shape of the present one: the probability that every cord lasts was called `sureness`.
 * Faults in it stay faults, for the checks that follow.
 *
 * @param piece plain data; anything else comes back as it is
 * @example upgradePiece({ cutting: { sureness: 0.9 } }) // { cutting: { confidence: 0.9 } }
 */
export function upgradePiece(piece: unknown): unknown {
  if (!isDict(piece) || !isDict(piece.cutting) || !('sureness' in piece.cutting)) return piece;
  const { sureness, ...rest } = piece.cutting;
  return { ...piece, cutting: { confidence: sureness, ...rest } };
}

/** A whole file of an older version, in the shape of the present one. */
export function upgradeFile(file: object): object {
  if (!('version' in file) || !OLDER_VERSIONS.includes(file.version)) return file;
  const piece = 'piece' in file ? file.piece : undefined;
  return { ...file, version: PIECE_FORMAT_VERSION, piece: upgradePiece(piece) };
}
