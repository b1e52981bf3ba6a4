import type {
  Bead,
  Cord,
  FileFault,
  MakeRecord,
  Outcome,
  Piece,
  Wearer,
} from '@coiled-strand/core';
import type { FittingDto } from './closure.dto.js';
import type { SettingsDto } from './workshop.dto.js';

// What the server answers with. Times are ISO 8601 in UTC; lengths in mm.

export interface WorkshopView {
  readonly name: string;
  readonly maker: string;
  readonly settings: SettingsDto;
}
export interface Stored<T> {
  readonly id: string;
  readonly value: T;
}
export type WearerView = Stored<Wearer>;
export type CordView = Stored<Cord>;
export type BeadView = Stored<Bead>;
export type FittingView = Stored<FittingDto>;

export interface MakeView {
  readonly id: string;
  readonly pieceId: string;
  readonly piece: Piece;
  readonly done: number;
  readonly total: number;
  readonly startedAt: string;
  readonly loggedAt: string | null;
  readonly record: (MakeRecord & { readonly note?: string }) | null;
  readonly outcome: Outcome | null;
}
export interface PieceView {
  readonly id: string;
  /** Rises by one with every change; the ETag of the piece. */
  readonly version: number;
  readonly piece: Piece;
  readonly updatedAt: string;
  /** The make under way, if there is one, with the piece as it was when it was begun. */
  readonly make: Pick<MakeView, 'id' | 'done' | 'total' | 'piece'> | null;
  /** How many times it was finished and logged. */
  readonly logged: number;
}

/** The one shape of every error. */
export interface ErrorBody {
  readonly error: {
    readonly code: string;
    readonly message: string;
    readonly remedy: string;
    readonly faults?: readonly FileFault[];
    /** With `piece.changed`: the piece as it is stored now. */
    readonly current?: PieceView;
    readonly requestId?: string;
  };
}
