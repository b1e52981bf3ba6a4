import type { MakeView } from '@coiled-strand/contract';
import {
  actionsBefore,
  compareOutcome,
  firstSideFor,
  makeSteps,
  placeOf,
  planPiece,
  templateById,
  totalActions,
  type MakeRecord,
  type Piece,
} from '@coiled-strand/core';
import type { Make } from './piece/use-make';
import { SETTINGS } from './testing';

/** A make as the server answers with it. */
export function makeView(piece: Piece, more: Partial<MakeView> = {}): MakeView {
  return {
    id: 'make-1',
    pieceId: 'piece-1',
    piece,
    hand: [],
    number: 1,
    done: 0,
    doneAt: '2026-01-01T00:00:00.000Z',
    total: 100,
    seconds: { prepare: 0, tie: 0, finish: 0 },
    timers: [],
    startedAt: '2026-01-01T00:00:00.000Z',
    loggedAt: null,
    record: null,
    outcome: null,
    setAside: null,
    photos: [],
    putAway: false,
    ...more,
  };
}

/** A make that was finished and logged with a record. */
export function loggedView(
  piece: Piece,
  record: MakeRecord,
  more: Partial<MakeView> = {},
): MakeView {
  const plan = planPiece(piece);
  if (!plan.ok) throw new Error('the piece cannot be planned');
  return makeView(piece, {
    record,
    loggedAt: '2026-02-01T12:00:00.000Z',
    outcome: compareOutcome(piece, plan, record),
    ...more,
  });
}

/** A make under way, some of its actions done. */
export function makeAt(piece: Piece, done: number, more: Partial<Make> = {}): Make {
  const plan = planPiece(piece);
  if (!plan.ok) throw new Error('the piece cannot be planned');
  const steps = makeSteps(piece, plan, SETTINGS);
  return {
    view: makeView(piece, { done, total: totalActions(steps) }),
    plan,
    steps,
    done,
    total: totalActions(steps),
    place: placeOf(steps, done),
    finishFrom: actionsBefore(
      steps,
      steps.findIndex((step) => step.stage === 'finish'),
    ),
    firstSide: firstSideFor('right'),
    beside: false,
    timers: {},
    ...more,
  };
}

export const pieceOf = (template: string): Piece =>
  templateById(template).make({
    name: 'Test piece',
    wearer: { name: 'Somebody', wrist: 165, hand: 200 },
    cutting: { sureness: 0.95, step: 10, practice: 'practised' },
  });
