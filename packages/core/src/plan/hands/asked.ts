import { memoize } from '@coiled-strand/rope';
import type { Action, ActionOf, End, Place, Verb } from '../../base/action/action.js';
import type { Knot } from '../../base/action/knot.js';
import type { Side } from '../../base/measure/side.js';
import type { Piece } from '../../piece/piece.js';
import { kindSteps } from '../kind-steps.js';
import type { Plan } from '../plan-types.js';
import type { Need } from './need.js';
import { refuse } from './refusal.js';
import { endKey, type Table } from './table.js';

/** A band is told in stretches, and a sinnet begins over cut ends or not: the knot is the same. */
function knotOf(knot: Knot): unknown {
  const { after: _after, overEnds: _overEnds, ...rest } = knot as { after?: 0; overEnds?: true };
  return rest;
}

/** On the closure nothing is divided: each thing is as long as it is. Parts are measured as a whole. */
const lengthAt = (place: Place, mm: number): number | null =>
  place.startsWith('closure:') ? mm : null;

/**
 * What makes an action the work that it is: two that are alike in it do the same. Which cords do it, when, and what
 * they go round, is not asked here: it follows from the table.
 */
const MARKS: { readonly [V in Verb]?: (action: ActionOf<V>) => readonly unknown[] } = {
  lay: ({ place, hangs, mm }) => [place, hangs, lengthAt(place, mm)],
  string: ({ place, inKnot, row, loose }) => [place, inKnot, row, loose],
  tie: ({ place, knot, to, mm }) => [place, knotOf(knot), to, lengthAt(place, mm)],
  plait: ({ place, form, aside, pitch, before }) => [place, form, aside, pitch, before],
  petal: ({ place, mm, roundMm, along }) => [place, mm, roundMm, along],
  'put-on': ({ place, finding, share, takes, mm, on }) => [
    place,
    finding,
    share,
    takes,
    mm,
    on.length > 0,
  ],
  chain: ({ place, perStitch }) => [place, perStitch],
  wind: ({ place, cord }) => [place, cord],
  'draw-up': ({ cord, times }) => [cord, times],
  pass: ({ through }) => [through],
};

/** An action told by what makes it the work that it is; null for what is the same on every piece. */
function markOf(action: Action): string | null {
  const marks = MARKS[action.do] as ((own: Action) => readonly unknown[]) | undefined;
  return marks ? JSON.stringify([action.do, ...marks(action)]) : null;
}

/** All that the kinds of the parts and the closure have hands do. */
const asked = memoize((plan: Plan, piece: Piece, first: Side): readonly Action[] => {
  const { start, parts, end } = kindSteps(plan, piece, first);
  return [...start, ...parts.flat(), ...end].flatMap((step) => step.actions);
});

const marksOf = memoize(
  (plan: Plan, piece: Piece, first: Side): ReadonlySet<string | null> =>
    new Set([null, ...asked(plan, piece, first).map(markOf)]),
);

/** How far in mm an end goes into a socket of the closure; 0 where it goes into none. */
export function socketOf({ piece, plan, begins }: Table, end: End): number {
  const key = endKey(end);
  const into = asked(plan, piece, begins ?? 'left').find(
    (action): action is ActionOf<'crimp' | 'cap'> =>
      (action.do === 'crimp' || action.do === 'cap') &&
      action.ends.some((own) => endKey(own) === key),
  );
  return into?.mm ?? 0;
}

/** The work is one that the kind of its part, or the closure, is made of, at the place where it is. */
export const belongs = ({ piece, plan, begins }: Table, action: Action): Need =>
  marksOf(plan, piece, begins ?? 'left').has(markOf(action))
    ? null
    : refuse('not-planned', 'The piece has another knot or thing at that place, or none.');
