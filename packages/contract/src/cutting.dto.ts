import type { Proof } from '@coiled-strand/workshop';
import {
  IsBoolean,
  IsIn,
  IsOptional,
  IsUUID,
  ArrayMaxSize,
  IsArray,
  IsString,
  MaxLength,
} from 'class-validator';
import { IsA, IsColour, IsCount, IsListOf, IsMeasure, IsName, IsText } from './rules.js';

/** A cut of a session: which cord, how long, and what for. */
export class CutDto {
  @IsName(80)
  id!: string;

  /** Key of the cord. */
  @IsName(500)
  thing!: string;

  /** What the cord is called. */
  @IsName(200)
  cord!: string;

  @IsColour()
  colour!: string;

  @IsMeasure(1, 1_000_000)
  length!: number;

  /** The piece it is for. */
  @IsName(120)
  piece!: string;

  /** How many-th of the pieces, from 1. */
  @IsCount(1, 10_000)
  copy!: number;

  /** Which cord of the piece it is: 'Working cord'. */
  @IsName(200)
  role!: string;

  @IsOptional()
  @IsUUID()
  pieceId?: string;

  @IsOptional()
  @IsUUID()
  makeId?: string;

  /** Number of the strand of the piece; left out for what is cut besides. */
  @IsOptional()
  @IsCount(1, 200)
  strand?: number;

  /** Where it is folded, from one end, in mm. */
  @IsOptional()
  @IsMeasure(0, 1_000_000)
  fold?: number;
}

/** What is cut from a lot, in order. */
export class LotCutsDto {
  @IsUUID()
  lot!: string;

  @IsArray()
  @ArrayMaxSize(2000)
  @IsString({ each: true })
  @MaxLength(80, { each: true })
  cuts!: string[];
}

export class ProofDto {
  @IsIn(['proven', 'within'])
  kind!: Proof['kind'];

  /** No plan takes more than this share of cord less. */
  @IsOptional()
  @IsMeasure(0, 1e6)
  share?: number;
}

/** A cutting session as it was planned. */
export class CuttingSessionDto {
  @IsName(120)
  name!: string;

  @IsListOf(() => CutDto, 1, 2000)
  cuts!: CutDto[];

  @IsListOf(() => LotCutsDto, 0, 1000)
  lots!: LotCutsDto[];

  @IsA(() => ProofDto)
  proof!: ProofDto;

  @IsOptional()
  @IsText(400)
  note?: string;

  /** Whether cuts of one piece in one colour come from one dye lot. */
  @IsOptional()
  @IsBoolean()
  oneDyeLot?: boolean;
}

/** A cut as it was made, which may differ from the plan. */
export class CutMadeDto {
  @IsUUID()
  lot!: string;

  @IsMeasure(1, 1_000_000)
  length!: number;
}
