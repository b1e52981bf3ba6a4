import type { BenchWeek, Hours, Pricing } from '@coiled-strand/workshop';
import { IsISO8601 } from 'class-validator';
import { IsCents, IsCount, IsDays, IsListOf, IsMeasure, IsName, IsZone } from './rules.js';

const DAY = 24 * 60;

export class HoursDto implements Hours {
  @IsCount(0, DAY)
  from!: number;

  @IsCount(0, DAY)
  to!: number;
}

/** The hours of one weekday. */
export class WeekdayDto {
  @IsListOf(() => HoursDto, 0, 6)
  hours!: HoursDto[];
}

/** A task that the maker put to a time. */
export class PinDto {
  @IsName(120)
  task!: string;

  @IsISO8601()
  at!: string;
}

/** When somebody is at the bench, and what was put where by hand. */
export class WeekDto implements Omit<BenchWeek, 'days'> {
  @IsZone()
  zone!: string;

  /** From Monday to Sunday. */
  @IsListOf(() => WeekdayDto, 7, 7)
  days!: WeekdayDto[];

  @IsDays(400)
  off!: string[];

  @IsCount(15, DAY)
  longest!: number;

  @IsListOf(() => PinDto, 0, 200)
  pins!: PinDto[];
}

/** The week as the core takes it. */
export const benchWeekOf = ({ zone, days, off, longest }: WeekDto): BenchWeek => ({
  zone,
  days: days.map(({ hours }) => hours),
  off,
  longest,
});

export class PricingDto implements Pricing {
  @IsCents()
  hour!: number;

  @IsMeasure(0, 5)
  overhead!: number;

  @IsMeasure(0, 5)
  margin!: number;

  @IsCents()
  nice!: number;

  @IsCount(0, 100)
  below!: number;
}
