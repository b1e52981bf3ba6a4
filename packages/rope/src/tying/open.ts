import { memoize } from '../base/memoize.js';

import { polylineLength } from '../curves/spline.js';
import { curveOfTurksHead, type TurksHead } from '../curves/turks-head-curve.js';
import { layoutOf } from './tyings.js';
import { HEAD_CORE, tightOf } from './tight.js';
import type { Tying } from './tying.js';

/** How far apart the lines of a layout lie where they lie closest, from middle to middle, in diameters. */
const DRAWN_APART = 4;

/** The way of one end in a layout, from where its strand first passes something to where it last does. */
interface OpenEnd {
  readonly way: number;
  /** Of it, what stays in the tight knot. */
  readonly stays: number;
}

/**
 * The ways of the ends that are led in a tying, as it is drawn, in diameters. What stays in the knot is shared out among
 * them as their ways are; nothing does where the knot has no numbers.
 *
 * @example openEnds(tyingOf('overhand')).length // 1
 */
export const openEnds: (tying: Tying) => readonly OpenEnd[] = memoize((tying: Tying) => {
  const { board, crossings, goes } = layoutOf(tying);
  const led = board.cords.flatMap((line, strand): number[] => {
    if (!goes.some(({ move }) => move.strand === strand)) return [];
    const places = crossings.flatMap(({ early, late }) =>
      [early, late].flatMap(({ cord, along }) => (cord === strand ? [along] : [])),
    );
    if (places.length === 0) return [];
    const [from, to] = [Math.floor(Math.min(...places)), Math.ceil(Math.max(...places))];
    return [polylineLength(line.slice(from, to + 1))];
  });
  const tight = tightOf(tying);
  const all = led.reduce((sum, way) => sum + way, 0);
  // Numbers with a core tell all the cord of those that go round it; else each cord goes on by the knot's length.
  const over = tying.strands.some(({ end }) => end === null);
  const cord = tight ? tight.cord + (over ? 0 : led.length * tight.length) : 0;
  return led.map((way) => ({ way, stays: (cord * way) / all }));
});

/**
 * Cord in mm that the end which goes furthest takes beyond the tight knot while that lies open in the hands:
 *
 *     way (d + room) / 4 - stays d
 *
 * for lines drawn four diameters apart lie so that there is that room between the cords. A Turk's head lies open on its
 * core as one of a cord that is thicker by the room, and each pass is drawn up while the next follows it.
 *
 * @param diameter d of the cord in mm, > 0
 * @param room between cords in mm that an end is led through, >= 0
 * @example slackIn(tyingOf('overhand'), 1, 1) // 15.7
 */
export function slackIn(tying: Tying, diameter: number, room: number): number {
  if (tying.head) {
    const open = diameter + room;
    const core = (HEAD_CORE * diameter) / open;
    const pass: TurksHead = { ...tying.head, passes: 1 };
    const [lies, tight] = [core, HEAD_CORE].map((on) => curveOfTurksHead(pass, on));
    return lies! * open - tight! * diameter;
  }
  const hand = (diameter + room) / DRAWN_APART;
  return Math.max(0, ...openEnds(tying).map(({ way, stays }) => way * hand - stays * diameter));
}
