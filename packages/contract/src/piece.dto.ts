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
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  ArrayUnique,
  Equals,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNotEmpty,
  IsNumber,
  IsOptional,
  IsString,
  Max,
  MaxLength,
  Min,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import { PieceBeadDto } from './bead.dto.js';
import { IsClosure } from './closure.dto.js';
import { CordDto } from './cord.dto.js';
import { IsDefinedObject } from './is-defined-object.js';
import { PART_DTOS, PartDto } from './part.dto.js';

// The declared property types are the core's own, so that neither side can drift from the other.
// Limits here only keep nonsense out; whether a value is plausible is the core's to say.

export class WearerDto implements Wearer {
  @IsString()
  @IsNotEmpty({ message: 'name the wearer, or the size it is for' })
  @MaxLength(80)
  name!: string;

  @IsNumber()
  @Min(1)
  @Max(2000)
  wrist!: number;

  @IsOptional()
  @IsNumber()
  @Min(1)
  @Max(2000)
  hand?: number;

  @IsOptional()
  @IsNumber()
  @Min(1)
  @Max(2000)
  ankle?: number;

  @IsOptional()
  @IsNumber()
  @Min(1)
  @Max(2000)
  neck?: number;

  @IsOptional()
  @IsNumber()
  @Min(1)
  @Max(2000)
  head?: number;

  @IsOptional()
  @IsBoolean()
  child?: boolean;

  @IsOptional()
  @IsString()
  @MaxLength(200)
  allergy?: string;
}

export class EaseDto implements Ease {
  @IsIn(EASE_RULES)
  rule!: Ease['rule'];

  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(100)
  amount?: number;
}

export class WearDto implements Wear {
  @IsIn(WEAR_SITES)
  site!: Wear['site'];

  @IsInt()
  @Min(1)
  @Max(6)
  turns!: number;

  @ValidateIf((wear: WearDto) => wear.length !== null)
  @IsNumber()
  @Min(20)
  @Max(3000)
  length!: number | null;
}

export class StrandDto implements Strand {
  @IsDefinedObject()
  @ValidateNested()
  @Type(() => CordDto)
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
  @IsNumber()
  @Min(0.5)
  @Max(0.999)
  sureness!: number;

  @IsNumber()
  @Min(1)
  @Max(1000)
  step!: number;

  @IsIn(PRACTICES)
  practice!: Cutting['practice'];

  @IsOptional()
  @IsBoolean()
  equal?: boolean;
}

export class PieceDto implements Piece {
  @IsString()
  @IsNotEmpty({ message: 'give the piece a name' })
  @MaxLength(80)
  name!: string;

  @IsOptional()
  @IsString()
  @MaxLength(4000)
  note?: string;

  @IsDefinedObject()
  @ValidateNested()
  @Type(() => WearerDto)
  wearer!: WearerDto;

  @IsDefinedObject()
  @ValidateNested()
  @Type(() => EaseDto)
  ease!: EaseDto;

  @IsDefinedObject()
  @ValidateNested()
  @Type(() => WearDto)
  wear!: WearDto;

  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(60)
  @ValidateNested({ each: true })
  @Type(() => StrandDto)
  strands!: StrandDto[];

  @IsArray()
  @ArrayMaxSize(100)
  @ArrayUnique((bead: PieceBeadDto) => bead?.id)
  @ValidateNested({ each: true })
  @Type(() => PieceBeadDto)
  beads!: PieceBeadDto[];

  @IsArray()
  @ArrayMaxSize(400)
  @ArrayUnique((part: PartDto) => part?.id)
  @ValidateNested({ each: true })
  @Type(() => PartDto, {
    discriminator: { property: 'kind', subTypes: PART_DTOS },
    keepDiscriminatorProperty: true,
  })
  parts!: Part[];

  @IsClosure()
  closure!: Closure;

  @IsIn(END_TREATMENTS)
  ends!: Piece['ends'];

  @IsDefinedObject()
  @ValidateNested()
  @Type(() => CuttingDto)
  cutting!: CuttingDto;
}

/** A piece as exported, and as `POST /api/plan` and the import take it. */
export class PieceFileDto implements PieceFile {
  @Equals(PIECE_FORMAT)
  format!: typeof PIECE_FORMAT;

  @Equals(PIECE_FORMAT_VERSION)
  version!: typeof PIECE_FORMAT_VERSION;

  @IsDefinedObject()
  @ValidateNested()
  @Type(() => PieceDto)
  piece!: PieceDto;
}
