import type { PartStep } from '../../base/kind/part-kind.js';
import type { Action } from '../../base/action/action.js';
import { CAUTIONS } from '../../base/kind/cautions.js';
import type { Calls, Caution, Step } from '../../base/kind/step.js';
import { WAITS } from '../../base/kind/waits.js';
import type { Saying } from '../../base/measure/saying.js';
import { otherSide, type Side } from '../../base/measure/side.js';

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

/** What puts the hands in danger, whatever else is said of it. */
export const cautionsOf = (actions: readonly Action[]): Caution[] => [
  ...new Set(
    actions.flatMap((action): Caution[] => {
      switch (action.do) {
        case 'cut':
        case 'trim':
          return [CAUTIONS.blade];
        case 'singe':
          return [CAUTIONS.flame];
        case 'join':
          return [action.by === 'flame' ? CAUTIONS.flame : CAUTIONS.glue];
        case 'glue':
        case 'cap':
          return [CAUTIONS.glue];
        case 'stiffen':
        case 'tuck':
          return [CAUTIONS.needle];
        case 'crimp':
        case 'hang':
          return [CAUTIONS.metal];
        default:
          return [];
      }
    }),
  ),
];

/** What has to lie when it is done, as long as its last action says. */
export function waitOf(actions: readonly Action[]): Pick<Step, 'wait'> {
  const wait = actions.findLast((action) => action.do === 'wait');
  return wait ? { wait: { ...WAITS[wait.for], minutes: wait.minutes } } : {};
}

/** For whom steps are told: the side these hands begin on, and whether every unit is to be called out. */
export interface Telling {
  readonly first: Side;
  readonly words: boolean;
}

/** A step as its part or closure tells it, as plain data and from the side that this maker begins on. */
export function asStep(
  { sideOf, unitText, cautions, ...plain }: PartStep,
  stage: Step['stage'],
  id: string,
  part: string | undefined,
  { first, words }: Telling,
): Step {
  // One more than there are, so that a single unit that comes again by turns keeps its turns.
  const sides =
    words && sideOf && Array.from({ length: plain.units + 1 }, (_, u) => sideOf(u, first));
  return {
    ...plain,
    cautions: [...new Set([...cautions, ...cautionsOf(plain.actions)])],
    ...waitOf(plain.actions),
    id,
    stage,
    ...(sides ? { sides: byTurns(sides) } : {}),
    ...(words && unitText ? { calls: gathered(plain.units, unitText) } : {}),
    ...(part === undefined ? {} : { part }),
  };
}
