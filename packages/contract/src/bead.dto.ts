import { BEAD_SHAPES, type Bead, type PieceBead } from '@coiled-strand/core';
import { IsBoolean, IsIn, IsOptional, IsUUID } from 'class-validator';
import { ColourDto } from './cord.dto.js';
import { IsA, IsCount, IsId, IsMeasure, IsName } from './rules.js';

export class BeadDto implements Bead {
  /** Id of what on a list it is a copy of. */
  @IsOptional()
  @IsUUID()
  origin?: string;

  @IsName()
  name!: string;

  @IsIn(BEAD_SHAPES)
  shape!: Bead['shape'];

  @IsMeasure(0.1, 200)
  length!: number;

  @IsMeasure(0.1, 200)
  height!: number;

  @IsMeasure(0.05, 100)
  hole!: number;

  /** Of an oval ring what it is inside at its longest. */
  @IsOptional()
  @IsMeasure(0.05, 100)
  holeLong?: number;

  @IsA(() => ColourDto)
  colour!: ColourDto;

  /** Whether heat harms it, as it does pearl, shell, amber, wood and plastic. */
  @IsOptional()
  @IsBoolean()
  delicate?: boolean;

  /** Pieces in hand. */
  @IsOptional()
  @IsCount(0, 1_000_000)
  count?: number;
}

export class PieceBeadDto extends BeadDto implements PieceBead {
  @IsId()
  id!: string;
}
