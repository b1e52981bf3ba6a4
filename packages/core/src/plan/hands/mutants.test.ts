import { describe, expect, it } from '@jest/globals';
import type { Action } from '../../base/action/action.js';
import type { Piece } from '../../piece/piece.js';
import type { Plan } from '../plan-types.js';
import { draftPlan } from '../plan.js';
import { actionsIn, makeSteps } from '../steps/steps.js';
import { TEMPLATES } from '../template/templates.js';
import { random, start } from '../../testing.js';
import { follow } from './follow.js';

/** As many places in the actions of one piece are changed. */
const PLACES = 60;

interface Mutant {
  readonly how: 'dropped' | 'doubled' | 'swapped';
  readonly actions: readonly Action[];
  /** What was done wrong, by the kinds of actions that are concerned. */
  readonly what: string;
  /** Whether it is of two things that have nothing to do with each other: they may be missed. */
  readonly apart?: boolean;
}

const endsOf = (action: Action): string[] => {
  const ends =
    'by' in action && Array.isArray(action.by) ? action.by : 'on' in action ? action.on : [];
  return (Array.isArray(ends) ? ends : []).map((end) => JSON.stringify(end));
};

/** Whether two things are done on ends that have nothing to do with each other: either can be first. */
function apart(one: Action, other: Action): boolean {
  const [a, b] = [endsOf(one), endsOf(other)];
  return a.length > 0 && b.length > 0 && !a.some((end) => b.includes(end));
}

function mutantsOf(all: readonly Action[], uniform: () => number): Mutant[] {
  const any = (): number => Math.floor(uniform() * all.length);
  const places =
    all.length <= PLACES ? all.map((_, i) => i) : Array.from({ length: PLACES }, () => any());
  return places.flatMap((i): Mutant[] => {
    const own = all[i]!;
    const j = any();
    const other = all[j]!;
    const swapped = all.map((action, k) => (k === i ? other : k === j ? own : action));
    return [
      { how: 'dropped', actions: all.filter((_, k) => k !== i), what: own.do },
      { how: 'doubled', actions: all.flatMap((a, k) => (k === i ? [a, a] : [a])), what: own.do },
      // Two that are alike change nothing when they change places.
      ...(JSON.stringify(own) === JSON.stringify(other)
        ? []
        : [
            {
              how: 'swapped' as const,
              actions: swapped,
              what: [own.do, other.do].sort().join(' and '),
              apart: apart(own, other),
            },
          ]),
    ];
  });
}

/**
 * Pairs whose order makes no difference to the piece, so that no hands can tell: two cords are cut, two
 * looks are taken, two blocks of hitches of unlike colours, whichever is first. A stretch laid or plaited,
 * or a trial, before or after something that it has nothing to do with.
 */
const EITHER_WAY: readonly string[] = [
  'check and check',
  'cut and cut',
  'cut and order',
  'cut and mark',
  'cut and measure',
  'measure and measure',
  'mark and measure',
  'mark and mark',
  'cut and fold',
  'fold and fold',
  'fold and mark',
  'fold and measure',
  'label and measure',
  'fold and label',
  'unclip and unclip',
  'anchor and cut',
  'anchor and order',
  'tie and tie',
  'plait and plait',
  'chain and chain',
  'overlap and plait',
  'stiffen and tie',
  'crimp and crimp',
  'lay and test',
  'lay and put-on',
  'lay and overlap',
  'anchor and lay',
  'anchor and unclip',
  // A loop is tied in the hand or on the board.
  'anchor and tie',
  'lay and release',
  'cap and cap',
  // Wax is wiped off before the cut or after it.
  'trim and wipe',
  'check and try-on',
  'check and close',
  'test and try-on',
  // Which way a buckle faces is seen before its core is set or after it.
  'set and test',
  // Laid round a block of knots sooner or later, within the share in which enough is left.
  'tie and try-on',
];

describe('hands catch what is told wrong', () => {
  const { uniform } = random(3);
  const pieces = TEMPLATES.map((template): [string, Piece, Plan, Mutant[]] => {
    const piece = template.make(start);
    const plan = draftPlan(piece);
    if (!plan.ok) throw new Error(template.id);
    return [
      template.id,
      piece,
      plan,
      mutantsOf(actionsIn(makeSteps(piece, plan, { hand: 'right' })), uniform),
    ];
  });
  const missed: Mutant[] = [];

  it.each(pieces)('%s: every action dropped or doubled', (_id, piece, plan, mutants) => {
    for (const mutant of mutants) {
      const caught = follow(piece, plan, mutant.actions).length > 0;
      if (mutant.how === 'swapped') {
        if (!caught) missed.push(mutant);
      } else expect([mutant.how, mutant.what, caught]).toEqual([mutant.how, mutant.what, true]);
    }
  });

  it('at least 95 in 100 of all, and of those swapped for one another all that can be told', () => {
    const all = pieces.flatMap(([, , , mutants]) => mutants);
    const swapped = all.filter(({ how }) => how === 'swapped');
    expect(swapped.length).toBeGreaterThan(500);
    expect(1 - missed.length / swapped.length).toBeGreaterThanOrEqual(0.95);
    const told = missed.filter((one) => !one.apart && !EITHER_WAY.includes(one.what));
    expect(told.map(({ what }) => what)).toEqual([]);
  });
});
