import type { WeekDto } from '@coiled-strand/contract';

const at = (hour: number): number => hour * 60;
const evening = [{ from: at(19), to: at(21) }];

/** What is assumed of a workshop that has said nothing: weekday evenings, in the zone of the machine. */
export const USUAL_WEEK: WeekDto = {
  zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  days: [evening, evening, evening, evening, evening, [], []].map((hours) => ({ hours })),
  off: [],
  longest: 120,
  pins: [],
};
