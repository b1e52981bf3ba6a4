type Row = Readonly<Record<string, unknown>>;

/**
 * How far the tables were in the last program before version 1.0.0, which nobody was given but those who ran it from
 * its source. Their columns are those of the first tables; what a few of them hold was called otherwise.
 */
const BEFORE_1 = [
  'Foundation1700000000001',
  'WholePieces1700000000002',
  'Making1700000000003',
  'OnePlan1700000000004',
  'SaidBy1700000000005',
  'Heard1700000000006',
  'Pages1700000000007',
  'Learnt1700000000008',
  'Week1700000000009',
  'People1700000000010',
  'Knots1700000000011',
  'Versions1700000000012',
];

/** Whether tables are of any program before version 1.0.0. */
export const isBefore1 = (migrations: readonly string[]): boolean => migrations[0] === BEFORE_1[0];

/** Whether they are of the last one, which is carried over. */
export const isLastBefore1 = (migrations: readonly string[]): boolean =>
  BEFORE_1.every((name, i) => migrations[i] === name);

type Tree = Readonly<Record<string, unknown>>;
const isTree = (value: unknown): value is Tree => typeof value === 'object' && value !== null;

/** The probability that every cord lasts is called by the field's own word. */
function renamed(holder: unknown): unknown {
  if (!isTree(holder) || !('sureness' in holder)) return holder;
  return Object.fromEntries(
    Object.entries(holder).map(([key, value]) => [key === 'sureness' ? 'confidence' : key, value]),
  );
}

const renamedPiece = (piece: unknown): unknown =>
  isTree(piece) ? { ...piece, cutting: renamed(piece.cutting) } : piece;

/** Columns that hold what has another name now. */
const CHANGES: Readonly<Record<string, Readonly<Record<string, (value: unknown) => unknown>>>> = {
  workshop: { settings: renamed },
  piece: { spec: renamedPiece },
  piece_version: { spec: renamedPiece },
  make: { piece: renamedPiece },
};

/** A row of the last program before version 1.0.0 as it is written now. */
export function fromBefore1(table: string, row: Row): Row {
  const changes = Object.entries(CHANGES[table] ?? {});
  return { ...row, ...Object.fromEntries(changes.map(([key, change]) => [key, change(row[key])])) };
}
