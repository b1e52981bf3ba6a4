import {
  BOARD_LIMITS,
  ownKnotFaults,
  type Board,
  type BoardBead,
  type KnotMeasure,
  type KnotSize,
  type PieceKnot,
  type TightKnot,
} from '@coiled-strand/core';
import {
  ArrayMaxSize,
  ArrayUnique,
  IsArray,
  IsBoolean,
  IsInt,
  IsOptional,
  IsUUID,
  Matches,
  Max,
  Min,
  ValidateBy,
} from 'class-validator';
import { schemaContext, type JsonSchema } from './schema-context.js';
import { IsA, IsCount, IsId, IsListOf, IsMeasure, IsName } from './rules.js';

/** Most points of a cord that was drawn tight, and furthest that one lies, in cord diameters. */
const CURVE_POINTS = 400;
const FURTHEST = 1000;

const isPoint = (value: unknown, coordinates: number, furthest: number): boolean =>
  Array.isArray(value) &&
  value.length === coordinates &&
  value.every((one) => typeof one === 'number' && Math.abs(one) <= furthest);

const isLine = (value: unknown, coordinates: number, most: number, furthest: number): boolean =>
  Array.isArray(value) &&
  value.length >= 2 &&
  value.length <= most &&
  value.every((point) => isPoint(point, coordinates, furthest));

const listSchema = (
  { least = 0, most }: { readonly least?: number; readonly most: number },
  items: JsonSchema,
): JsonSchema => ({ type: 'array', minItems: least, maxItems: most, items });

const pointSchema = (coordinates: number, furthest: number): JsonSchema =>
  listSchema(
    { least: coordinates, most: coordinates },
    { type: 'number', minimum: -furthest, maximum: furthest },
  );

/** Cords as lists of points; each point a list of so many numbers. */
const IsLines = (coordinates: 2 | 3, most: number, furthest: number): PropertyDecorator =>
  ValidateBy(
    {
      name: 'isLines',
      validator: {
        validate: (value: unknown) =>
          Array.isArray(value) &&
          value.length <= BOARD_LIMITS.cords &&
          value.every((line) => isLine(line, coordinates, most, furthest)),
        defaultMessage: (args) =>
          `${args?.property ?? 'this'} must be at most ${BOARD_LIMITS.cords} cords, each of 2 to ${most} points of ${coordinates} numbers from -${furthest} to ${furthest}`,
      },
    },
    schemaContext(
      listSchema(
        { most: BOARD_LIMITS.cords },
        listSchema({ least: 2, most }, pointSchema(coordinates, furthest)),
      ),
    ),
  );

const IsPoints = (most: number, furthest: number): PropertyDecorator =>
  ValidateBy(
    {
      name: 'isPoints',
      validator: {
        validate: (value: unknown) =>
          Array.isArray(value) &&
          value.length <= most &&
          value.every((point) => isPoint(point, 3, furthest)),
        defaultMessage: (args) =>
          `${args?.property ?? 'this'} must be at most ${most} points of 3 numbers from -${furthest} to ${furthest}`,
      },
    },
    schemaContext(listSchema({ most }, pointSchema(3, furthest))),
  );

export class BoardBeadDto implements BoardBead {
  @IsCount(0, BOARD_LIMITS.cords - 1)
  cord!: number;

  @IsMeasure(0, BOARD_LIMITS.points)
  along!: number;

  @IsMeasure(...BOARD_LIMITS.bead)
  size!: number;
}

export class BoardDto implements Board {
  @IsLines(2, BOARD_LIMITS.points, BOARD_LIMITS.across)
  cords!: (readonly [number, number])[][];

  @IsArray()
  @ArrayMaxSize(BOARD_LIMITS.crossings)
  @ArrayUnique()
  @Matches(/^\d{1,2}-\d{1,2}-\d{1,3}$/, {
    each: true,
    message: 'turned must be names of crossings',
  })
  turned!: string[];

  @IsOptional()
  @IsArray()
  @ArrayMaxSize(BOARD_LIMITS.cords)
  @ArrayUnique()
  @IsInt({ each: true })
  @Min(0, { each: true })
  @Max(BOARD_LIMITS.cords - 1, { each: true })
  cores?: number[];

  @IsOptional()
  @IsListOf(() => BoardBeadDto, 0, BOARD_LIMITS.beads)
  beads?: BoardBeadDto[];
}

export class KnotMeasureDto implements KnotMeasure {
  @IsMeasure(-FURTHEST, 10 * FURTHEST)
  value!: number;

  @IsMeasure(0, 10 * FURTHEST)
  off!: number;
}

export class KnotSizeDto implements KnotSize {
  @IsListOf(() => KnotMeasureDto, 1, BOARD_LIMITS.cords)
  uses!: KnotMeasureDto[];

  @IsA(() => KnotMeasureDto)
  length!: KnotMeasureDto;

  @IsA(() => KnotMeasureDto)
  width!: KnotMeasureDto;

  @IsA(() => KnotMeasureDto)
  thickness!: KnotMeasureDto;
}

export class TightKnotDto implements TightKnot {
  @IsCount(1, 10_000)
  engine!: number;

  @Matches(/^[0-9a-f]{16}$/, { message: 'of must be the fingerprint of a board' })
  of!: string;

  @IsBoolean()
  settled!: boolean;

  @IsA(() => KnotSizeDto)
  size!: KnotSizeDto;

  @IsLines(3, CURVE_POINTS, FURTHEST)
  curves!: (readonly [number, number, number])[][];

  @IsPoints(BOARD_LIMITS.beads, FURTHEST)
  beads!: (readonly [number, number, number])[];
}

/** What was computed belongs to what was drawn. Only asked where each is well formed by itself. */
const BelongsToBoard = (): PropertyDecorator =>
  ValidateBy(
    {
      name: 'belongsToBoard',
      validator: {
        validate: (_: unknown, args) => faultOf(args?.object) === null,
        defaultMessage: (args) => faultOf(args?.object) ?? '',
      },
    },
    schemaContext({ $comment: 'Must be what was computed of the board beside it.' }),
  );

function faultOf(knot: unknown): string | null {
  try {
    return ownKnotFaults(knot as DrawnKnotDto)[0]?.message ?? null;
  } catch {
    // What is not even a board is told by its own rules.
    return null;
  }
}

/** A knot as a maker drew it, with what was computed of it. */
export class DrawnKnotDto {
  @IsName(60, 'give the knot a name')
  name!: string;

  @IsA(() => BoardDto)
  board!: BoardDto;

  @IsA(() => TightKnotDto)
  @BelongsToBoard()
  tight!: TightKnotDto;
}

/** One of the workshop’s knots as it is changed: from which version on. */
export class KnotChangeDto extends DrawnKnotDto {
  @IsCount(1, 1_000_000)
  version!: number;
}

/** A knot as it was when it was put into a piece. */
export class PieceKnotDto extends DrawnKnotDto implements PieceKnot {
  @IsId()
  id!: string;

  @IsUUID()
  origin!: string;

  @IsCount(1, 1_000_000)
  version!: number;
}
