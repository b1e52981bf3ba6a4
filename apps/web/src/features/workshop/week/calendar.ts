import ICAL from 'ical.js';
import { actionOf, type SlotOn } from './slot-words';

// A line that goes on begins with a blank, which the library does not count among the 75 bytes of a line.
ICAL.foldLength = 74;

/**
 * The planned stretches as a calendar (RFC 5545), in UTC, so that any program shows them in its own zone.
 *
 * @param made when it is written, in ms since 1970
 */
export function calendarOf(slots: readonly SlotOn[], made: number): string {
  const calendar = new ICAL.Component(['vcalendar', [], []]);
  calendar.updatePropertyWithValue('prodid', '-//Coiled Strand//Bench time//EN');
  calendar.updatePropertyWithValue('version', '2.0');
  const at = (instant: number): ICAL.Time =>
    ICAL.Time.fromJSDate(new Date(Math.round(instant / 1000) * 1000), true);
  slots.forEach(({ task, job, start, end }, i) => {
    const event = new ICAL.Component('vevent');
    event.updatePropertyWithValue('uid', `${task.id.replace(/\s+/g, '-')}-${i}@coiled-strand`);
    event.updatePropertyWithValue('dtstamp', at(made));
    event.updatePropertyWithValue('dtstart', at(start));
    event.updatePropertyWithValue('dtend', at(end));
    event.updatePropertyWithValue('summary', `${actionOf(task)}: ${job.name}`);
    if (job.customer) event.updatePropertyWithValue('description', `For ${job.customer}`);
    calendar.addSubcomponent(event);
  });
  return calendar.toString();
}
