import type { Action, End } from '../../base/action/action.js';
import { closureKind } from '../../craft/closure/registry.js';
import type { PartStep } from '../../base/kind/part-kind.js';
import type { Step } from '../../base/kind/step.js';
import { say, type Saying } from '../../base/measure/saying.js';
import type { Side } from '../../base/measure/side.js';
import { partKind } from '../../craft/part/registry.js';
import type { Piece } from '../../piece/piece.js';
import { tiedSpan } from '../../piece/runs.js';
import { kindSteps } from '../kind-steps.js';
import { placedParts, type PlacedPart } from '../placed-parts.js';
import type { Plan } from '../plan-types.js';
import { tryOnPlace } from '../try-on-place.js';
import { asStep, type Telling } from './habits.js';
import { layInSteps, onceStep, orderFor, orderStep } from './set-up.js';
import { tellMisfit } from './misfit.js';
import { split } from './split.js';

function tryOnEarly(piece: Piece, plan: Plan, from: number): Step {
  const open = closureKind(piece.closure.type).open !== undefined;
  const text: Saying = open
    ? 'Lay it round the neck and look where the ends hang: now is the time to shift their knots.'
    : say`Lay it round the wearer. ${tellMisfit(piece, plan, from)}`;
  return onceStep(
    'tie',
    'try-on-early',
    open ? 'Lay it round before the last knots' : 'Lay it round once',
    text,
    { kind: 'worn' },
    [{ do: 'try-on', how: 'laid' }],
  );
}

function stepsOfPart(steps: readonly PartStep[], id: string, telling: Telling): Step[] {
  let from = 0;
  return steps.map((step, n) => {
    const own: Step = {
      ...asStep(step, 'tie', n === 0 ? `tie-${id}` : `tie-${id}:${n + 1}`, id, telling),
      from,
      look: step.look ?? { kind: 'part' },
    };
    if (!step.aside) from += step.units;
    return own;
  });
}

/** Interrupts the steps of a part at a unit of its longest step, which is the one that is counted. */
function interrupt(steps: readonly Step[], unit: number, tryOn: Step): Step[] {
  if (unit <= 0) return [tryOn, ...steps];
  const at = steps.findIndex((step) => !step.aside && step.units > unit);
  return steps.flatMap((step, i): Step[] => {
    if (i !== at) return [step];
    const [first, rest] = split(step, unit);
    return [first, tryOn, rest];
  });
}

/** The same work done from the other side: what is laid towards the end is laid towards the start. */
const towardsStart = (step: Step): Step => ({
  ...step,
  title: say`${step.title} on the other side`,
  actions: (step.actions ?? []).map((action): Action =>
    action.do === 'lay'
      ? { ...action, on: action.on.map((end): End => ({ ...end, side: 'start' })) }
      : action,
  ),
});

const laysOnly = (steps: readonly Step[]): boolean =>
  steps.every(({ actions = [] }) => actions.every((action) => action.do === 'lay'));

/** Whether a piece is begun at something caught in the middle of its cord, and what lies before comes after. */
function startsInMiddle(piece: Piece, parts: readonly (readonly Step[])[]): number | null {
  const at = piece.parts.findIndex((part) => partKind(part.kind).entry.fromMiddle);
  const folds = piece.strands.some(({ legs }) => legs.length > 1);
  if (at < 0 || folds || !parts.slice(0, at).every(laysOnly)) return null;
  return at;
}

/**
 * Where cords have to be laid in order, by the number of the part before which that is done: before the
 * part that asks for it, or before those that keep the order ahead of it.
 */
function orderSteps(parts: readonly PlacedPart[], first: Side): ReadonlyMap<number, Step[]> {
  const orders = new Map<number, Step[]>();
  for (const placed of parts) {
    const order = orderFor(placed, first);
    if (!order || order.runs.length < 2) continue;
    const { runs, from } = order;
    const keeps = ({ kind, site }: PlacedPart): boolean =>
      kind.entry.keepsOrder === true && site.runs.length === runs.length;
    const at = parts.slice(0, placed.index).findLastIndex((part) => !keeps(part)) + 1;
    orders.set(at, [orderStep(runs, from, at > 0, 'tie', `order-${placed.id}`)]);
  }
  return orders;
}

/** The parts in the order in which they are worked. */
export interface Work {
  readonly steps: readonly Step[];
  /** Whether it is begun in the middle of the cord, so that both of its ends are tied off afterwards. */
  readonly fromMiddle: boolean;
}

/** The work on all parts, laid round once while enough is left to tie. */
export function workSteps(piece: Piece, plan: Plan, telling: Telling): Work {
  const placed = placedParts(piece, plan);
  const firstTied = tiedSpan(piece.parts)?.[0] ?? 0;
  const tryOn = tryOnPlace(piece, plan);
  const said = kindSteps(plan, piece, telling.first).parts;
  const parts = placed.map(({ id, index }) => stepsOfPart(said[index]!, id, telling));
  const middle = startsInMiddle(piece, parts);
  const orders = orderSteps(placed, telling.first);
  const whole = placed.map(({ id, index }): Step[] => {
    const own = parts[index]!;
    return [
      ...(index === firstTied ? layInSteps(piece, id) : []),
      ...(orders.get(index) ?? []),
      ...(tryOn?.part === index ? interrupt(own, tryOn.unit, tryOnEarly(piece, plan, index)) : own),
    ];
  });
  if (middle === null) return { steps: whole.flat(), fromMiddle: false };
  const before = whole.slice(0, middle).reverse().flat();
  return { steps: [...whole.slice(middle).flat(), ...before.map(towardsStart)], fromMiddle: true };
}

/** What the closure asks for before the parts are worked, and what closes the piece after them. */
export function closingSteps(
  piece: Piece,
  plan: Plan,
  telling: Telling,
): { readonly start: Step[]; readonly end: Step[] } {
  const { start, end } = kindSteps(plan, piece, telling.first);
  const stage = (
    own: readonly PartStep[],
    name: string,
    as: Step['stage'],
    part: string | undefined,
    look: 'start' | 'end',
  ): Step[] =>
    own.map((step, i) => ({
      ...asStep(step, as, `${name}-${i + 1}`, part, telling),
      look: { kind: look },
    }));
  return {
    start: stage(start, 'start', 'prepare', undefined, 'start'),
    end: stage(end, 'close', 'tie', 'closure', 'end'),
  };
}
