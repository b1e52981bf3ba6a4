import type { Piece } from '../piece.js';
import { upgradeFile } from './upgrade.js';
import { OLDER_VERSIONS, PIECE_FORMAT, PIECE_FORMAT_VERSION } from './version.js';

/** A piece on its own: wearer and materials inside, all lengths in mm. */
export interface PieceFile {
  readonly format: typeof PIECE_FORMAT;
  readonly version: typeof PIECE_FORMAT_VERSION;
  readonly piece: Piece;
}

export const toPieceFile = (piece: Piece): PieceFile => ({
  format: PIECE_FORMAT,
  version: PIECE_FORMAT_VERSION,
  piece,
});

/** A fault in a file, named by the path to it. */
export interface FileFault {
  readonly path: string;
  readonly message: string;
}

/**
 * Reads the text of a file as JSON and checks what kind and version it is; the piece inside is for
 * the validation at the edge. A file of an older version is brought up to the present one.
 *
 * @returns the file's parsed content with the wrapper checked, or the faults by path
 */
export function readPieceFile(
  text: string,
):
  | { readonly ok: true; readonly value: object }
  | { readonly ok: false; readonly faults: FileFault[] } {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    return {
      ok: false,
      faults: [{ path: '', message: `This is not JSON: ${(error as Error).message}.` }],
    };
  }
  const faults = wrapperFaults(value);
  if (faults.length > 0) return { ok: false, faults };
  return { ok: true, value: upgradeFile(value as object) };
}

/** What is wrong with the outside of a file: not an object, another format, a version not known here. */
export function wrapperFaults(value: unknown): FileFault[] {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) {
    return [{ path: '', message: 'The file must hold one object.' }];
  }
  const { format, version } = value as Record<string, unknown>;
  if (format !== PIECE_FORMAT) {
    return [{ path: 'format', message: `This must be “${PIECE_FORMAT}”.` }];
  }
  if (version !== PIECE_FORMAT_VERSION && !OLDER_VERSIONS.includes(version)) {
    return [
      {
        path: 'version',
        message:
          typeof version === 'number' && version > PIECE_FORMAT_VERSION
            ? `Version ${version} is newer than this program reads (${PIECE_FORMAT_VERSION}). Update it and try again.`
            : `This must be ${PIECE_FORMAT_VERSION}, or ${OLDER_VERSIONS.join(' or ')} for an older file.`,
      },
    ];
  }
  return [];
}

/**
 * What the file of a piece is called on a disk: letters and digits of its name.
 *
 * @example pieceFileName('Tide, wrist 18 cm') // 'Tide-wrist-18-cm.strand.json'
 */
export const pieceFileName = (name: string): string => fileNameOf(name, 'strand.json');

/**
 * What a file about something is called: letters and digits of its name, and an ending.
 *
 * @example fileNameOf('Tide, whole', 'gltf') // 'Tide-whole.gltf'
 */
export function fileNameOf(name: string, ending: string): string {
  const clean = name.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '');
  return `${clean || 'piece'}.${ending}`;
}
