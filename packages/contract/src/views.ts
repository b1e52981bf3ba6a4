import type { Role } from './roles.js';
import type {
  Bead,
  Cord,
  FileFault,
  Hand,
  Lesson,
  MakeRecord,
  Observation,
  Outcome,
  Piece,
  Plan,
  Reached,
  Side,
  Step,
  StepPlace,
  Wearer,
} from '@coiled-strand/core';
import type { FittingDto } from './closure.dto.js';
import type { DrawnKnotDto } from './knot.dto.js';
import type { HalfWayDto, MakeLogDto, StageSecondsDto, TimerDto } from './make.dto.js';
import type { SwatchDto } from './swatch.dto.js';
import type { PricingDto, WeekDto } from './week.dto.js';
import type { LotView } from './week-views.js';
import type { SettingsDto } from './workshop.dto.js';

// What the server answers with. Times are ISO 8601 in UTC; lengths in mm.

export interface WorkshopView {
  readonly name: string;
  readonly maker: string;
  readonly settings: SettingsDto;
  readonly week: WeekDto;
  readonly pricing: PricingDto;
  /** Of each that is changed by itself: what a change of it sends as If-Match. */
  readonly etags: Readonly<Record<'settings' | 'week' | 'pricing', string>>;
}
export interface Stored<T> {
  readonly id: string;
  readonly value: T;
  /** What a change of it sends as If-Match. */
  readonly etag: string;
}
/** Something that has to do with a thing on a list. */
export interface UseView {
  readonly in: 'piece' | 'lot' | 'kit';
  readonly id: string;
  readonly name: string;
}
export interface UsesView {
  readonly total: number;
  /** The first of them. */
  readonly named: readonly UseView[];
}
export type WearerView = Stored<Wearer>;
export type CordView = Stored<Cord>;
export type BeadView = Stored<Bead>;
export type FittingView = Stored<FittingDto>;
/** A knot that somebody of the workshop drew, and how often it was changed, from 1. */
export interface KnotView extends Omit<Stored<DrawnKnotDto>, 'etag'> {
  readonly version: number;
}

export interface MakeView {
  readonly id: string;
  readonly pieceId: string;
  readonly piece: Piece;
  /** What was known of the hand when it was planned. */
  readonly hand: Hand;
  /** How many-th make of the piece it is, from 1. */
  readonly number: number;
  /** Where it stands, and when that was so. */
  readonly at: StepPlace;
  readonly doneAt: string;
  readonly reached: Reached;
  /** Time at the bench so far, over all devices. */
  readonly seconds: StageSecondsDto;
  readonly timers: readonly TimerDto[];
  /** What was measured half way, the last time; null before. */
  readonly measured: HalfWayDto | null;
  readonly startedAt: string;
  readonly loggedAt: string | null;
  readonly record: (MakeRecord & Pick<MakeLogDto, 'note' | 'owner' | 'ownerId' | 'worn'>) | null;
  readonly outcome: Outcome | null;
  /** Why it does not count for the hand; null where it counts. */
  readonly setAside: string | null;
  readonly photos: readonly PhotoView[];
  /** Whether its piece was put away since. */
  readonly putAway: boolean;
  /** The line of an order that it is for; null for none. */
  readonly lineId: string | null;
  /** Whether the stash was told what it was cut from. */
  readonly stashTold: boolean;
}

/** What a make goes by, as it was when it was begun: large, and the same for as long as it lasts. */
export interface MakePlanView {
  readonly plan: Plan;
  readonly steps: readonly Step[];
  /** Side on which the units begin that do. */
  readonly firstSide: Side;
}

/** Some things of a list, in the order that was asked for. */
export interface PageView<T> {
  readonly items: readonly T[];
  /** How many there are in all that are looked for. */
  readonly total: number;
  /** What to ask for as `after` to get the next ones; null where these are the last. */
  readonly next: string | null;
}

/** A picture with the make it is of. */
export interface MadePhotoView extends PhotoView {
  readonly at: string;
  readonly make: Pick<MakeView, 'id' | 'pieceId' | 'number' | 'loggedAt' | 'putAway'> & {
    readonly name: string;
  };
}

/** A picture of a make; its bytes are at /photos/:id. */
export interface PhotoView {
  readonly id: string;
  readonly type: PhotoType;
  readonly size: number;
}
export const PHOTO_TYPES = ['image/jpeg', 'image/png', 'image/webp'] as const;
export type PhotoType = (typeof PHOTO_TYPES)[number];
/** Largest photo in bytes, and how many one make may have. */
export const PHOTO_LIMITS = { bytes: 5_000_000, count: 6 } as const;

export interface SwatchView {
  readonly id: string;
  readonly swatch: SwatchDto;
  readonly at: string;
  readonly setAside: string | null;
}

/** Where something that was observed of the hand comes from. */
export interface Source {
  readonly from: 'make' | 'swatch';
  readonly id: string;
  /** The piece and its make, or the swatch. */
  readonly label: string;
  readonly at: string;
  /** Why it does not count; null where it counts. */
  readonly setAside: string | null;
}
export type Evidence = Observation & { readonly source: Source };

/** One thing that was learnt, with the last measurements of those that it rests on: `after.rests` in all. */
export interface LessonView extends Lesson<Evidence> {
  /** When the first of them was measured. */
  readonly since: string;
}

/** What was learnt of the hand, and what it rests on. */
export interface HandView {
  readonly hand: Hand;
  readonly lessons: readonly LessonView[];
  /** What was observed last and does not count. */
  readonly setAside: readonly Evidence[];
}

/** What the cords of a make were predicted to take and took, in mm. */
export interface MadeCords extends Pick<MakeView, 'number'> {
  readonly name: string;
  /** Of which it told something. */
  readonly techniques: readonly string[];
  readonly cords: readonly Pick<Outcome['cords'][number], 'label' | 'predicted' | 'actual'>[];
}
export interface PieceView {
  readonly id: string;
  /** Rises by one with every change; the ETag of the piece. */
  readonly version: number;
  /** The Idempotency-Key of the request that led to this version; null where it had none. */
  readonly changedBy: string | null;
  readonly piece: Piece;
  readonly updatedAt: string;
  /** The last make under way, if there is one, with the piece as it was when it was begun. */
  readonly make: Pick<MakeView, 'id' | 'reached' | 'piece' | 'hand'> | null;
  /** How many are under way. */
  readonly underWay: number;
  /** How many times it was finished and logged. */
  readonly logged: number;
  /** What the maker sorts it under. */
  readonly tags: readonly string[];
}

/** A tag, and how many pieces on the bench have it. */
export interface TagView {
  readonly tag: string;
  readonly pieces: number;
}

/** A piece as it was before. */
export interface VersionView {
  readonly id: string;
  /** Number that the piece had then. */
  readonly version: number;
  /** What its maker calls it; null where it was kept by itself. */
  readonly name: string | null;
  /** When the piece was changed to be so. */
  readonly changedAt: string;
  readonly piece: Piece;
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
    /** With `changed`: what was to be changed as it is stored now, as its route tells of it. */
    readonly stored?: object;
    /** With `make.elsewhere`: the make as it stands now. */
    readonly make?: MakeView;
    /** With `lot.too-little`: the lot as it is now, and what is missing in it. */
    readonly lot?: LotView;
    readonly short?: number;
    /** With `tried-too-often` and `asked-too-often`: seconds until it is heard again. */
    readonly retryAfter?: number;
    /** With `role.needed`: the least role that may. */
    readonly role?: Role;
    readonly requestId?: string;
  };
}
