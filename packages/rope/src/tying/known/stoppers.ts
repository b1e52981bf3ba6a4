import type { Point } from '../../base/point.js';

import { fromLeft, type Lead, type Tying } from '../tying.js';
import { ORDINALS } from '../ordinals.js';

/** Room between two turns, and how far they reach to both sides of what they are wound round, in diameters. */
const BESIDE = 3.2;
const REACH = 3;

/**
 * A loop whose end is wound round its own standing part so many times, and led out of the loop. An overhand knot is
 * one of one turn.
 */
function barrel(id: string, name: string, turns: 1 | 2 | 3): Tying {
  const up = (turn: number): number => 2 * BESIDE * turn;
  const wide = up(turns - 1) + BESIDE + 1;
  const loop: readonly Point[] = [
    [wide + 3, 1],
    [wide + 5, 4],
    [wide + 2, 7.5],
    [wide / 2 - 1, 8.6],
    [-3, 7.4],
    [-5.4, 4],
    [-4.4, 1],
    [-3.4, -2],
  ];
  const wind = (turn: number): Lead => ({
    strand: 0,
    way: [
      ...(turn === 0
        ? [[-1.5, -REACH - 0.6] as Point]
        : [[up(turn) - BESIDE, REACH] as Point, [up(turn) - BESIDE / 2 - 0.6, -REACH] as Point]),
      [up(turn) + 0.2, -1.2],
      [up(turn) + 0.2, 1.6],
    ],
    passes: turn === 0 ? 'u' : 'ou',
    makes: `${ORDINALS[turn]!} turn`,
    verb: 'wind',
  });
  return {
    id,
    name,
    cell: id,
    strands: [
      fromLeft([
        [-16, 0],
        [-8, 0],
        [wide - 1, 0],
      ]),
    ],
    moves: [
      { strand: 0, way: loop, passes: 'o', makes: 'loop' },
      ...Array.from({ length: turns }, (_, turn) => wind(turn)),
      {
        strand: 0,
        way: [
          [up(turns - 1) + 2, 3.6],
          [wide + 4, 4],
          [wide + 8, 3],
          [wide + 13, 1.5],
        ],
        passes: 'o',
      },
    ],
    drawUp: [
      'Draw the end and the standing part apart by turns, a little at a time.',
      ...(turns > 1 ? ['Stroke the turns flat beside each other before the knot closes.'] : []),
    ],
  };
}

const FIGURE_EIGHT: Tying = {
  id: 'figure-eight',
  name: 'Figure-eight knot',
  cell: 'figure-eight',
  strands: [
    fromLeft([
      [-18, 0],
      [-10, 0],
      [3, 0],
    ]),
  ],
  moves: [
    {
      strand: 0,
      way: [
        [7, 1],
        [9, 4],
        [7, 7],
        [3, 8.4],
        [-1, 7.4],
        [-3, 4],
        [-3.4, 1],
        [-4.4, -2.4],
      ],
      passes: 'o',
      makes: 'loop',
    },
    {
      strand: 0,
      way: [
        [-6.6, -4.4],
        [-9, -3],
        [-9.4, 0.6],
        [-8.4, 3],
      ],
      passes: 'u',
      makes: 'second bend',
    },
    {
      strand: 0,
      way: [
        [-5.6, 4.4],
        [-1, 4.6],
        [3, 4.2],
      ],
      passes: 'o',
    },
    {
      strand: 0,
      way: [
        [7, 3.8],
        [12, 3.4],
        [17, 2],
      ],
      passes: 'u',
    },
  ],
  drawUp: ['Draw the end and the standing part apart by turns, a little at a time.'],
};

/** The same knot, drawn up against a bead by what is put through its loop. */
const atBead = (turns: 1 | 2, by: 'awl' | 'tweezers'): Tying => ({
  ...barrel('', '', turns),
  id: `at-bead.${by}.${turns}`,
  name: `${turns === 1 ? 'Overhand' : 'Double barrel'} knot at a bead, with ${by === 'awl' ? 'an awl' : 'tweezers'}`,
  cell: turns === 1 ? 'overhand' : 'double-barrel',
  drawUp:
    by === 'awl'
      ? [
          'Put an awl into the loop, and lead the loop with it down to the bead.',
          'Draw the end until the knot sits against the bead, and slip it off the tip.',
        ]
      : [
          'Put the closed tips of tweezers through the loop, and grip the cord close to the bead.',
          'Draw the end until the knot sits at the tips.',
          'Open the tweezers, draw them out and push the knot against the bead.',
        ],
});

/** An end turned back beside its own cord, and both tied as one: a loop stays. */
const LOOP_KNOT: Tying = {
  ...barrel('loop-knot', 'Overhand knot in a doubled cord', 1),
  cell: 'overhand',
  strands: [fromLeft(barrel('', '', 1).strands[0]!.way, 'doubled cord', 'fold')],
  drawUp: [
    'Try what the loop is for before the knot is tight.',
    'Draw the loop and the doubled cord apart, then the end by itself.',
  ],
};

/** Knots that keep an end or a bead from slipping, in one cord. */
export const STOPPER_TYINGS: readonly Tying[] = [
  barrel('overhand', 'Overhand knot', 1),
  barrel('double-barrel', 'Double barrel knot', 2),
  barrel('triple-barrel', 'Triple barrel knot', 3),
  FIGURE_EIGHT,
  LOOP_KNOT,
  ...([1, 2] as const).flatMap((turns) => [atBead(turns, 'awl'), atBead(turns, 'tweezers')]),
];
