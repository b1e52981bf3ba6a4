import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsInt,
  IsNumber,
  IsOptional,
  IsString,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator';

export class ProgressDto {
  /** Actions done so far, from the start of the make. */
  @IsInt()
  @Min(0)
  @Max(100_000)
  done!: number;
}

export class CordRecordDto {
  /** Length cut, in mm. */
  @IsNumber()
  @Min(1)
  @Max(100_000)
  cut!: number;

  /** Everything left over, in mm. */
  @IsNumber()
  @Min(0)
  @Max(100_000)
  leftover!: number;
}

/** What was measured when the piece was finished. Lengths in mm. */
export class MakeLogDto {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(60)
  @ValidateNested({ each: true })
  @Type(() => CordRecordDto)
  cords!: CordRecordDto[];

  /** Length of the parts, without the closure. */
  @IsNumber()
  @Min(1)
  @Max(5000)
  length!: number;

  @IsNumber()
  @Min(0)
  @Max(60 * 24 * 30)
  minutes!: number;

  @IsOptional()
  @IsString()
  @MaxLength(4000)
  note?: string;
}
