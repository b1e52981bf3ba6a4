import type { PartStep } from '../kind/part-kind.js';
import type { Calls, Step } from '../kind/step.js';
import type { Saying } from '../measure/saying.js';
import { otherSide, type Side } from '../measure/side.js';

/** Right-handed makers start on the left, where the right hand brings the cord over; others mirror it. */
export const firstSideFor = (hand: Side): Side => otherSide(hand);

/** The shortest row of sides that gives all of them by turns. */
function byTurns(sides: readonly Side[]): Side[] {
  const n = sides.findIndex(
    (_, period) => period > 0 && sides.every((side, i) => side === sides[i % period]),
  );
  return sides.slice(0, n < 0 ? sides.length : n);
}

/** Every sentence once, with the unit it belongs to. */
function gathered(units: number, of: (unit: number) => Saying): Calls {
  const numbers = new Map<string, number>();
  const said: Saying[] = [];
  const order = Array.from({ length: units }, (_, unit) => {
    const saying = of(unit);
    const key = JSON.stringify(saying);
    let n = numbers.get(key);
    if (n === undefined) {
      n = said.push(saying) - 1;
      numbers.set(key, n);
    }
    return n;
  });
  return { said, order };
}

/** A step as its part or closure tells it, as plain data and from the side that this maker begins on. */
export function told(
  { sideOf, unitText, ...plain }: PartStep,
  stage: Step['stage'],
  id: string,
  part: string | undefined,
  firstSide: Side,
): Step {
  // One more than there are, so that a single unit that comes again by turns keeps its turns.
  const sides = sideOf && Array.from({ length: plain.units + 1 }, (_, u) => sideOf(u, firstSide));
  return {
    ...plain,
    id,
    stage,
    ...(sides ? { sides: byTurns(sides) } : {}),
    ...(unitText ? { calls: gathered(plain.units, unitText) } : {}),
    ...(part === undefined ? {} : { part }),
  };
}
