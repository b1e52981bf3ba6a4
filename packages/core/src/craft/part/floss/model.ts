import { memoize } from '@coiled-strand/rope';
import { computed } from '../../knot/source.js';
import type { PartBase, PartSite, Section, Tension } from '../../../base/kind/part-kind.js';
import { KNOT_SPREAD, useOf, type Use } from '../../../base/kind/reason.js';

import type { Run } from '../../../base/kind/run.js';
import { rowsTogether, type FlossPattern, type Lay } from '../../floss/pattern.js';
import {
  orderAfter,
  repeatsToReturn,
  simulate,
  type FlossKnot,
  type Simulation,
} from '../../floss/simulate.js';
import { tyingOrder } from '../../floss/tying-order.js';
import { doubleHitch, HITCH_THICKNESS, HITCH_WIDTH, hitchHeight } from '../../knot/hitch.js';
import { effectiveDiameter } from '../../../base/material/cord.js';

/** A band of double half hitches, each strand tied over its neighbours. */
export interface FlossPart extends PartBase {
  readonly kind: 'knotted-floss';
  readonly lay: Lay;
  /** One repeat; see FlossPattern. */
  readonly rows: readonly string[];
  /** Which run starts at each place from the left; null for their own order. */
  readonly order: readonly number[] | null;
  /** Whole repeats, or null for as many as the fit asks for. */
  readonly repeats: number | null;
  /** Where a band that the fit lengthens may end. */
  readonly ending: (typeof ENDINGS)[number];
  readonly tension: Tension;
}
export const ENDINGS = ['anywhere', 'whole'] as const;

/** Most rows in one band; beyond them a length was meant otherwise. */
const MAX_ROWS = 6000;

/** Runs at their places from the left. A part's order that does not name each of them once is not read. */
export function atPlaces(part: Pick<FlossPart, 'order'>, site: PartSite): readonly Run[] {
  const { order } = part;
  if (!order || !ordersAll(order, site.runs)) return site.runs;
  return order.map((index) => site.runs.find((run) => run.index === index)!);
}
export const ordersAll = (order: readonly number[], runs: readonly Run[]): boolean =>
  order.length === runs.length &&
  new Set(order).size === order.length &&
  runs.every((run) => order.includes(run.index));

/** Diameter of the thread in mm: the mean where strands differ. */
const threadOf = (runs: readonly Run[]): number =>
  runs.reduce((sum, run) => sum + effectiveDiameter(run.cord), 0) / Math.max(1, runs.length);

/** Steps of the lattice on which the knots lie, in mm. */
export interface Lattice {
  readonly d: number;
  /** From row to row along the band, and from place to place across it. */
  readonly along: number;
  readonly across: number;
}

/**
 * Slanting rows run at 45 degrees, so that two rows of crossings advance sqrt(W^2 + H^2); a leader's
 * rows lie straight across and advance one height. W and H of the double half hitch: see knot/hitch.
 */
export const latticeOf = (
  part: Pick<FlossPart, 'lay' | 'tension'>,
  runs: readonly Run[],
): Lattice => latticeFor(part, threadOf(runs));

/** The same for a thread of a diameter, in its unit. */
export function latticeFor(part: Pick<FlossPart, 'lay' | 'tension'>, d: number): Lattice {
  const height = hitchHeight(part.tension);
  return part.lay === 'leader'
    ? { d, along: height * d, across: HITCH_WIDTH * d }
    : {
        d,
        along: (Math.hypot(HITCH_WIDTH, height) / 2) * d,
        across: (HITCH_WIDTH / Math.SQRT2) * d,
      };
}

export function flossSection(part: FlossPart, { runs, pitchFactor }: PartSite): Section {
  const { d, along, across } = latticeOf(part, runs);
  const places = part.lay === 'leader' ? runs.length - 1 : runs.length;
  return { width: places * across, thickness: HITCH_THICKNESS * d, pitch: along * pitchFactor };
}

/** How many rows are tied: whole repeats as set, or what comes nearest to a length. */
export function rowsFor(part: FlossPart, along: number, share: number): number {
  const repeat = Math.max(1, part.rows.length);
  if (part.repeats !== null) return Math.min(MAX_ROWS, part.repeats * repeat);
  const step = part.ending === 'whole' ? repeat : rowsTogether(part.lay);
  return Math.min(MAX_ROWS, Math.max(1, Math.round(share / (along * step))) * step);
}

/** A band worked out; the last answer is kept, since it is asked for again at every drawing. */
export const workedOut = memoize(
  (rows: readonly string[], lay: Lay, strands: number, total: number): Simulation =>
    simulate({ lay, rows }, strands, total / rows.length),
);
/** After how many repeats all strands are back in their places. */
export const returnsAfter = memoize(
  (rows: readonly string[], lay: Lay, strands: number): number => {
    const once = simulate({ lay, rows }, strands);
    return repeatsToReturn(orderAfter(once, once.rows));
  },
);
export const tiedInOrder = memoize((sim: Simulation): readonly FlossKnot[] => tyingOrder(sim));

export const patternOf = ({ lay, rows }: FlossPart): FlossPattern => ({ lay, rows });

/** What each strand takes: by the knots it ties, those it is carried through, and where it runs bare. */
export function flossUses(
  part: FlossPart,
  runs: readonly Run[],
  sim: Simulation,
  pitchFactor: number,
): Use[] {
  const { d, along: model } = latticeOf(part, runs);
  const along = model * pitchFactor;
  const height = hitchHeight(part.tension) * d * pitchFactor;
  return runs.flatMap((run, strand): Use[] => {
    const own = effectiveDiameter(run.cord);
    const ties = useOf(
      run,
      {
        area: 'knot',
        code: 'knot.hitch',
        label: 'Knots it ties',
        detail: 'two hitches each, and the way to the next',
        spread: KNOT_SPREAD,
        ...computed('hitch.fixed', 'hitch.per-ratio'),
      },
      doubleHitch(d / own, part.tension) * own,
      sim.worksIn[strand],
    );
    const carried = useOf(
      run,
      {
        area: 'run',
        code: 'run.carried',
        label: 'Knots it is carried through',
        detail: 'the height of a row each',
        ...computed('hitch.height'),
      },
      height,
      sim.carriedIn[strand],
    );
    const bare = useOf(
      run,
      {
        area: 'run',
        code: 'run.bare',
        label: 'Turns at the edge and bare places',
        detail: 'a row each',
      },
      along,
      sim.bareIn[strand],
    );
    return [ties, carried, bare].filter((use) => use.reason.mm > 0);
  });
}
