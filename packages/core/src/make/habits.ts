import type { PartStep } from '../kind/part-kind.js';
import { otherSide, type Side } from '../kind/side.js';
import type { Step } from '../kind/step.js';
import { speak } from '../measure/speak.js';
import type { LengthUnit } from '../measure/units.js';

/** How this maker works: the unit lengths are said in, and the hand that leads. */
export interface MakerHabits {
  readonly unit: LengthUnit;
  readonly cordUnit: LengthUnit;
  readonly hand: Side;
}

/** Right-handed makers start on the left, where the right hand brings the cord over; others mirror it. */
export const firstSideFor = (hand: Side): Side => otherSide(hand);

/** A step as its part or closure tells it, said in this maker's units and from this maker's side. */
export function told(
  { sideOf, ...plain }: PartStep,
  stage: Step['stage'],
  id: string,
  part: string | undefined,
  habits: MakerHabits,
): Step {
  const first = firstSideFor(habits.hand);
  return {
    ...plain,
    id,
    stage,
    title: speak(plain.title, habits.unit),
    text: speak(plain.text, habits.unit),
    ...(sideOf ? { sideOf: (unit: number) => sideOf(unit, first) } : {}),
    ...(part === undefined ? {} : { part }),
  };
}
