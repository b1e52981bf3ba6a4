import { CORD_KINDS, type Colour, type Cord } from '@coiled-strand/core';
import { Type } from 'class-transformer';
import {
  IsIn,
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
import { IsDefinedObject } from './is-defined-object.js';

export class ColourDto implements Colour {
  @IsString()
  @IsNotEmpty()
  @MaxLength(60)
  name!: string;

  @Matches(/^#[0-9a-f]{6}$/i, { message: 'hex must be a colour such as #5b6b78' })
  hex!: string;
}

export class CordDto implements Cord {
  @IsString()
  @IsNotEmpty()
  @MaxLength(80)
  name!: string;

  @IsIn(CORD_KINDS)
  kind!: Cord['kind'];

  @IsNumber()
  @Min(0.1)
  @Max(100)
  diameter!: number;

  @IsDefinedObject()
  @ValidateNested()
  @Type(() => ColourDto)
  colour!: ColourDto;

  @IsOptional()
  @IsNumber()
  @Min(0.5)
  @Max(1.2)
  effective?: number;

  /** Price of a metre, in the workshop's currency. */
  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(10_000)
  price?: number;
}
