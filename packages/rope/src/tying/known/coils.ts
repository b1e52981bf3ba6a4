import { through, type Lead, type Tying } from '../tying.js';
import { ORDINALS } from '../ordinals.js';

/** From turn to turn of an open coil. */
const APART = 3.6;

/** The turns of a coil round what lies there, to the right, each past it in front and back behind. */
const turns = (count: number, strand: number, past: number): Lead[] =>
  Array.from({ length: count }, (_, i) => ({
    strand,
    way: [
      [APART * i + 0.6, 1.6],
      [APART * i + 0.9, -2],
      [APART * i + 1.2, -4.6],
      [APART * i + 2.2, -5],
      [APART * i + 2.6, -3.6],
      [APART * i + 2.8, 1],
      [APART * i + 2.9, 3.8],
    ],
    passes: 'o'.repeat(past) + 'u'.repeat(past),
    makes: `${ORDINALS[i]!} turn`,
    verb: 'wind',
  }));

/**
 * A coil whose end comes back through its turns: a straw is laid along first, and the end pushed through it.
 *
 * @param count how many turns, 3 to 6
 */
const byStraw = (count: number): Tying => {
  const right = APART * count;
  return {
    id: `coil.straw.${count}`,
    name: `Coil of ${NUMBERS[count - 3]!} turns, its end brought back through a straw`,
    strands: [
      through('core', 'core', 'right', [-14, -1.2], [right + 12, -1.2]),
      {
        kind: 'cord',
        name: 'beginning',
        end: 'end',
        heading: 'right',
        way: [
          [-14, 5],
          [-6, 4.6],
          [-1, 3.6],
        ],
      },
    ],
    moves: [
      ...turns(count, 1, 1),
      {
        strand: 1,
        way: [
          [right + 1.6, 4.4],
          [right + 2.6, 2.4],
          [right + 1.4, 1.2],
          ...Array.from(
            { length: 2 * count },
            (_, i) => [right - (i + 0.5) * (APART / 2), 1.2] as const,
          ),
          [-4, 1.2],
          [-12, 1.4],
        ],
        passes: Array.from({ length: count }, () => 'uo').join(''),
      },
    ],
    drawUp: [
      'Draw the straw out over the end.',
      'Draw the turns up one after the other from the beginning, and the end last.',
    ],
  };
};

/** Nothing pushes the turns together: laid wider it came out 8 % longer. */
const BY_LAYOUT = 0.08;

/**
 * A coil wound over a bight of its own cord, which draws the end back under the turns.
 *
 * @param cores what it is wound round, from top to bottom
 */
const byBight = (id: string, name: string, count: number, cores: readonly string[]): Tying => {
  const right = APART * count;
  const low = (i: number): number => -1.4 - 1.9 * i;
  const strand = cores.length;
  return {
    id,
    name,
    slack: BY_LAYOUT,
    strands: [
      ...cores.map((core, i) =>
        through('core', core, 'right', [-14, low(i)], [right + 14, low(i)]),
      ),
      {
        kind: 'cord',
        name: 'beginning',
        end: 'end',
        heading: 'right',
        way: [
          [-14, 3],
          [-6, 2],
        ],
      },
    ],
    moves: [
      {
        strand,
        way: [
          [-3, 1.6],
          [right / 2, 1.6],
          [right + 4, 1.6],
          [right + 6.4, 1.6],
        ],
        passes: '',
        bight: 'left',
        makes: 'bight',
      },
      ...turns(count, strand, 2 + cores.length).map((turn, i) => ({
        ...turn,
        way: [
          ...(i === 0
            ? ([
                [-3.4, 3.6],
                [-1.6, 5],
              ] as const)
            : []),
          [APART * i + 0.2, 4.6],
          [APART * i + 0.9, 0],
          [APART * i + 1, low(cores.length - 1) - 1],
          [APART * i + 1.4, low(cores.length - 1) - 2.6],
          [APART * i + 2.2, low(cores.length - 1) - 2.6],
          [APART * i + 2.6, low(cores.length - 1) - 1],
          [APART * i + 2.7, 0.6],
          [APART * i + 2.8, 4.4],
        ] as const,
      })),
      {
        strand,
        way: [
          [right + 1, 6],
          [right + 3, 5.4],
          [right + 3.6, 3.6],
          [right + 3.8, 1.6],
          [right + 4, -0.4],
          [right + 5, -6],
        ],
        passes: `uo${'o'.repeat(cores.length)}`,
      },
    ],
    drawUp: [
      'Draw the beginning, so that the bight takes the end back under the turns.',
      'Stop when the end lies under the middle of the coil.',
    ],
  };
};

const NUMBERS = ['three', 'four', 'five', 'six'] as const;

/** Coils, whippings and seizings. */
export const COIL_TYINGS: readonly Tying[] = [
  ...[3, 4, 5, 6].map(byStraw),
  ...[3, 4, 5, 6].map((count) =>
    byBight(
      `coil.bight.${count}`,
      `Coil of ${NUMBERS[count - 3]!} turns, its end drawn back by a bight`,
      count,
      ['core'],
    ),
  ),
  { ...byBight('whipping', 'Whipping', 5, ['core']), numbersOf: 'coil.bight.5' },
  byBight('seizing', 'Seizing of two cords', 5, ['upper cord', 'lower cord']),
];
