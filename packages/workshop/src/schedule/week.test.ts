import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { addDays, dayFrom, dayText, instantOf, isZone, wallTime, weekdayOf } from './zone.js';
import { minutesIn, sittingsOf, type BenchWeek } from './week.js';

const HOUR = 3_600_000;
const OSLO = 'Europe/Oslo';
/** Every night from ten to six. */
const NIGHTS: BenchWeek = {
  zone: OSLO,
  days: Array.from({ length: 7 }, () => [{ from: 60, to: 6 * 60 }]),
  off: [],
  longest: 24 * 60,
};

describe('a clock on the wall', () => {
  it('shows one time at a moment, and that time leads back to it', () => {
    const zones = [
      'Europe/Oslo',
      'America/New_York',
      'Asia/Kathmandu',
      'Australia/Lord_Howe',
      'UTC',
    ];
    fc.assert(
      fc.property(
        fc.constantFrom(...zones),
        fc.integer({ min: Date.UTC(1990, 0), max: Date.UTC(2040, 0) }),
        (zone, at) => {
          const instant = Math.floor(at / 60_000) * 60_000;
          const wall = wallTime(instant, zone);
          const back = instantOf(wall, wall.minutes, zone);
          // An hour that is shown twice means its first showing.
          expect([0, 0.5 * HOUR, HOUR]).toContain(instant - back);
          expect(wallTime(back, zone)).toEqual(wall);
        },
      ),
    );
  });
  it('is put forward in March and back in October', () => {
    // Directive 2000/84/EC: on the last Sundays of March and October at 1 o’clock UTC.
    const march = { year: 2027, month: 3, day: 28 };
    expect(instantOf(march, 120, OSLO)).toBe(Date.UTC(2027, 2, 28, 1));
    expect(instantOf(march, 180, OSLO)).toBe(Date.UTC(2027, 2, 28, 1));
    const october = { year: 2026, month: 10, day: 25 };
    expect(instantOf(october, 150, OSLO)).toBe(Date.UTC(2026, 9, 25, 0, 30));
    expect(instantOf(october, 240, OSLO)).toBe(Date.UTC(2026, 9, 25, 3));
  });
  it('knows its zones, and days by their names', () => {
    expect([isZone(OSLO), isZone('Nowhere/Else')]).toEqual([true, false]);
    for (const zone of ['', '+05:30', '+99:00', '\0']) expect(isZone(zone)).toBe(false);
    expect(() => wallTime(0, 'Nowhere/Else')).toThrow(RangeError);
    expect([dayFrom('2026-02-28'), dayFrom('2026-02-29'), dayFrom('28.2.2026')]).toEqual([
      { year: 2026, month: 2, day: 28 },
      null,
      null,
    ]);
    expect(dayText(addDays({ year: 2028, month: 2, day: 28 }, 2))).toBe('2028-03-01');
    expect(weekdayOf({ year: 2027, month: 1, day: 4 })).toBe(0);
  });
});

describe('sittings', () => {
  it('are an hour shorter or longer on a night on which the clock changes', () => {
    const lengths = (from: number, days: number): number[] =>
      sittingsOf(NIGHTS, from, days).map(({ start, end }) => (end - start) / HOUR);
    expect(lengths(Date.UTC(2027, 2, 26, 23, 30), 3)).toEqual([5, 4, 5]);
    expect(lengths(Date.UTC(2026, 9, 23, 22, 30), 3)).toEqual([5, 6, 5]);
  });
  it('begin now, leave out days off, and are broken by a rest', () => {
    const week: BenchWeek = {
      zone: OSLO,
      days: [[], [], [], [{ from: 18 * 60, to: 22 * 60 }], [], [{ from: 9 * 60, to: 12 * 60 }], []],
      off: ['2026-12-03'],
      longest: 120,
    };
    // A Thursday in winter, seven in the evening.
    const from = Date.UTC(2026, 10, 26, 18);
    const said = sittingsOf(week, from, 15).map(({ start, end }) =>
      [start, end].map((at) => new Date(at).toISOString().slice(5, 16)),
    );
    expect(said).toEqual([
      ['11-26T18:00', '11-26T20:00'],
      ['11-26T20:15', '11-26T21:00'],
      ['11-28T08:00', '11-28T10:00'],
      ['11-28T10:15', '11-28T11:00'],
      ['12-05T08:00', '12-05T10:00'],
      ['12-05T10:15', '12-05T11:00'],
      ['12-10T17:00', '12-10T19:00'],
      ['12-10T19:15', '12-10T21:00'],
    ]);
    expect(minutesIn(sittingsOf(week, from, 1))).toBe(165);
  });
});
