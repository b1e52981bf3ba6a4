// As pieces were before they had parts and strands. Frozen: changes to pieces do not belong here.

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
 * A piece as version 1 of the format wrote it, in the shape of the present version. Faults in it stay
 * faults, for the checks that follow.
 *
 * @param piece plain data; anything that is not a piece of version 1 comes back as it is
 */
export function pieceOfParts(piece: unknown): unknown {
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
