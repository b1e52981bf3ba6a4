import type { Leg } from '../../base/action/action.js';
import { legKey, THREAD, type Table } from './table.js';

/** As near as the hands’ own books and the plan’s have to come, in mm. */
export const NEAR = 0.1;

/** Cord in mm that the plan gives to the work by leg: neither trimmed away nor in reserve. */
export function plannedWork({ plan }: Table): ReadonlyMap<string, number> {
  const planned = new Map<string, number>();
  const add = (leg: Leg, mm: number): unknown =>
    planned.set(legKey(leg), (planned.get(legKey(leg)) ?? 0) + mm);
  for (const { uses } of [...plan.parts.map(({ layout }) => layout), plan.closure]) {
    for (const { strand, half, reason } of uses) {
      if (reason.area !== 'end') add({ cord: strand, half }, reason.mm);
    }
  }
  for (const { id, reasons } of plan.auxiliary) {
    for (const { area, mm } of reasons) {
      if (area !== 'end' && area !== 'reserve') add({ cord: id, half: 0 }, mm);
    }
  }
  return planned;
}

/** Whether every cord has done all the work that it was cut for, so that only its ends are left. */
export function workedUp(table: Table): boolean {
  const planned = plannedWork(table);
  return [...table.cords.values()].every(
    ({ id, given, legs, used }) =>
      given ||
      id === THREAD ||
      used
        .slice(0, legs)
        .every(
          (mm, half) => mm > (planned.get(legKey({ cord: id, half: half as 0 | 1 })) ?? 0) - NEAR,
        ),
  );
}
