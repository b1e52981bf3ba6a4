import type { PricingDto, WeekDto } from '@coiled-strand/contract';
import { addDays, dayText, wallTime, weekdayOf } from '@coiled-strand/workshop';

// All made up. Money in cents.

const ZONE = 'Europe/Oslo';
const SATURDAY = 5;

const today = wallTime(Date.now(), ZONE);
/** A day so many days from today. */
const inDays = (days: number): string => dayText(addDays(today, days));

/** The society’s open evening: the Saturday three weeks from today. */
const toOpening = 21 + ((SATURDAY - weekdayOf(addDays(today, 21)) + 7) % 7);
export const OPEN_EVENING = inDays(toOpening);
export const BEFORE_OPENING = inDays(toOpening - 2);
export const SOON = inDays(6);

const at = (hour: number, minute = 0): number => hour * 60 + minute;
const evening = { hours: [{ from: at(18, 30), to: at(21) }] };

export const WEEK: WeekDto = {
  zone: ZONE,
  days: [
    evening,
    evening,
    evening,
    evening,
    evening,
    { hours: [{ from: at(9), to: at(12, 30) }] },
    { hours: [] },
  ],
  // The choir sings on one evening.
  off: [inDays(8 - weekdayOf(today))],
  longest: 90,
  pins: [],
};

export const WEEK_PRICING: PricingDto = {
  hour: 1600,
  overhead: 0.15,
  margin: 0.1,
  nice: 50,
  below: 0,
};
