import type { MakeView, PieceView, VersionView } from '@coiled-strand/contract';
import type { Hand, Piece } from '@coiled-strand/core';

/** The piece as it was at some time: kept, made, or as it is now. */
export interface Moment {
  /** What the address calls it. */
  readonly id: string;
  readonly label: string;
  readonly at: string;
  readonly piece: Piece;
  /** The hand that it was planned in; what is known of it now where none was. */
  readonly hand?: Hand;
  /** Where it can be named. */
  readonly version?: VersionView;
}

export const NOW = 'now';

const laterFirst = (a: Moment, b: Moment): number => (a.at < b.at ? 1 : a.at > b.at ? -1 : 0);

/** Everything that is known of a piece, as it is now first, then from the last to the first. */
export function momentsOf(
  view: PieceView,
  versions: readonly VersionView[],
  makes: readonly MakeView[],
): readonly Moment[] {
  const kept = versions.map((version): Moment => ({
    id: version.id,
    label: version.name ?? 'Kept by itself',
    at: version.changedAt,
    piece: version.piece,
    version,
  }));
  const made = makes.map(({ id, number, startedAt, piece, hand }): Moment => ({
    id,
    label: `As make ${number} was begun`,
    at: startedAt,
    piece,
    hand,
  }));
  const now: Moment = { id: NOW, label: 'As it is now', at: view.updatedAt, piece: view.piece };
  return [now, ...[...kept, ...made].sort(laterFirst)];
}
