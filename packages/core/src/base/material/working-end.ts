import { effectiveDiameter, type Cord } from './cord.js';
import { PRACTICE_FACTOR, type Practice } from './practice.js';

/**
 * What is done last with an end, and what fingers need of it for that beyond what stays: in mm, for practised
 * hands. It is trimmed away afterwards. Common practice, no source.
 */
interface Needs {
  /** What it is for, after 'to'. */
  readonly to: string;
  readonly fine: number;
  /** From 2 mm thick cord on. */
  readonly thick: number;
  /** Of the cord's thickness more for each turn of a knot. */
  readonly perTurn?: number;
}

const alike = (mm: number): Pick<Needs, 'fine' | 'thick'> => ({ fine: mm, thick: mm });

export const LAST_ACTIONS = {
  stopper: { to: 'tie the knot with', fine: 50, thick: 75 },
  barrel: { to: 'wind the barrel knot with', ...alike(60), perTurn: 1 },
  'half-knot': { to: 'tie the last half knots with', fine: 30, thick: 45 },
  hitch: { to: 'tie the last hitches with', fine: 50, thick: 75 },
  socket: { to: 'try it in its socket and trim it', ...alike(10) },
  slides: { to: 'trim the stopper of a tail', ...alike(5) },
  seized: { to: 'hold it while it is seized', ...alike(15) },
  slider: { to: 'tie the slider with', ...alike(75) },
  chain: { to: 'begin the chain with, and to fasten it off', ...alike(150) },
  needle: { to: 'work the needle with', ...alike(120) },
  ties: { to: 'tie the knot at the end of the tie', ...alike(50) },
} as const satisfies Readonly<Record<string, Needs>>;
export type LastAction = keyof typeof LAST_ACTIONS;

/** Thickness in mm, as on the label, from which a cord is thick for fingers. */
const THICK = 2;

/**
 * End in mm that these hands need for what is done last with it: half of what practised ones do whatever their
 * practice, the other half as it shrinks with it.
 *
 * @param turns of a knot that is wound
 * @example LAST_ACTIONS.seized.fine // 15
 */
export function workingEnd(action: LastAction, cord: Cord, practice: Practice, turns = 0): number {
  const needs: Needs = LAST_ACTIONS[action];
  const own = cord.diameter < THICK ? needs.fine : needs.thick;
  const wound = turns * (needs.perTurn ?? 0) * effectiveDiameter(cord);
  return (own + wound) * (0.5 + 0.5 * PRACTICE_FACTOR[practice]);
}

/** Silk is knotted with its needle still on it: that asks for more than any knot. */
export const knottedWith = (cord: Cord, action: LastAction): LastAction =>
  cord.kind === 'silk' && (action === 'stopper' || action === 'barrel') ? 'needle' : action;
