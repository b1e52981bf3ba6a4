import { slackIn, tyingOf } from '@coiled-strand/rope';
import { CORD_KIND_FACTS, effectiveDiameter, type Cord } from './cord.js';
import { PRACTICE_FACTOR, type Practice } from './practice.js';

/** What is done last with an end, after ‘what fingers need to’: a knot, or what asks for so many mm by itself. */
type Needs =
  | { readonly to: string; readonly tying: string }
  /** Common practice, no source. */
  | { readonly to: string; readonly mm: number };

export const LAST_ACTIONS = {
  stopper: { to: 'tie the knot with', tying: 'overhand' },
  barrel: { to: 'wind the barrel knot with', tying: 'double-barrel' },
  'half-knot': { to: 'tie the last half knots with', tying: 'half-knot.left' },
  hitch: { to: 'tie the last hitches with', tying: 'double-half-hitch.forward' },
  bulky: { to: 'tie the bulky knot with', tying: 'diamond.2' },
  slider: { to: 'tie the slider with', tying: 'square-knot' },
  socket: { to: 'try it in its socket and trim it', mm: 10 },
  slides: { to: 'trim the stopper of a tail', mm: 5 },
  seized: { to: 'hold it while it is seized', mm: 15 },
  chain: { to: 'begin the chain with, and to fasten it off', mm: 150 },
  needle: { to: 'work the needle with', mm: 120 },
} as const satisfies Readonly<Record<string, Needs>>;
export type LastAction = keyof typeof LAST_ACTIONS;

/**
 * What fingers hold of an end while they draw it up, in mm: two fingertips' width, and more of a thick cord, which gives
 * less and slips less far. Common practice, no source.
 */
const GRIP = 30;
const GRIP_PER_DIAMETER = 8;

/**
 * Room between the cords of a knot that lies open in the hands: in mm at the least, and in diameters of the cord; more
 * where it is too stiff to lie in a narrow bend. Common practice, no source.
 */
const ROOM = { supple: { least: 1, ofCord: 0.8 }, stiff: { least: 2, ofCord: 1 } } as const;

/** Share of the usual end that hands need, by their practice: half of it shrinks with that. */
export const endShare = (practice: Practice): number => 0.5 + 0.5 * PRACTICE_FACTOR[practice];

/**
 * End in mm that these hands need for what is done last with it: of a knot what it takes more while it lies open than
 * after it is tight, and a grip. Half of it is what practised hands need whatever their practice, the other half shrinks
 * with it. It is trimmed away.
 *
 * @param tying how the knot is tied, where it is another than is usual for that
 * @example LAST_ACTIONS.seized.mm // 15
 */
export function workingEnd(
  action: LastAction,
  cord: Cord,
  practice: Practice,
  tying?: string,
): number {
  const needs: Needs = LAST_ACTIONS[action];
  const own = 'mm' in needs ? needs.mm : open(tying ?? needs.tying, cord);
  return own * endShare(practice);
}

function open(tying: string, cord: Cord): number {
  const d = effectiveDiameter(cord);
  const { least, ofCord } = ROOM[CORD_KIND_FACTS[cord.kind].stiff ? 'stiff' : 'supple'];
  return slackIn(tyingOf(tying), d, Math.max(least, ofCord * d)) + GRIP + GRIP_PER_DIAMETER * d;
}

/** A cord as it is sold, of so many mm; supple. */
const supple = (diameter: number): Cord => ({
  name: '',
  kind: 'waxed-polyester',
  diameter,
  colour: { name: '', hex: '#000000' },
});

/** What practised hands need of a cord of one and of three mm, in mm, for all that is done last. */
export const commonWorkingEnds = (): {
  readonly to: string;
  readonly of1: number;
  readonly of3: number;
}[] =>
  (Object.keys(LAST_ACTIONS) as LastAction[]).map((action) => {
    const [of1, of3] = [1, 3].map((mm) => workingEnd(action, supple(mm), 'practised'));
    return { to: LAST_ACTIONS[action].to, of1: of1!, of3: of3! };
  });

/** Silk is knotted with its needle still on it: that asks for more than any knot. */
export const knottedWith = (cord: Cord, action: LastAction): LastAction =>
  cord.kind === 'silk' && 'tying' in LAST_ACTIONS[action] ? 'needle' : action;
