import {
  endsFor,
  LENGTH_UNITS,
  PRACTICES,
  type EndHabits,
  type EndTreatment,
  type LengthUnit,
  type Practice,
  type Side,
} from '@coiled-strand/core';
import { IsIn, IsOptional } from 'class-validator';
import { IsA, IsMeasure, IsName } from './rules.js';

const SIDES: readonly Side[] = ['left', 'right'];

/** How the ends of each kind of cord are secured; a flame is only for what melts. */
export class EndHabitsDto implements EndHabits {
  @IsIn(endsFor('melts'))
  melts!: EndTreatment;

  @IsIn(endsFor('burns'))
  burns!: EndTreatment;

  @IsIn(endsFor('leather'))
  leather!: EndTreatment;
}

/** What a person prefers, in whichever workshop; a workshop’s own hold for whoever has chosen nothing. */
export class PreferencesDto {
  /** For sizes and finished lengths. */
  @IsIn(LENGTH_UNITS)
  unit!: LengthUnit;

  /** For lengths of cord. */
  @IsIn(LENGTH_UNITS)
  cordUnit!: LengthUnit;

  /** The hand that leads. */
  @IsIn(SIDES)
  hand!: Side;
}

/** How this workshop measures and works. Lengths in mm. */
export class SettingsDto extends PreferencesDto {
  /** Cuts are rounded up to this. */
  @IsMeasure(1, 1000)
  step!: number;

  @IsMeasure(0.5, 0.999)
  confidence!: number;

  /** How practised the hands are. */
  @IsIn(PRACTICES)
  practice!: Practice;

  /** How ends of each kind of cord are secured in new pieces. */
  @IsA(() => EndHabitsDto)
  ends!: EndHabitsDto;

  /** What prices are in: a sign or an abbreviation. */
  @IsOptional()
  @IsName(8)
  currency?: string;
}
