import { BEAD_SHAPES, ID_PATTERN, type Bead, type PieceBead } from '@coiled-strand/core';
import { Type } from 'class-transformer';
import {
  IsIn,
  IsInt,
  IsNotEmpty,
  IsNumber,
  IsOptional,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator';
import { ColourDto } from './cord.dto.js';
import { IsDefinedObject } from './is-defined-object.js';

export class BeadDto implements Bead {
  @IsString()
  @IsNotEmpty()
  @MaxLength(80)
  name!: string;

  @IsIn(BEAD_SHAPES)
  shape!: Bead['shape'];

  @IsNumber()
  @Min(0.1)
  @Max(200)
  length!: number;

  @IsNumber()
  @Min(0.1)
  @Max(200)
  height!: number;

  @IsNumber()
  @Min(0.05)
  @Max(100)
  hole!: number;

  @IsDefinedObject()
  @ValidateNested()
  @Type(() => ColourDto)
  colour!: ColourDto;

  /** Pieces in hand. */
  @IsOptional()
  @IsInt()
  @Min(0)
  @Max(1_000_000)
  count?: number;
}

export class PieceBeadDto extends BeadDto implements PieceBead {
  @Matches(ID_PATTERN, {
    message: 'id must be a short name of small letters, digits and dashes',
  })
  id!: string;
}
