import type { Action, ActionOf, Verb } from '../../base/action/action.js';
import type { Side } from '../../base/measure/side.js';
import type { Piece } from '../../piece/piece.js';
import type { Plan } from '../plan-types.js';
import { account } from './account.js';
import { belongs } from './asked.js';
import { dry, firstOf, type Need } from './need.js';
import { sound } from './sound.js';
import type { Refusal } from './refusal.js';
import { fromItsSide, goesRound } from './lies-there.js';
import { clip, letGo, letsGo, outOfClips, unclip } from './loose.js';
import { fasten } from './one-thing.js';
import * as beads from './rules-beads.js';
import * as cords from './rules-cords.js';
import * as ends from './rules-ends.js';
import * as knots from './rules-knots.js';
import * as looks from './rules-looks.js';
import * as work from './rules-work.js';
import { layTable, type Table } from './table.js';
import { undo } from './undo.js';

/** What every action needs, and what it does to the table. */
const RULES: { readonly [V in Verb]: (table: Table, action: ActionOf<V>) => Need } = {
  'pull-out': cords.pullOut,
  measure: cords.measure,
  cut: cords.cut,
  sear: cords.sear,
  have: cords.have,
  mark: cords.mark,
  fold: cords.fold,
  join: cords.join,
  stiffen: cords.stiffen,
  order: cords.order,
  label: cords.label,
  anchor: cords.anchor,
  release: cords.release,
  tension: cords.tension,
  clip,
  unclip,
  'lay-in': cords.layIn,
  lay: work.lay,
  string: beads.string,
  slide: beads.slide,
  tie: knots.tie,
  plait: knots.plait,
  petal: knots.petal,
  'put-on': work.putOn,
  pass: work.pass,
  'turn-back': work.turnBack,
  wind: work.wind,
  chain: work.chain,
  'draw-up': work.drawUp,
  set: work.set,
  overlap: work.overlap,
  undo: (table, action) => undo(table, action, act),
  open: work.openRing,
  hang: work.hang,
  close: work.close,
  crimp: ends.cover,
  cap: ends.cover,
  wipe: ends.wipe,
  glue: ends.glue,
  singe: ends.singe,
  press: ends.press,
  tuck: ends.tuck,
  dye: ends.dye,
  seal: ends.seal,
  trim: ends.trim,
  oil: ends.oil,
  wait: ends.wait,
  'try-on': looks.tryOn,
  test: looks.test,
  check: looks.check,
};

/** Does one action, if it can be done. A table on which one was refused is not to be used any more. */
export function act<V extends Verb>(table: Table, action: ActionOf<V>): Need {
  // What another knot would take is not asked for: it is not tied. All else is refused for a nearer reason first.
  const tied = action.do === 'tie';
  const refused = firstOf(
    () => sound(table, action),
    () => dry(table, action),
    () => (tied ? belongs(table, action) : null),
    () => letGo(table, action),
    () => fromItsSide(table, action),
    () => goesRound(table, action),
    () => (RULES[action.do] as (t: Table, a: Action) => Need)(table, action),
    () => outOfClips(table, action),
    () => (tied ? null : belongs(table, action)),
  );
  if (refused) return refused;
  if (action.do === 'undo') return null;
  table.done.push(action);
  fasten(table, action);
  // What is laid round, or taken off the board, is clipped down at neither end.
  if (letsGo(action)) table.taut.clear();
  return null;
}

/** Where hands that follow a plan to the letter come to a stop. */
export interface Stop extends Refusal {
  /** Number of the action; null when all were done, and the piece is not as it was planned. */
  readonly action: number | null;
}

/**
 * Simulated hands carry out every action in turn, on a table with just what the plan made ready.
 *
 * @param first the side that these hands begin on; that of the first action that names one when left out
 * @returns the first action that cannot be done, or what the finished piece differs in; empty when a
 *   maker who follows them to the letter makes the piece as it was planned
 */
export function follow(
  piece: Piece,
  plan: Plan,
  actions: readonly Action[],
  first: Side | null = null,
): Stop[] {
  const table = layTable(piece, plan, first);
  for (const [i, action] of actions.entries()) {
    const refused = act(table, action);
    if (refused) return [{ ...refused, action: i }];
  }
  return account(table).map((refusal) => ({ ...refusal, action: null }));
}
