import { ArrayMaxSize, ArrayMinSize, IsArray, IsUUID } from 'class-validator';
import { IsCount, IsListOf, IsMeasure, IsName } from './rules.js';
import { MAX_OF_A_LOT } from './lot.dto.js';

/** Packs for other hands: a piece in a range of sizes, so many times. */
export class KitDto {
  @IsName(120)
  name!: string;

  @IsUUID()
  pieceId!: string;

  @IsCount(1, 500)
  number!: number;

  /** Wearers of the sizes: each pack is long enough for the largest. */
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(20)
  @IsUUID(undefined, { each: true })
  sizes!: string[];
}

/** What a lot gives to the packs that were filled. */
export class FromLotDto {
  @IsUUID()
  lot!: string;

  @IsMeasure(0.1, MAX_OF_A_LOT)
  amount!: number;
}

/** Packs that were filled. */
export class PackedDto {
  @IsCount(1, 500)
  number!: number;

  @IsListOf(() => FromLotDto, 0, 200)
  from!: FromLotDto[];
}
