import { TIGHTENED, type TightenedName } from '@coiled-strand/rope';

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

const grip = (turns: 1 | 2 | 3, of: string): Names => [
  [`barrel-round.uses.${turns}`, `${of}, cord it uses`],
  [`barrel-round.length.${turns}`, `${of}, its length`],
  [`barrel-round.width.${turns}`, `${of}, its width`],
];

const diamond = (ends: 2 | 3 | 4, of: string): Names => [
  [`diamond.beyond.${ends}`, `${of}, cord of each beyond its length`],
  [`diamond.length.${ends}`, `${of}, its length`],
  [`diamond.width.${ends}`, `${of}, its width`],
];

const spiral = (cores: 'one' | 'one-thick' | 'two' | 'four', on: string): Names => [
  [`spiral.cord.${cores}`, `${on}, cord of both ends`],
  [`spiral.pitch.${cores}`, `${on}, length of each`],
  [`spiral.a-turn.${cores}`, `${on}, how many go round once`],
];

/** Every computed number under the knot that it belongs to. */
const GROUPS: Readonly<Record<string, Names>> = {
  'Overhand knot': [
    ...stopper('overhand'),
    ['overhand.uses.2', 'in two cords at once, of each'],
    ['overhand.uses.3', 'in three cords at once, of each'],
    ['overhand.uses.4', 'in four cords at once, of each'],
  ],
  'Figure-eight knot': [
    ...stopper('figure-eight'),
    ['figure-eight.uses.2', 'in two cords at once, of each'],
  ],
  'Double barrel knot': [
    ...stopper('double-barrel'),
    ['double-barrel.uses.2', 'in two cords at once, of each'],
    ['double-barrel.uses.3', 'in three cords at once, of each'],
  ],
  'Triple barrel knot': stopper('triple-barrel'),
  'Sliding knot round another cord': [
    ...grip(1, 'of one turn'),
    ...grip(2, 'of two turns'),
    ...grip(3, 'of three turns'),
  ],
  'Diamond knot, tied once round': [
    ...diamond(2, 'of two ends'),
    ...diamond(3, 'of three ends'),
    ...diamond(4, 'of four ends'),
  ],
  'Carrick bend of two': [
    ['carrick.beyond', 'cord of each end beyond its length'],
    ['carrick.length', 'its length'],
    ['carrick.width', 'its width'],
    ['carrick.thickness', 'its thickness'],
    ['carrick.beyond.flat', 'pressed flat, cord of each end beyond its length'],
  ],
  'Chain stitch, crocheted of one cord and pulled tight': [
    ['chain.cord', 'cord of each stitch'],
    ['chain.pitch', 'length of each'],
    ['chain.long', 'cord of one that is drawn 4 diameters long'],
    ['chain.width', 'its width'],
    ['chain.thickness', 'its thickness'],
  ],
  'Beads on two cords in turn, a ring after each; wire 0.67': [
    ['rings.usual.period', 'beads of 4 in rings open by 2.13, length of each'],
    ['rings.small.period', 'beads of 2.67, length of each'],
    ['rings.large.period', 'beads of 5.33, length of each'],
    ['rings.wider.period', 'rings open by 2.67, length of each'],
    ['rings.wide.period', 'rings open by 3.33, length of each'],
    ['rings.squeezed.period', 'beads of 5.45, wire 0.91, open by 2.91, length of each'],
  ],
  'Snake knot of two cords': [
    ['two-cord.cord', 'cord of both'],
    ['two-cord.pitch', 'length of each'],
    ['two-cord.width', 'its width'],
  ],
  'Half knot of a flat sinnet': [
    ['half-knot.pitch', 'its length where nothing pushes or pulls'],
    ['half-knot.fixed', 'cord of both ends at a pitch of 2, besides'],
    ['half-knot.per-hull', 'for each diameter round the bare core'],
    ['half-knot.per-pitch', 'for each diameter of a longer pitch'],
    ['half-knot.packed.1.75', 'more at a pitch of 1.75'],
    ['half-knot.packed.1.5', 'more at a pitch of 1.5'],
    ['half-knot.width.two', 'on two cores, its width'],
    ['half-knot.thickness.two', 'on two cores, its thickness'],
  ],
  'Half knot of a spiral': [
    ...spiral('one', 'on one core of the same cord'),
    ...spiral('one-thick', 'on one twice as thick'),
    ...spiral('two', 'on two'),
    ...spiral('four', 'on four'),
  ],
  'Double half hitch': [
    ['hitch.fixed', 'cord of the strand that works, besides'],
    ['hitch.per-ratio', 'for each diameter of what it goes round'],
    ['hitch.width', 'its width along the row'],
    ['hitch.height', 'height of a row'],
    ['hitch.thickness', 'its thickness'],
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
  'Plait: width': [
    ['plait.three.width', 'of three bundles'],
    ['plait.four-flat.width', 'of four, flat'],
    ['plait.four-round.width', 'of four, round'],
    ['plait.four-round.width.jammed', 'of four, round and jammed'],
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
    ['turks-head.one-pass.4', 'one pass on a core of 4, times'],
    ['turks-head.one-pass.8', 'one pass on a core of 8, times'],
    ['turks-head.two-passes.4', 'two passes on a core of 4, times'],
    ['turks-head.two-passes.8', 'two passes on a core of 8, times'],
    ['turks-head.three-passes.4', 'three passes on a core of 4, times'],
    ['turks-head.three-passes.8', 'three passes on a core of 8, times'],
    ['turks-head.bights.5', 'five bights, times'],
    ['turks-head.bights.7', 'seven bights, times'],
  ],
};

const row = ([name, what]: Names[number]): NumberRow => {
  const { value, error } = TIGHTENED[name];
  const percent = 100 * error;
  // No more figures than the error leaves standing.
  const places = Math.min(4, Math.max(0, Math.ceil(-Math.log10(value * error))));
  return { what, value: value.toFixed(places), error: `± ${Number(percent.toPrecision(2))} %` };
};

/** All of them, to be looked up on screen and in the docs. */
export const NUMBERS: readonly { readonly of: string; readonly rows: readonly NumberRow[] }[] =
  Object.entries(GROUPS).map(([of, names]) => ({ of, rows: names.map(row) }));

/** Names in the order of the rows. */
export const NUMBERED: readonly TightenedName[] = Object.values(GROUPS).flatMap((names) =>
  names.map(([name]) => name),
);
