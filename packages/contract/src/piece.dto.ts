import {
  EASE_RULES,
  END_TREATMENTS,
  LEG_ROLES,
  PIECE_FORMAT,
  PIECE_FORMAT_VERSION,
  PRACTICES,
  WEAR_SITES,
  type Closure,
  type Cutting,
  type Ease,
  type LegRole,
  type Part,
  type Piece,
  type PieceFile,
  type Strand,
  type Wear,
  type Wearer,
} from '@coiled-strand/core';
import {
  ArrayMaxSize,
  ArrayMinSize,
  Equals,
  IsArray,
  IsBoolean,
  IsIn,
  IsOptional,
  IsUUID,
} from 'class-validator';
import { PieceBeadDto } from './bead.dto.js';
import { IsClosure } from './closure.dto.js';
import { CordDto } from './cord.dto.js';
import { PieceKnotDto } from './knot.dto.js';
import { PART_DTOS, PartDto } from './part.dto.js';
import { IsA, IsCount, IsListById, IsListOf, IsMeasure, IsName, IsText, OrNull } from './rules.js';

// The declared property types are the core's own, so that neither side can drift from the other.
// Limits here only keep nonsense out; whether a value is plausible is the core's to say.

export class WearerDto implements Wearer {
  /** Id of what on a list it is a copy of. */
  @IsOptional()
  @IsUUID()
  origin?: string;

  @IsName(80, 'name the wearer, or the size it is for')
  name!: string;

  @IsMeasure(1, 2000)
  wrist!: number;

  @IsOptional()
  @IsMeasure(1, 2000)
  hand?: number;

  @IsOptional()
  @IsMeasure(1, 2000)
  ankle?: number;

  @IsOptional()
  @IsMeasure(1, 2000)
  neck?: number;

  @IsOptional()
  @IsMeasure(1, 2000)
  head?: number;

  @IsOptional()
  @IsBoolean()
  child?: boolean;

  @IsOptional()
  @IsText(200)
  allergy?: string;
}

export class EaseDto implements Ease {
  @IsIn(EASE_RULES)
  rule!: Ease['rule'];

  @IsOptional()
  @IsMeasure(0, 100)
  amount?: number;
}

export class WearDto implements Wear {
  @IsIn(WEAR_SITES)
  site!: Wear['site'];

  @IsCount(1, 6)
  turns!: number;

  @OrNull()
  @IsMeasure(20, 3000)
  length!: number | null;
}

export class StrandDto implements Strand {
  @IsA(() => CordDto)
  cord!: CordDto;

  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(2)
  @IsIn(LEG_ROLES, { each: true })
  legs!: LegRole[];

  @IsBoolean()
  laidIn!: boolean;
}

export class CuttingDto implements Cutting {
  @IsMeasure(0.5, 0.999)
  confidence!: number;

  @IsMeasure(1, 1000)
  step!: number;

  @IsIn(PRACTICES)
  practice!: Cutting['practice'];

  @IsOptional()
  @IsBoolean()
  equal?: boolean;
}

export class PieceDto implements Piece {
  @IsName(80, 'give the piece a name')
  name!: string;

  @IsOptional()
  @IsText(4000)
  note?: string;

  @IsA(() => WearerDto)
  wearer!: WearerDto;

  @IsA(() => EaseDto)
  ease!: EaseDto;

  @IsA(() => WearDto)
  wear!: WearDto;

  @IsListOf(() => StrandDto, 1, 60)
  strands!: StrandDto[];

  @IsListById(() => PieceBeadDto, 100)
  beads!: PieceBeadDto[];

  @IsOptional()
  @IsListById(() => PieceKnotDto, 40)
  knots?: PieceKnotDto[];

  @IsListById(() => PartDto, 400, { property: 'kind', subTypes: PART_DTOS })
  parts!: Part[];

  @IsClosure()
  closure!: Closure;

  @IsIn(END_TREATMENTS)
  ends!: Piece['ends'];

  @IsA(() => CuttingDto)
  cutting!: CuttingDto;
}

/** A piece as exported, and as `POST /api/plan` and the import take it. */
export class PieceFileDto implements PieceFile {
  @Equals(PIECE_FORMAT)
  format!: typeof PIECE_FORMAT;

  @Equals(PIECE_FORMAT_VERSION)
  version!: typeof PIECE_FORMAT_VERSION;

  @IsA(() => PieceDto)
  piece!: PieceDto;
}
