import { OLDER_VERSIONS, PIECE_FORMAT_VERSION } from './version.js';

type Dict = Record<string, unknown>;
const isDict = (value: unknown): value is Dict =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const list = (value: unknown): unknown[] => (Array.isArray(value) ? value : []);

/** How each way of using cords in version 1 is said as strands. */
function strandsOf(scheme: unknown, cords: readonly unknown[]): Dict[] {
  const [a, b] = cords;
  switch (scheme) {
    case 'joined-at-fold':
      return [a, b].map((cord) => ({ cord, legs: ['turned'], laidIn: false }));
    case 'own-core':
      return [
        { cord: a, legs: ['core', 'core'], laidIn: false },
        { cord: b, legs: ['working', 'working'], laidIn: true },
      ];
    default:
      return [{ cord: a, legs: ['turned', 'turned'], laidIn: false }];
  }
}

const partOf = (part: unknown): unknown => {
  if (!isDict(part)) return part;
  const { technique, ...rest } = part;
  return { ...rest, kind: technique, units: null };
};

/**
 * A piece as version 1 of the format wrote it, in the shape of version 2. Faults in it stay
 * faults, for the checks that follow.
 *
 * @param piece plain data; anything that is not a piece of version 1 comes back as it is
 */
export function upgradePiece(piece: unknown): unknown {
  if (!isDict(piece) || !('scheme' in piece)) return piece;
  const { scheme, cords, parts, closure, cutting, ...rest } = piece;
  const buckle = isDict(closure) && isDict(closure.buckle) ? closure.buckle : {};
  return {
    ...rest,
    wear: { site: 'wrist', turns: 1, length: null },
    strands: strandsOf(scheme, list(cords)),
    beads: [],
    parts: list(parts).map(partOf),
    closure: { type: 'side-release-buckle', ...buckle },
    cutting: isDict(cutting) ? { practice: 'practised', ...cutting } : cutting,
  };
}

/** What version 2 did not ask of each kind of part, and was then as it were this. */
const SINCE_2: Readonly<Record<string, Dict>> = {
  focal: { sits: 'flat' },
  'alternating-beads': { five: null },
  'petal-plait': { school: 'loops' },
};

/** A piece of version 2 with what it did not say said: a ring was as wide one way as the other. */
function sayAll(piece: unknown): unknown {
  if (!isDict(piece)) return piece;
  const bead = (own: unknown): unknown =>
    isDict(own) && own.shape === 'ring' ? { holeLong: own.hole, ...own } : own;
  const part = (own: unknown): unknown =>
    isDict(own) && typeof own.kind === 'string' && Object.hasOwn(SINCE_2, own.kind)
      ? { ...SINCE_2[own.kind], ...own }
      : own;
  return {
    ...piece,
    ...(Array.isArray(piece.beads) ? { beads: piece.beads.map(bead) } : {}),
    ...(Array.isArray(piece.parts) ? { parts: piece.parts.map(part) } : {}),
  };
}

/** A whole file of an older version, in the shape of the present one. */
export function upgradeFile(file: object): object {
  if (!('version' in file) || !OLDER_VERSIONS.includes(file.version)) return file;
  const piece = 'piece' in file ? file.piece : undefined;
  return {
    ...file,
    version: PIECE_FORMAT_VERSION,
    piece: sayAll(file.version === 1 ? upgradePiece(piece) : piece),
  };
}
