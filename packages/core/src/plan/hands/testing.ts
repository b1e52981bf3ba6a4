import type { Action, End, Verb } from '../../base/action/action.js';
import type { Piece } from '../../piece/piece.js';
import { draftPlan } from '../plan.js';
import { follow } from './follow.js';
import type { RefusalCode } from './refusal.js';
import { actionsIn, makeSteps } from '../steps/steps.js';

// What the tests of sabotage have in common: ways to change actions by meaning, and who finds out.

export type Actions = readonly Action[];
type Is = (action: Action) => boolean;
export type Of<V extends Verb> = Extract<Action, { readonly do: V }>;

export const verb =
  (...verbs: readonly Verb[]): Is =>
  (action) =>
    verbs.includes(action.do);
export const knot =
  (...forms: readonly string[]): Is =>
  (action) =>
    action.do === 'tie' && forms.includes(action.knot.form);
/** Where the nth of some actions stands; the last for -1. */
export function at(actions: Actions, is: Is, nth = 0): number {
  const all = actions.flatMap((action, i) => (is(action) ? [i] : []));
  const found = all.at(nth);
  if (found === undefined) throw new Error('The saboteur found nothing to change.');
  return found;
}
/** One of them is left out. */
export const without =
  (is: Is, nth = 0) =>
  (actions: Actions): Actions =>
    actions.toSpliced(at(actions, is, nth), 1);
/** All of them are left out. */
export const withoutAll =
  (is: Is) =>
  (actions: Actions): Actions => {
    at(actions, is);
    return actions.filter((action) => !is(action));
  };
/** One of them comes before another, or after it. */
export const moved =
  (is: Is, where: 'before' | 'after', other: Is, nth = 0, otherNth = 0) =>
  (actions: Actions): Actions => {
    const from = at(actions, is, nth);
    const rest = actions.toSpliced(from, 1);
    return rest.toSpliced(
      at(rest, other, otherNth) + (where === 'after' ? 1 : 0),
      0,
      actions[from]!,
    );
  };
/** One of them is done otherwise. */
export const otherwise =
  <V extends Verb>(own: V, change: (action: Of<V>) => Action, is: Is = () => true, nth = 0) =>
  (actions: Actions): Actions => {
    const i = at(actions, (action) => action.do === own && is(action), nth);
    return actions.with(i, change(actions[i] as Of<V>));
  };
export const other = (end: End): End => ({ ...end, side: end.side === 'end' ? 'start' : 'end' });

/** What is done wrong, on which template, how, and the codes of which hands refuse it with one. */
export type Sabotage = readonly [
  what: string,
  template: string,
  change: (actions: Actions) => Actions,
  code: RefusalCode | readonly RefusalCode[],
];

/** The code that hands refuse a sabotage with; undefined where they do not notice. */
export function refusedWith([, , change]: Sabotage, piece: Piece): RefusalCode | undefined {
  const plan = draftPlan(piece);
  if (!plan.ok) throw new Error(JSON.stringify(plan.advice));
  const actions = actionsIn(makeSteps(piece, plan, { hand: 'right' }));
  return follow(piece, plan, change(actions), 'left')[0]?.code;
}
