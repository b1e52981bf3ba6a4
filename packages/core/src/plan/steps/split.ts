import type { Action } from '../../base/action/action.js';
import { timesOf } from '../../base/action/action.js';
import type { Step } from '../../base/kind/step.js';
import { inSentence, say } from '../../base/measure/saying.js';
import { otherSide } from '../../base/measure/side.js';

/** An action in two, after so many times of it. */
function splitAction(action: Action, at: number): readonly [Action, Action] {
  const rest = timesOf(action) - at;
  switch (action.do) {
    case 'tie': {
      const { knot, from, share } = action;
      const part = (times: number) =>
        share === undefined ? {} : { share: (share * times) / (at + rest) };
      // A spiral is tied from one side throughout; the sides of all else go by turns.
      const spiral = knot.form === 'half-knot' && knot.sinnet === 'spiral';
      const turned = from === undefined || spiral || at % 2 === 0 ? from : otherSide(from);
      const goesOn = knot.form === 'band' ? { ...knot, after: knot.after + at } : knot;
      return [
        { ...action, ...part(at), times: at },
        {
          ...action,
          ...part(rest),
          times: rest,
          knot: goesOn,
          ...(turned === undefined ? {} : { from: turned }),
        },
      ];
    }
    case 'plait':
      return [
        { ...action, times: at },
        { ...action, times: rest, after: action.after + at },
      ];
    case 'wind':
    case 'chain':
    case 'draw-up':
      return [
        { ...action, times: at },
        { ...action, times: rest },
      ];
    default:
      throw new RangeError(`“${action.do}” is not done in parts`);
  }
}

/** Actions before a unit and from it on, with the units they begin with. */
function splitActions(
  actions: readonly Action[],
  units: readonly number[] | undefined,
  at: number,
): readonly [Pick<Step, 'actions' | 'actionUnits'>, Pick<Step, 'actions' | 'actionUnits'>] {
  const before: Action[] = [];
  const beforeUnits: number[] = [];
  const after: Action[] = [];
  const afterUnits: number[] = [];
  actions.forEach((action, i) => {
    const from = units?.[i] ?? 0;
    const parted = 'times' in action && from < at && from + timesOf(action) > at;
    const [first, second] = parted ? splitAction(action, at - from) : [action, action];
    if (from < at) {
      before.push(first);
      beforeUnits.push(from);
    }
    if (from >= at || parted) {
      after.push(second);
      afterUnits.push(Math.max(0, from - at));
    }
  });
  return [
    { actions: before, actionUnits: beforeUnits },
    { actions: after, actionUnits: afterUnits },
  ];
}

/** One step in two, at a unit: its sides, its words and its actions go on where the first left off. */
export function split(step: Step, at: number): [Step, Step] {
  const { sides, tied, tiedBy, calls, actions = [], actionUnits, again } = step;
  const from = step.from ?? 0;
  const [before, after] = splitActions(actions, actionUnits, at);
  return [
    {
      ...step,
      ...before,
      units: at,
      ...(tiedBy ? { tiedBy: tiedBy.slice(0, at) } : {}),
      ...(calls ? { calls: { ...calls, order: calls.order.slice(0, at) } } : {}),
    },
    {
      ...step,
      ...after,
      id: `${step.id}-on`,
      title: step.goesOn ? step.title : say`Go on: ${inSentence(step.title)}`,
      goesOn: true,
      text: again ?? step.text,
      units: step.units - at,
      from: from + at,
      ...(sides ? { sides: sides.map((_, i) => sides[(i + at) % sides.length]!) } : {}),
      ...(tied && !tiedBy ? { tied: tied.map((_, i) => tied[(i + at) % tied.length]!) } : {}),
      ...(tiedBy ? { tiedBy: tiedBy.slice(at) } : {}),
      ...(calls ? { calls: { ...calls, order: calls.order.slice(at) } } : {}),
    },
  ];
}
