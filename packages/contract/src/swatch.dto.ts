import { MIN_SWATCH, swatchTechniques, TENSIONS, type Tension } from '@coiled-strand/core';
import { IsIn, IsOptional } from 'class-validator';
import { CordDto } from './cord.dto.js';
import { PieceKnotDto } from './knot.dto.js';
import { IsA, IsCount, IsMeasure, IsText } from './rules.js';

/** A few units tied to be measured. Lengths in mm. */
export class SwatchDto {
  @IsIn(swatchTechniques.map((kind) => kind.entry.id))
  technique!: string;

  /** Where the technique has forms: how it is tied. */
  @IsOptional()
  @IsText(40)
  form?: string;

  /** Where it is a knot of one’s own: which, as it was when it was tied. */
  @IsOptional()
  @IsA(() => PieceKnotDto)
  knot?: PieceKnotDto;

  @IsIn(TENSIONS)
  tension!: Tension;

  @IsA(() => CordDto)
  cord!: CordDto;

  @IsCount(MIN_SWATCH, 1000)
  units!: number;

  /** Length that the units came out. */
  @IsMeasure(1, 5000)
  length!: number;

  /** All cord that is measured, before and after. */
  @IsMeasure(1, 100_000)
  before!: number;

  @IsMeasure(0, 100_000)
  after!: number;

  @IsOptional()
  @IsText(1000)
  note?: string;
}
