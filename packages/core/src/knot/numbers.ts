import { TIGHTENED, type TightenedName } from './tightened.js';

/** A computed number as it is looked up: what it is, and its value and error in words. */
export interface NumberRow {
  readonly what: string;
  /** In diameters of the tightened cord unless it says otherwise. */
  readonly value: string;
  readonly error: string;
}

type Names = readonly (readonly [name: TightenedName, what: string])[];

const stopper = (name: 'overhand' | 'figure-eight' | 'double-barrel' | 'triple-barrel'): Names => [
  [`${name}.uses`, 'cord it uses'],
  [`${name}.length`, 'its length'],
  [`${name}.width`, 'its width'],
];

/** Every computed number under the knot that it belongs to. */
const GROUPS: Readonly<Record<string, Names>> = {
  'Overhand knot': [
    ...stopper('overhand'),
    ['overhand.uses.2', 'in two cords at once, of each'],
    ['overhand.uses.3', 'in three cords at once, of each'],
    ['overhand.uses.4', 'in four cords at once, of each'],
  ],
  'Figure-eight knot': stopper('figure-eight'),
  'Double barrel knot': [
    ...stopper('double-barrel'),
    ['double-barrel.uses.2', 'in two cords at once, of each'],
  ],
  'Triple barrel knot': stopper('triple-barrel'),
  'Sliding knot round another cord': [
    ['barrel-round.uses.1', 'of one turn, cord it uses'],
    ['barrel-round.uses.2', 'of two turns'],
    ['barrel-round.uses.3', 'of three turns'],
  ],
  'Diamond knot, tied once round': [
    ['diamond.beyond.2', 'of two ends, cord of each beyond its length'],
    ['diamond.length.2', 'of two ends, its length'],
    ['diamond.beyond.4', 'of four ends, cord of each beyond its length'],
    ['diamond.length.4', 'of four ends, its length'],
  ],
  'Carrick bend of two': [
    ['carrick.beyond', 'cord of each end beyond its length'],
    ['carrick.beyond.flat', 'the same, pressed flat'],
  ],
  'Half knot of a sinnet': [
    ['half-knot.fixed', 'cord of both ends at a pitch of 2, besides'],
    ['half-knot.per-hull', 'for each diameter round the bare core'],
    ['half-knot.per-pitch', 'for each diameter of a longer pitch'],
    ['half-knot.packed.1.75', 'more at a pitch of 1.75'],
    ['half-knot.packed.1.5', 'more at a pitch of 1.5'],
  ],
  'Double half hitch': [
    ['hitch.fixed', 'cord of the strand that works, besides'],
    ['hitch.per-ratio', 'for each diameter of what it goes round'],
    ['hitch.width', 'its width along the row'],
    ['hitch.height', 'height of a row'],
    ['hitch.pushed.more', 'more where rows are pushed up'],
    ['hitch.pushed.height', 'height of a row pushed up'],
  ],
  'Spiral of single hitches': [
    ['hitch-spiral.fixed', 'cord of each, besides'],
    ['hitch-spiral.per-ratio', 'for each diameter of what it goes round'],
    ['hitch-spiral.pitch', 'length of each'],
    ['hitch-spiral.pushed', 'length of each, pushed up'],
  ],
  'Plait: way aside in a crossing': [
    ['plait.three', 'of three bundles'],
    ['plait.three.jammed', 'of three, jammed'],
    ['plait.four-flat', 'of four, flat'],
    ['plait.four-flat.jammed', 'of four, flat and jammed'],
    ['plait.four-round', 'of four, round'],
    ['plait.four-round.per-q2', 'more of four round, over the square of the length of a crossing'],
  ],
  'Snug petal': [
    ['petal.even.along', 'length of a turn'],
    ['petal.even.turning', 'more cord of the strand that turns'],
    ['petal.even.turned', 'more cord of the one it turns round'],
    ['petal.hard.along', 'length of a turn, the middle pulled hard'],
    ['petal.hard.turning', 'of the strand that turns, the middle pulled hard'],
    ['petal.hard.turned', 'of the one it turns round, the middle pulled hard'],
  ],
  'Turk’s head of three leads, over its formula': [
    ['turks-head.three-passes.4', 'three passes on a core of 4, times'],
    ['turks-head.three-passes.8', 'three passes on a core of 8, times'],
    ['turks-head.bights.5', 'five bights, times'],
    ['turks-head.bights.7', 'seven bights, times'],
  ],
};

const row = ([name, what]: Names[number]): NumberRow => {
  const { value, error } = TIGHTENED[name];
  const percent = 100 * error;
  return { what, value: String(value), error: `± ${Number(percent.toFixed(1))} %` };
};

/** All of them, to be looked up on screen and in the docs. */
export const NUMBERS: readonly { readonly of: string; readonly rows: readonly NumberRow[] }[] =
  Object.entries(GROUPS).map(([of, names]) => ({ of, rows: names.map(row) }));

/** Names in the order of the rows. */
export const NUMBERED: readonly TightenedName[] = Object.values(GROUPS).flatMap((names) =>
  names.map(([name]) => name),
);
