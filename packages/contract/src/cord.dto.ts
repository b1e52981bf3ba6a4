import { CORD_KINDS, type Colour, type Cord } from '@coiled-strand/core';
import { IsIn, IsOptional, Matches } from 'class-validator';
import { IsA, IsMeasure, IsName } from './rules.js';

export class ColourDto implements Colour {
  @IsName(60)
  name!: string;

  @Matches(/^#[0-9a-f]{6}$/i, { message: 'hex must be a colour such as #5b6b78' })
  hex!: string;
}

export class CordDto implements Cord {
  @IsName()
  name!: string;

  @IsIn(CORD_KINDS)
  kind!: Cord['kind'];

  @IsMeasure(0.1, 100)
  diameter!: number;

  @IsA(() => ColourDto)
  colour!: ColourDto;

  @IsOptional()
  @IsMeasure(0.5, 1.2)
  effective?: number;

  /** Standard deviation of its diameter from place to place, in mm. */
  @IsOptional()
  @IsMeasure(0, 20)
  spread?: number;

  /** Price of a metre, in the workshop's currency. */
  @IsOptional()
  @IsMeasure(0, 10_000)
  price?: number;
}
