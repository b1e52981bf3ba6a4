import { describe, expect, it } from '@jest/globals';
import type { JobView } from '@coiled-strand/contract';
import type { Task } from '@coiled-strand/workshop';
import ICAL from 'ical.js';
import { calendarOf } from './calendar';
import type { SlotOn } from './slot-words';

const job = (name: string, customer: string | null): JobView => ({
  id: 'j',
  name,
  what: name,
  customer,
  ...{ pieceId: 'p', makeId: null, orderId: null, lineId: null },
  ...{ due: null, release: null, waitsFor: null, tasks: [] },
});
const task: Task = {
  id: 'line:1 tie 4',
  job: 'j',
  what: 'tie',
  minutes: 40,
  splits: true,
  wait: 0,
  batch: null,
};
const slot = (start: number, end: number, of: JobView): SlotOn => ({
  task,
  start,
  end,
  done: true,
  job: of,
});
const START = Date.UTC(2026, 10, 26, 17, 30);
const NASTY = 'Beads, “knots”; and\na = line\\break, =1+1';

/** Lines of a calendar put together again, as RFC 5545, 3.1, says. */
const unfolded = (text: string): string[] => text.replace(/\r\n[ \t]/g, '').split('\r\n');

describe('bench time as a calendar', () => {
  const text = calendarOf(
    [
      slot(START, START + 40 * 60_000, job(NASTY, 'Quill; & Co')),
      slot(START, START + 1, job('x'.repeat(300), null)),
    ],
    START,
  );
  it('is read back as it was written', () => {
    const calendar = new ICAL.Component(ICAL.parse(text) as unknown[]);
    const events = calendar.getAllSubcomponents('vevent').map((one) => new ICAL.Event(one));
    expect(events).toHaveLength(2);
    expect(events[0]!.summary).toBe(`Tie: ${NASTY}`);
    expect(events[0]!.description).toBe('For Quill; & Co');
    expect(events[0]!.startDate.toJSDate().getTime()).toBe(START);
    expect(events[0]!.endDate.toJSDate().getTime()).toBe(START + 40 * 60_000);
    expect(new Set(events.map(({ uid }) => uid)).size).toBe(2);
  });
  it('keeps to RFC 5545: lines of 75 bytes, ended by CR LF, times in UTC', () => {
    for (const line of text.split('\r\n')) {
      expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
      expect(line).not.toContain('\n');
    }
    const lines = unfolded(text);
    expect(lines[0]).toBe('BEGIN:VCALENDAR');
    expect(lines).toContain('VERSION:2.0');
    expect(lines).toContain('DTSTART:20261126T173000Z');
    expect(lines).toContain('DTEND:20261126T181000Z');
    // What has a meaning in a text is escaped there.
    expect(lines.find((line) => line.startsWith('SUMMARY:Tie: Beads'))).toBe(
      'SUMMARY:Tie: Beads\\, “knots”\\; and\\na = line\\\\break\\, =1+1',
    );
  });
});
