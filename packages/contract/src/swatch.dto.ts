import { LEAST_SWATCH, swatchTechniques, TENSIONS, type Tension } from '@coiled-strand/core';
import { Type } from 'class-transformer';
import {
  IsIn,
  IsInt,
  IsNumber,
  IsOptional,
  IsString,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator';
import { CordDto } from './cord.dto.js';
import { IsDefinedObject } from './is-defined-object.js';

/** A few units tied to be measured. Lengths in mm. */
export class SwatchDto {
  @IsIn(swatchTechniques.map((kind) => kind.entry.id))
  technique!: string;

  /** Where the technique has forms: how it is tied. */
  @IsOptional()
  @IsString()
  @MaxLength(40)
  form?: string;

  @IsIn(TENSIONS)
  tension!: Tension;

  @IsDefinedObject()
  @ValidateNested()
  @Type(() => CordDto)
  cord!: CordDto;

  @IsInt()
  @Min(LEAST_SWATCH)
  @Max(1000)
  units!: number;

  /** Length that the units came out. */
  @IsNumber()
  @Min(1)
  @Max(5000)
  length!: number;

  /** All cord that is measured, before and after. */
  @IsNumber()
  @Min(1)
  @Max(100_000)
  before!: number;

  @IsNumber()
  @Min(0)
  @Max(100_000)
  after!: number;

  @IsOptional()
  @IsString()
  @MaxLength(1000)
  note?: string;
}
