import { CORD_KINDS, type Colour, type Cord } from '@coiled-strand/core';
import { IsIn, IsOptional, IsUUID } from 'class-validator';
import { IsA, IsColour, IsMeasure, IsName } from './rules.js';

export class ColourDto implements Colour {
  @IsName(60)
  name!: string;

  @IsColour()
  hex!: string;
}

export class CordDto implements Cord {
  /** Id of what on a list it is a copy of. */
  @IsOptional()
  @IsUUID()
  origin?: string;

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
