import { memoize } from '@coiled-strand/rope';
import type { Reason, Use } from '../base/kind/reason.js';

import { countOf } from '../base/measure/plural.js';
import { say } from '../base/measure/saying.js';
import {
  endsOfHand,
  factorOf,
  PITCH_SPREAD,
  type Hand,
  type HandFactor,
} from '../base/learn/hand.js';
import type { CordKind } from '../base/material/cord.js';
import type { Strand } from '../piece/piece.js';

/** `your hand takes 4 % more than the model, measured 5 times` */
function tellHand({ factor, rests }: Pick<HandFactor, 'factor' | 'rests'>): string {
  const percent = Math.round(Math.abs(factor - 1) * 1000) / 10;
  const how =
    percent < 0.05
      ? 'as much as the model'
      : `${percent} % ${factor > 1 ? 'more' : 'less'} than the model`;
  return `your hand takes ${how}, measured ${rests === 1 ? 'once' : `${rests} times`}`;
}

/**
 * What a part takes in this hand: every length that a hand varies times what was learnt of it, its
 * spread no longer that of all hands but of this one. Lengths that no hand varies stay. Kept for as long as the part is
 * laid out as it is.
 *
 * @param technique kind of the part
 * @param strands of the piece, for the kind of cord
 * @param toLength whether it is tied to a length, so that a hand's pitch varies how many units it is
 */
export const withHand = memoize(handed);

function handed(
  uses: readonly Use[],
  technique: string,
  strands: readonly Strand[],
  hand: Hand,
  toLength: boolean,
): readonly Use[] {
  return uses.map((use): Use => {
    const { reason } = use;
    if (!reason.spread) return use;
    const kind = strands[use.strand - 1]!.cord.kind;
    const learnt = factorOf(hand, technique, kind, 'take-up');
    const pitch = toLength
      ? { pitchSpread: factorOf(hand, technique, kind, 'pitch')?.spread ?? PITCH_SPREAD }
      : {};
    if (!learnt) return { ...use, reason: { ...reason, technique, ...pitch } };
    const { factor, spread, rests } = learnt;
    const { times } = reason;
    return {
      ...use,
      reason: {
        ...reason,
        technique,
        ...pitch,
        mm: reason.mm * factor,
        ...(times ? { times: { ...times, each: times.each * factor } } : {}),
        detail: say`${reason.detail}; ${tellHand(learnt)}`,
        ...(reason.bothHalves === undefined
          ? {}
          : { bothHalves: say`${reason.bothHalves}; ${tellHand(learnt)}` }),
        spread,
        hand: { factor, rests },
      },
    };
  });
}

/** An end that fingers tie with, as long as these need it; any other length as it is. */
export function withOwnEnds(reason: Reason, kind: CordKind, hand: Hand): Reason {
  const learnt = reason.fingers ? endsOfHand(hand, kind) : undefined;
  if (!learnt) return reason;
  const { factor, rests } = learnt;
  const percent = Math.round(Math.abs(factor - 1) * 100);
  const how =
    percent === 0 ? 'as much as most' : `${percent} % ${factor > 1 ? 'more' : 'less'} than most`;
  return {
    ...reason,
    mm: reason.mm * factor,
    ...(reason.times ? { times: { ...reason.times, each: reason.times.each * factor } } : {}),
    detail: say`${reason.detail}; yours need ${how}, by ${countOf(rests, 'make')}`,
    hand: { factor, rests },
  };
}
