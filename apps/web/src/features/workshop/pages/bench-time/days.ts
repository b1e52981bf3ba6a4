import { dayText, wallTime, type Day, type Sitting } from '@coiled-strand/workshop';
import { slotsOn, type SlotOn } from '../../week/slot-words';
import { dueAt, type Week } from '../../week/use-week';

/** Something that runs by itself and is over. */
export interface Waited {
  readonly name: string;
  readonly until: number;
}

/** A day with what is done on it, what is over, and what is due. */
export interface DayPlan {
  readonly day: Day;
  readonly key: string;
  readonly sittings: Sitting[];
  readonly slots: SlotOn[];
  readonly over: Waited[];
  readonly due: string[];
}

const MINUTE = 60_000;
/** Shorter waits are over before anybody looks for them here. In minutes. */
const SHOWN = 60;

/** The days up to the last work, and those on which something is due, in their order. */
export function daysOf(week: Week): DayPlan[] {
  const { zone } = week.week;
  const days = new Map<string, DayPlan>();
  const dayAt = (instant: number): DayPlan => {
    const { year, month, day } = wallTime(instant, zone);
    const key = dayText({ year, month, day });
    const known = days.get(key);
    if (known) return known;
    const fresh = { day: { year, month, day }, key, sittings: [], slots: [], over: [], due: [] };
    days.set(key, fresh);
    return fresh;
  };
  const slots = slotsOn(week);
  const last = slots.at(-1)?.end ?? week.now;
  for (const sitting of week.sittings) {
    if (sitting.start <= last) dayAt(sitting.start).sittings.push(sitting);
  }
  for (const slot of slots) {
    dayAt(slot.start).slots.push(slot);
    if (!slot.done || slot.task.wait < SHOWN) continue;
    const until = slot.end + slot.task.wait * MINUTE;
    dayAt(until).over.push({ name: `${slot.job.name} has lain long enough`, until });
  }
  for (const { release, name, waitsFor } of week.view.jobs) {
    const until = release === null ? 0 : Date.parse(release);
    if (until <= week.now) continue;
    dayAt(until).over.push({ name: `${name}: until then ${waitsFor ?? 'it lies'}`, until });
  }
  for (const own of byOrder(week)) {
    const end = dueAt(own[0]!.due, zone);
    if (end === null) continue;
    const late = own.some(({ id }) => (week.plan.ready.get(id) ?? 0) > end);
    const who = own[0]!.customer ?? own[0]!.name;
    // A day ends where the next begins.
    dayAt(end - MINUTE).due.push(`Due: ${who}${late ? ', and it will be late' : ''}`);
  }
  for (const { over } of days.values()) over.sort((a, b) => a.until - b.until);
  return [...days.values()].sort((a, b) => (a.key < b.key ? -1 : 1));
}

/** Jobs of one order together. */
function byOrder({ view }: Week): Week['view']['jobs'][number][][] {
  const orders = new Map<string, Week['view']['jobs'][number][]>();
  for (const job of view.jobs) {
    if (job.orderId === null) continue;
    orders.set(job.orderId, [...(orders.get(job.orderId) ?? []), job]);
  }
  return [...orders.values()];
}
