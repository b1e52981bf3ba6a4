import { memoize } from '../base/memoize.js';

import { BEND_TYINGS } from './known/bends.js';
import { CHAIN_TYINGS } from './known/chains.js';
import { COIL_TYINGS } from './known/coils.js';
import { END_KNOT_TYINGS } from './known/end-knots.js';
import { GRIP_TYINGS } from './known/grips.js';
import { HALF_KNOT_TYINGS } from './known/half-knots.js';
import { HITCH_TYINGS } from './known/hitches.js';
import { LARKS_HEAD_TYINGS } from './known/larks-heads.js';
import { LOOP_TYINGS } from './known/loops.js';
import { PLAIT_TYINGS } from './known/plaits.js';
import { PETAL_TYINGS } from './known/petals.js';
import { PLAIN_END_TYINGS } from './known/plain-ends.js';
import { RING_TYINGS } from './known/rings.js';
import { SLIDER_TYINGS } from './known/sliders.js';
import { STOPPER_TYINGS } from './known/stoppers.js';
import { TURKS_HEAD_TYINGS, turksHeadCalled } from './known/turks-heads.js';
import { TWO_CORD_TYINGS } from './known/two-cords.js';
import { layDrawn } from './drawn.js';
import { inTwo, layOut, type TyingLayout } from './layout.js';
import type { Tying } from './tying.js';
import { wordsOf, type Telling } from './words.js';

/** Tyings by their ids, each made when it is first asked for: those of curves and families take some milliseconds. */
const MAKERS: ReadonlyMap<string, () => Tying> = new Map([
  ...[
    ...STOPPER_TYINGS,
    ...GRIP_TYINGS,
    ...CHAIN_TYINGS,
    ...HALF_KNOT_TYINGS,
    ...SLIDER_TYINGS,
    ...LARKS_HEAD_TYINGS,
    ...HITCH_TYINGS,
    ...RING_TYINGS,
    ...LOOP_TYINGS,
    ...TWO_CORD_TYINGS,
    ...BEND_TYINGS,
    ...COIL_TYINGS,
    ...PLAIT_TYINGS,
    ...PLAIN_END_TYINGS,
    ...PETAL_TYINGS,
  ].map((tying) => [tying.id, () => tying] as const),
  ...END_KNOT_TYINGS,
  ...TURKS_HEAD_TYINGS,
]);
const made = new Map<string, Tying>();

/** Every tying that the program knows, by its id. */
export const TYING_IDS: readonly string[] = [...MAKERS.keys()];

/**
 * How a knot is tied.
 *
 * @throws RangeError for an id that no tying has
 * @example tyingOf('overhand').moves.length // 3
 */
export function tyingOf(id: string): Tying {
  const there = made.get(id);
  if (there) return there;
  // Of Turk's heads there are more than are listed.
  const tying = MAKERS.get(id)?.() ?? turksHeadCalled(id);
  if (!tying) throw new RangeError(`no tying is called ${id}`);
  made.set(id, tying);
  return tying;
}

/** A sentence of more letters than this is two. */
const LONG = 140;

/** Letters of a sentence, as told to the hand for which it is longer. */
const lettersOf = (text: string): number =>
  text.replace(/\bleft\b/g, 'right').replace(/\bclockwise\b/g, 'anticlockwise').length;

/** A layout no go of which takes a long sentence to tell. */
function inGoes(layout: TyingLayout): TyingLayout {
  const long = wordsOf(layout).moves.findIndex((text) => lettersOf(text) > LONG);
  if (long < 0) return layout;
  const shorter = inTwo(layout, long);
  return shorter === layout ? layout : inGoes(shorter);
}

/** A tying laid open, every go of it told in a short sentence: worked out once. */
export const layoutOf: (tying: Tying) => TyingLayout = memoize((tying: Tying) =>
  inGoes(tying.drawn ? layDrawn(tying, tying.drawn) : layOut(tying)),
);

/** The words of a tying: worked out once. */
export const tellingOf: (tying: Tying) => Telling = memoize((tying: Tying) =>
  wordsOf(layoutOf(tying)),
);
