import { describe, expect, it } from '@jest/globals';
import { ownKnotOf } from '@coiled-strand/rope/testing';
import type { Action } from '../../base/action/action.js';
import type { Tied } from '../../base/kind/step.js';
import type { Piece } from '../../piece/piece.js';
import { draftPlan } from '../plan.js';
import { makeSteps } from '../steps/steps.js';
import { templateById } from '../template/templates.js';
import { act } from './follow.js';
import { layKnots } from './laying.js';
import { layTable, type Table } from './table.js';
import { start } from '../../testing.js';

/** A piece made up to the first step that ties, and that step. */
function upToKnot(id: string, verb: Action['do'] = 'tie') {
  const piece: Piece = templateById(id).make(start);
  const plan = draftPlan(piece);
  if (!plan.ok) throw new Error('no plan');
  const steps = makeSteps(piece, plan, { hand: 'right' });
  const at = steps.findIndex(
    ({ tied, actions }) => tied !== undefined && actions?.some((one) => one.do === verb),
  );
  const step = steps[at]!;
  const first = step.actions!.findIndex((one) => one.do === verb);
  const table = layTable(piece, plan);
  for (const action of [
    ...steps.slice(0, at).flatMap(({ actions = [] }) => actions),
    ...step.actions!.slice(0, first),
  ]) {
    expect(act(table, action)).toBeNull();
  }
  return { table, step, action: step.actions![first]! };
}
const told = (tied: Tied, more: Partial<Tied>): Tied => ({ ...tied, ...more });

describe('hands lay a knot before they draw it up', () => {
  it.each(['focal-cord', 'beaded-band', 'seized-laces', 'beaded-plait'])(
    'of %s by its moves, with the cords that tie it',
    (id) => {
      const { table, step, action } = upToKnot(id, id === 'beaded-plait' ? 'plait' : 'tie');
      expect(layKnots(table, step, action, 0)).toBeNull();
    },
  );
  it('not with a cord that does not tie it', () => {
    const { table, step, action } = upToKnot('beaded-band');
    const tied = step.tied!.map((one) =>
      told(one, { strands: one.strands.map((cord) => (cord === null ? null : 1)) }),
    );
    expect(layKnots(table, { ...step, tied }, action, 0)).toMatchObject({ code: 'not-planned' });
  });
  it('not with an end that is trimmed', () => {
    const { table, step, action } = upToKnot('focal-cord');
    const trimmed: Table = {
      ...table,
      ends: new Map([...table.ends].map(([key, end]) => [key, { ...end, trimmed: true }])),
    };
    expect(layKnots(trimmed, step, action, 0)).toMatchObject({ code: 'closed-end' });
  });
  it('not one that the piece does not have any more', () => {
    const { table, step, action } = upToKnot('focal-cord');
    const own = { ...ownKnotOf('overhand'), id: 'mine' };
    const tied = [told(step.tied![0]!, { tying: 'mine', drawn: true })];
    expect(layKnots(table, { ...step, tied }, action, 0)).toMatchObject({ code: 'not-there' });
    const there: Table = { ...table, piece: { ...table.piece, knots: [own] } };
    expect(layKnots(there, { ...step, tied }, action, 0)).toBeNull();
  });
});
