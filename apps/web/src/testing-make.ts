import type { MakePlanView, MakeView } from '@coiled-strand/contract';
import {
  compareOutcome,
  firstSideFor,
  makeSteps,
  planPiece,
  reachedBy,
  stepPlaceOf,
  templateById,
  type MakeRecord,
  type Piece,
} from '@coiled-strand/core';
import { makeOf, type Make } from './features/make/make/use-make';
import { SETTINGS } from './testing';

/** A make as the server answers with it. */
export function makeView(piece: Piece, more: Partial<MakeView> = {}): MakeView {
  return {
    id: 'make-1',
    pieceId: 'piece-1',
    piece,
    hand: [],
    number: 1,
    at: { step: 'cut-1', unit: 0 },
    doneAt: '2026-01-01T00:00:00.000Z',
    reached: { done: 0, total: 100, finishFrom: 90, parts: {} },
    seconds: { prepare: 0, tie: 0, finish: 0 },
    timers: [],
    measured: null,
    startedAt: '2026-01-01T00:00:00.000Z',
    loggedAt: null,
    record: null,
    outcome: null,
    setAside: null,
    photos: [],
    putAway: false,
    lineId: null,
    stashTold: false,
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

/** What a make goes by, as the server answers with it. */
export function planView(piece: Piece): MakePlanView {
  const plan = planPiece(piece);
  if (!plan.ok) throw new Error('the piece cannot be planned');
  const { hand } = SETTINGS;
  return { plan, steps: makeSteps(piece, plan, SETTINGS), firstSide: firstSideFor(hand) };
}

/** A make under way, some of its actions done. */
export function makeAt(piece: Piece, done: number, more: Partial<Make> = {}): Make {
  const frozen = planView(piece);
  const view = makeView(piece, {
    at: stepPlaceOf(frozen.steps, done),
    reached: reachedBy(frozen.steps, done),
  });
  return { ...makeOf(view, frozen, undefined, false), ...more };
}

export const pieceOf = (template: string): Piece =>
  templateById(template).make({
    name: 'Test piece',
    wearer: { name: 'Somebody', wrist: 165, hand: 200 },
    cutting: { confidence: 0.95, step: 10, practice: 'practised' },
  });
