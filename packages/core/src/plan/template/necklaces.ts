import { breakawayClasp } from '../../craft/closure/breakaway-clasp/index.js';
import { lariat } from '../../craft/closure/lariat/index.js';
import { twoSlidingKnots } from '../../craft/closure/two-sliding-knots/index.js';
import { type Ease } from '../../base/measure/ease.js';
import { stopper } from '../../craft/knot/stopper.js';
import { effectiveDiameter } from '../../base/material/cord.js';
import { strandOf } from './materials.js';
import {
  type Template,
  neckWear,
  named,
  type Draft,
  plain,
  stop,
  row,
  piece,
  aimOf,
} from './draft.js';
import { TWINE, NIGHT, SILK, COVER, PEARL, SEA10, SEA8, SEA6 } from './stuff.js';

/** Ids of a row graded from the ends to the middle: small, middling and large, mirrored. */
function gradedRow(length: number, knot: number): string[] {
  const step = (bead: { length: number }): number => bead.length + knot;
  const middle = Array.from({ length: 9 }, () => 'sea-10');
  const flank = Array.from({ length: 7 }, () => 'sea-8');
  const left = length - 9 * step(SEA10) - 14 * step(SEA8);
  const small = Math.max(1, Math.floor(left / 2 / step(SEA6)));
  const ends = Array.from({ length: small }, () => 'sea-6');
  return [...ends, ...flank, ...middle, ...flank, ...ends];
}

/** For the neck. */
export const NECKLACES: readonly Template[] = [
  {
    id: 'wrapped-stone',
    label: 'A stone caught in a loop',
    blurb: 'Waxed twine, a bead over the knot, two sliding knots.',
    group: 'necklace',
    make: (start) =>
      piece(start, {
        wear: neckWear(start.wearer, 460),
        ease: { rule: 'own', amount: 60 },
        strands: [strandOf(TWINE, ['core'])],
        beads: [COVER],
        parts: named([
          plain(),
          {
            kind: 'stone',
            name: 'Polished drop',
            girth: 44,
            above: 50,
            height: 26,
            width: 18,
            thickness: 9,
            rise: 8,
            bead: 'cover-6',
            colour: '#8fa3a8',
          } as Draft,
          plain(),
        ]),
        closure: twoSlidingKnots.make(TWINE),
      }),
  },
  {
    id: 'lariat',
    label: 'A lariat of three cords',
    blurb: 'Worn doubled through its own bend; a drop on the end of every cord.',
    group: 'necklace',
    make: (start) => {
      const end = (i: number): Draft[] => [
        stop('double-barrel', [i]),
        row(['pearl-8'], { through: 'some', runs: [i] }),
      ];
      return piece(start, {
        wear: neckWear(start.wearer, 380),
        ease: { rule: 'own', amount: 60 },
        strands: [0, 1, 2].map(() => strandOf(NIGHT, ['core'])),
        beads: [PEARL],
        parts: named([
          ...end(0),
          plain(12),
          ...end(1),
          plain(12),
          ...end(2),
          plain(12),
          stop('overhand'),
          plain(),
          stop('overhand'),
          plain(12),
          ...end(2).reverse(),
          plain(12),
          ...end(1).reverse(),
          plain(12),
          ...end(0).reverse(),
        ]),
        closure: lariat.make(NIGHT),
      });
    },
  },
  {
    id: 'knotted-necklace',
    label: 'A graded bead necklace, knotted between',
    blurb: 'Three sizes of bead on silk; a breakaway clasp.',
    group: 'necklace',
    make: (start) => {
      const wear = neckWear(start.wearer, 450);
      const ease: Ease = { rule: 'own', amount: 80 };
      const knot = stopper('overhand', effectiveDiameter(SILK)).length;
      return piece(start, {
        wear,
        ease,
        strands: [strandOf(SILK, ['core'])],
        beads: [SEA10, SEA8, SEA6],
        parts: named([
          plain(),
          stop('overhand'),
          row(gradedRow(aimOf(start.wearer, wear, ease) - 50 - 2 * knot, knot), {
            between: 'overhand',
          }),
          stop('overhand'),
          plain(),
        ]),
        closure: {
          ...breakawayClasp.make(SILK),
          rated: start.wearer.child ? 'child' : 'adult',
        },
      });
    },
  },
];
