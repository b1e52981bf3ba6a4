import type { Action, CordId } from '../../base/action/action.js';
import { say } from '../../base/measure/saying.js';
import { takenBy } from './appetite.js';
import type { Need } from './need.js';
import { refuse } from './refusal.js';
import type { Table } from './table.js';

/** Cord in mm that the model takes more than a hand for which the plan cuts less; 0 for any other. */
function handsOwn({ plan }: Table, id: CordId): number {
  const reasons = plan.strands.find(({ number }) => number === id)?.reasons ?? [];
  return reasons.reduce(
    (sum, { mm, hand, technique }) =>
      sum + (hand && technique ? Math.max(0, mm / hand.factor - mm) : 0),
    0,
  );
}

/** Takes the cord that an action uses; refused where a cord is used up. */
export function spend(table: Table, action: Action): Need {
  for (const { leg, mm } of takenBy(table, action)) {
    const cord = table.cords.get(leg.cord);
    if (!cord) continue;
    cord.used[leg.half] += mm;
    const there =
      cord.fold === null ? cord.length : leg.half === 0 ? cord.fold : cord.length - cord.fold;
    if (!cord.given && cord.used[leg.half] > there + handsOwn(table, cord.id) + 0.5) {
      return refuse('out-of-cord', say`${cord.called} has run out.`);
    }
  }
  return null;
}

/** A finding, or half of one, is used. */
export function take(table: Table, finding: string, share: number): Need {
  const own = table.findings.get(finding);
  if (!own)
    return refuse('not-planned', say`“${finding}” is not among the things that were made ready.`);
  if (own.used + share > own.count + 1e-6) {
    return refuse('not-there', say`All of ${own.called} are used.`);
  }
  own.used += share;
  return null;
}
