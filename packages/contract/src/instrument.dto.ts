import { IsBoolean, IsOptional } from 'class-validator';
import { IsMeasure } from './rules.js';

export const INSTRUMENTS = ['caliper', 'scale'] as const;

/** What hands do to the stand-in of an instrument. */
export class HandleDto {
  /** What lies between the jaws in mm, or on the pan in g. */
  @IsOptional()
  @IsMeasure(-1000, 100_000)
  value?: number;

  @IsOptional()
  @IsBoolean()
  plugged?: boolean;

  @IsOptional()
  @IsBoolean()
  batteryLow?: boolean;
}
