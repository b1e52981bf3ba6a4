import type { PlacedPart } from '../placed-parts.js';
import { legKey, type Table } from './table.js';

/** Work in mm that every leg of a part makes in it, by the leg: a leg that goes there and back makes it twice. */
export function workOf({ site, layout }: PlacedPart): ReadonlyMap<string, number> {
  const work = new Map<string, number>();
  for (const run of site.runs) {
    const leg = legKey({ cord: run.strand, half: run.half });
    work.set(leg, (work.get(leg) ?? 0) + layout.length);
  }
  return work;
}

/** Share of the tying that is done, by the time it takes. */
export function shareDone(table: Table): number {
  let total = 0;
  let done = 0;
  for (const placed of table.parts) {
    const { id, kind, layout } = placed;
    const seconds = layout.units * kind.entry.seconds;
    const work = [...workOf(placed)];
    const made = work.map(
      ([leg, mm]) => (table.advanced.get(`${id}|${leg}`) ?? 0) / Math.max(1e-9, mm),
    );
    total += seconds;
    done += (seconds * made.reduce((sum, own) => sum + own, 0)) / Math.max(1, made.length);
  }
  return total > 0 ? done / total : 0;
}
