import { closureKind } from '../craft/closure/registry.js';
import { partKind } from '../craft/part/registry.js';
import type { Piece } from '../piece/piece.js';
import type { Plan } from './plan-types.js';

/** Share of the tying after which it is laid round: there is still enough left to mend the length with. */
const TRY_ON_AT = 2 / 3;
/** Nearest to that, but never before or after these shares. */
const MIN_SHARE = 0.5;
const MAX_SHARE = 0.8;
/** Fewer units of a part are not interrupted, nor is the work tried on this near to either end of it. */
const MIN_UNITS = 12;
const MARGIN = 3;
/** With fewer seconds of tying than this there is nothing to try on half way. */
const MIN_SECONDS = 120;

/** A place in the work: before a unit of a part. */
export interface WorkPlace {
  /** -1 for before them all. */
  readonly part: number;
  readonly unit: number;
  /** Share of the tying that is done there, and within which it may be moved. */
  readonly share: number;
  readonly least: number;
  readonly most: number;
}

const BEFORE_TYING: WorkPlace = { part: -1, unit: 0, share: 0, least: 0, most: 0 };

/** A piece that is worn open is laid round before the knots at its end: where they are, it hangs. */
function beforeLastKnots(
  piece: Piece,
  seconds: readonly number[],
  total: number,
): WorkPlace | null {
  if (!closureKind(piece.closure.type).open) return null;
  const part = piece.parts.findLastIndex((own) => partKind(own.kind).fills(own)) + 1;
  if (part <= 0 || part >= piece.parts.length) return null;
  const share = seconds.slice(0, part).reduce((sum, own) => sum + own, 0) / Math.max(1, total);
  return { part, unit: 0, share, least: share - 0.01, most: share + 0.01 };
}

/**
 * Where the work is laid round before its last third, by the time that tying takes and not by its length:
 * a stretch of plain cord is no work. Null where there is too little to be interrupted.
 */
export function tryOnPlace(piece: Piece, { parts }: Pick<Plan, 'parts'>): WorkPlace | null {
  const seconds = parts.map(({ kind, layout }) => layout.units * partKind(kind).entry.seconds);
  const total = seconds.reduce((sum, own) => sum + own, 0);
  // A core that is set is laid round by the closure itself, while it can still be set anew.
  if (closureKind(piece.closure.type).entry.setsCore) return BEFORE_TYING;
  const hangs = beforeLastKnots(piece, seconds, total);
  if (hangs) return hangs;
  if (total < MIN_SECONDS || piece.parts.length === 0) return null;
  const places: WorkPlace[] = [];
  let before = 0;
  parts.forEach(({ layout: { units } }, part) => {
    const place = (unit: number): void => {
      const share = (before + (seconds[part]! * unit) / units) / total;
      places.push({ part, unit, share, least: MIN_SHARE, most: MAX_SHARE });
    };
    if (part > 0) place(0);
    const unit = Math.round(
      (units * (TRY_ON_AT * total - before)) / Math.max(1e-9, seconds[part]!),
    );
    if (units >= MIN_UNITS && unit >= MARGIN && unit <= units - MARGIN) place(unit);
    before += seconds[part]!;
  });
  const near = places
    .filter(({ share }) => share >= MIN_SHARE && share <= MAX_SHARE)
    .sort((a, b) => Math.abs(a.share - TRY_ON_AT) - Math.abs(b.share - TRY_ON_AT));
  return near[0] ?? null;
}
