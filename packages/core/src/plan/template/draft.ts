import { usualEndOfAll, type EndHabits } from '../../base/material/ends.js';
import { easeAmount, type Ease } from '../../base/measure/ease.js';
import { partKind, type Part } from '../../craft/part/registry.js';
import { girthOf } from '../../piece/sites.js';
import { planPiece } from '../steps/plan-piece.js';
import type { Cutting, Piece, Wear, Wearer } from '../../piece/piece.js';

/** What a piece is begun with. */
export interface PieceStart {
  readonly name: string;
  readonly wearer: Wearer;
  readonly cutting: Cutting;
  /** How this maker secures ends; as most do when left out. */
  readonly ends?: EndHabits;
}

/** A small ready piece, fitted to its wearer, to be changed freely. */
export interface Template {
  readonly id: string;
  /** What the maker wants to make, in the maker's words. */
  readonly label: string;
  readonly blurb: string;
  readonly group: 'bracelet' | 'necklace';
  make(start: PieceStart): Piece;
}

export const WRIST: Wear = { site: 'wrist', turns: 1, length: null };

/** A neck is usually not measured: then a necklace of 42 cm, which lies at the collarbone. */
export const neckWear = (wearer: Wearer, length = 420): Wear => ({
  site: 'neck',
  turns: 1,
  length: wearer.neck === undefined ? length : null,
});

/** All parts named in their order. */
export const named = (parts: readonly (Omit<Part, 'id'> & { kind: Part['kind'] })[]): Part[] => {
  const seen = new Map<string, number>();
  return parts.map((part) => {
    const n = (seen.get(part.kind) ?? 0) + 1;
    seen.set(part.kind, n);
    return { ...part, id: n === 1 ? part.kind : `${part.kind}-${n}` } as Part;
  });
};

export type Draft = Parameters<typeof named>[0][number];
export const plain = (length: number | null = null): Draft => ({ kind: 'plain', length }) as Draft;
export const knots = (units: number | null, length: number | null = null): Draft =>
  ({ kind: 'square-knot-sinnet', form: 'flat', tension: 'even', length, units }) as Draft;
export const stop = (form: string, runs: readonly number[] | null = null): Draft =>
  ({ kind: 'stopper-knot', form, tied: 'together', runs }) as Draft;
export const row = (beads: readonly string[], more: object = {}): Draft =>
  ({
    kind: 'beads',
    beads,
    through: 'core',
    runs: null,
    between: 'touching',
    gap: 0,
    ...more,
  }) as Draft;

export type Rest = Pick<Piece, 'strands' | 'parts' | 'closure'> &
  Partial<Pick<Piece, 'beads' | 'wear' | 'ease' | 'note'>>;
export const piece = ({ name, wearer, cutting, ends }: PieceStart, rest: Rest): Piece => ({
  name,
  wearer,
  wear: WRIST,
  ease: { rule: 'half-inch' },
  beads: [],
  ends: usualEndOfAll(
    rest.strands.map(({ cord }) => cord.kind),
    ends,
  ),
  cutting,
  ...rest,
});

export const repeat = <T>(count: number, of: (i: number) => readonly T[]): T[] =>
  Array.from({ length: Math.max(0, count) }, (_, i) => of(i)).flat();

/** Inner circumference a start leads to, in mm, for counting beads. */
export const aimOf = (wearer: Wearer, wear: Wear, ease: Ease): number =>
  wear.length ?? (girthOf({ wearer, wear } as Piece) ?? 0) + easeAmount(ease);

/**
 * A piece with as many units of a part as land nearest to the size aimed at.
 * @param kind of the part, whose length comes in whole units
 */
export function landed(draft: Piece, kind: Part['kind']): Piece {
  const plan = planPiece(draft);
  if (!plan.ok) return draft;
  return {
    ...draft,
    parts: draft.parts.map((part, i) => {
      const counted = part.kind === kind ? partKind(kind) : undefined;
      if (!counted?.withUnits) return part;
      const { units, pitch } = plan.parts[i]!.layout;
      const more = Math.round((plan.fit.fitted - plan.fit.length) / pitch);
      return counted.withUnits(part, Math.max(1, units + more)) as Part;
    }),
  };
}
