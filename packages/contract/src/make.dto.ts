import { ENDS_WERE, type Between, type EndsWere, type StepPlace } from '@coiled-strand/core';
import { IsBoolean, IsIn, IsISO8601, IsOptional, IsUUID } from 'class-validator';
import { IsA, IsCount, IsListOf, IsMeasure, IsName, IsText, OrNull } from './rules.js';

const MAX_SECONDS = 60 * 60 * 24 * 60;

/** Time at the bench by stage, in seconds. */
export class StageSecondsDto {
  @IsMeasure(0, MAX_SECONDS)
  prepare!: number;

  @IsMeasure(0, MAX_SECONDS)
  tie!: number;

  @IsMeasure(0, MAX_SECONDS)
  finish!: number;
}

/** A wait that was begun: glue, dye, oil, sealing. */
export class TimerDto {
  /** The step it belongs to. */
  @IsName()
  step!: string;

  /** Null where it was stopped. */
  @OrNull()
  @IsISO8601()
  startedAt!: string | null;
}

/** A place in a make: so many units of a step are done. */
export class StepPlaceDto implements StepPlace {
  @IsName()
  step!: string;

  @IsCount(0, 1_000_000)
  unit!: number;
}

export class PartDoneDto {
  @IsName(40)
  part!: string;

  @IsCount(0, 1_000_000)
  units!: number;
}

/** Cord left of a strand. */
export class CordLeftDto {
  /** Which of the strands, from 1. */
  @IsCount(1, 60)
  strand!: number;

  /** All its ends together, in mm. */
  @IsMeasure(0, 100_000)
  length!: number;
}

/** The work as it was measured half way. */
export class HalfWayDto {
  /** Units done of every part. */
  @IsListOf(() => PartDoneDto, 1, 400)
  done!: PartDoneDto[];

  /** From the start of the parts to the last knot, in mm. */
  @IsMeasure(1, 5000)
  length!: number;

  /** Cord left beyond the last knot, of the strands that were measured. */
  @IsListOf(() => CordLeftDto, 0, 60)
  left!: CordLeftDto[];
}

export class ProgressDto {
  /** Where the make stands: everything before it is done. Left out where only time or timers are told. */
  @IsOptional()
  @IsA(() => StepPlaceDto)
  at?: StepPlaceDto;

  /**
   * Where it stood when this device went on, as far as it knew. Where another device has said something else since,
   * no step is taken back unasked. Whatever it says counts when this is left out.
   */
  @IsOptional()
  @IsA(() => StepPlaceDto)
  from?: StepPlaceDto;

  /** Which device says so. */
  @IsOptional()
  @IsName(60)
  device?: string;

  /** Number of the change on its device, which rises: one that was received before is not taken again. */
  @IsOptional()
  @IsCount(1, 1_000_000_000)
  said?: number;

  /** All time that this device has counted for this make. */
  @IsOptional()
  @IsA(() => StageSecondsDto)
  seconds?: StageSecondsDto;

  /** Timers that this device began or stopped; others stay. */
  @IsOptional()
  @IsListOf(() => TimerDto, 0, 40)
  timers?: TimerDto[];

  /** What was measured half way; null takes it back. */
  @IsOptional()
  @IsA(() => HalfWayDto)
  measured?: HalfWayDto | null;
}

export class BeginMakeDto {
  /** Begin another one beside those under way, instead of going on with the last. */
  @IsOptional()
  @IsBoolean()
  beside?: boolean;

  /** Make the piece again as it was planned in this earlier make. */
  @IsOptional()
  @IsUUID()
  repeat?: string;
}

export class CordRecordDto {
  /** Length cut, in mm. */
  @IsMeasure(1, 100_000)
  cut!: number;

  /** Everything left over, in mm. */
  @IsMeasure(0, 100_000)
  leftover!: number;
}

const MAX_MINUTES = 60 * 24 * 30;

/** Time at the bench by stage, in minutes. */
export class StageMinutesDto {
  @IsMeasure(0, MAX_MINUTES)
  prepare!: number;

  @IsMeasure(0, MAX_MINUTES)
  tie!: number;

  @IsMeasure(0, MAX_MINUTES)
  finish!: number;
}

/** All of it. */
export const sumOfMinutes = ({ prepare, tie, finish }: StageMinutesDto): number =>
  prepare + tie + finish;

/** How it sits on the wearer. */
export const WORN = ['too-tight', 'snug', 'right', 'loose', 'too-loose'] as const;
export type Worn = (typeof WORN)[number];

/** The shortest end that a knot was tied with. */
export class EndsDto {
  /** As it was trimmed, in mm. */
  @IsMeasure(1, 2000)
  shortest!: number;

  /** For the fingers. */
  @IsIn(ENDS_WERE)
  was!: EndsWere;
}

/** The work as it was measured before it was finished. */
export class BetweenDto implements Between {
  /** Units done of every part that was begun. */
  @IsListOf(() => PartDoneDto, 1, 400)
  done!: PartDoneDto[];

  /** From the start of the parts to the last knot, in mm. */
  @IsMeasure(1, 5000)
  length!: number;
}

/** What was measured when the piece was finished. Lengths in mm. */
export class MakeLogDto {
  @IsListOf(() => CordRecordDto, 1, 60)
  cords!: CordRecordDto[];

  /** Length of the parts, without the closure. */
  @IsMeasure(1, 5000)
  length!: number;

  /** In all. */
  @IsMeasure(0, MAX_MINUTES)
  minutes!: number;

  @IsOptional()
  @IsA(() => StageMinutesDto)
  stages?: StageMinutesDto;

  /** Half knots, rows or hitches tied, where they were not as many as planned. */
  @IsOptional()
  @IsCount(1, 100_000)
  tied?: number;

  @IsOptional()
  @IsA(() => BetweenDto)
  between?: BetweenDto;

  @IsOptional()
  @IsA(() => EndsDto)
  ends?: EndsDto;

  @IsOptional()
  @IsIn(WORN)
  worn?: Worn;

  /** Who has it now. */
  @IsOptional()
  @IsText(120)
  owner?: string;

  /** Which of the workshop’s wearers that is, where it is one of them. */
  @IsOptional()
  @IsUUID()
  ownerId?: string;

  @IsOptional()
  @IsText(4000)
  note?: string;
}

/** Sets what a make or a swatch says of the hand aside, or takes it in again. */
export class SetAsideDto {
  /** Why it does not count; null to let it count. */
  @OrNull()
  @IsName(400)
  reason!: string | null;
}
