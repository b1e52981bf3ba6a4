import { hempRule } from '../hemp-rule.js';
import { choiceField, sizeField } from '../../../base/kind/field.js';
import type { Point } from '../../../base/kind/primitive.js';
import { ellipse, plateOf } from '../../knot/plate.js';
import { say, size } from '../../../base/measure/saying.js';
import { drawChain, tiedClasp, type TiedClasp } from '../clasps.js';
import { RING, ringNeed } from '../eyes.js';
import { AT_START } from '../../../base/action/action.js';
import { CAUTIONS } from '../../../base/kind/cautions.js';
import { check, singleStep } from '../uses.js';

/** A sprung hook tied to one end, closing on a ring or on a loop of cord. */
export interface Lobster extends TiedClasp {
  readonly type: 'lobster';
  /** Length in mm with its own eye. */
  readonly length: number;
  readonly thickness: number;
  /** Where it closes: a ring tied to the start, or the loop that is the first part. */
  readonly to: 'ring' | 'loop';
  /** Chain in mm for a second, longer size; 0 for none. */
  readonly extender: number;
}

export const lobster = tiedClasp<Lobster>({
  entry: {
    type: 'lobster',
    label: 'Lobster clasp',
    blurb: 'A sprung hook on a ring or a loop, with a chain for a second size.',
    goodFor:
      'The clasp that hardly comes undone by itself. Small ones want good fingernails, or another pair of hands.',
    opens: true,
  },
  fields: [
    sizeField('length', 'Length with its eye', 4, 60),
    sizeField('thickness', 'Thickness', 1, 20),
    choiceField('to', 'Closes on', {
      ring: ['A ring', 'tied to the start'],
      loop: ['A loop of cord', 'the first part'],
    }),
    { type: 'length', key: 'extender', label: 'Extender chain (0 for none)', min: 0, max: 120 },
  ],
  make: () => ({
    type: 'lobster',
    name: 'Lobster clasp, 12 mm',
    length: 12,
    thickness: 3,
    to: 'ring',
    extender: 0,
    colour: '#a9adb0',
  }),
  size: (clasp) => ({ ...clasp, length: clasp.length + (clasp.to === 'ring' ? RING : 0) }),
  onLoop: ({ to }) => to === 'loop',
  needs: ({ to, extender }, ring) => [
    ...(to === 'ring' ? [ringNeed(1, ring)] : []),
    ...(extender > 0
      ? [{ id: 'extender', label: say`Extender chain, ${size(extender)}`, count: 1 }]
      : []),
  ],
  advice: ({ to }, { first }) =>
    to === 'loop' && !first?.forClosure
      ? [
          {
            code: 'lobster.loop',
            severity: 'error',
            message: 'The clasp closes on a loop of cord, but the first part is not a loop.',
            remedy: 'Add a loop as the first part, or let it close on a ring.',
            path: 'to',
          },
        ]
      : [],
  draw(clasp, length) {
    const w = clasp.length * 0.42;
    const x = length + 5;
    const hook: Point[] = [
      [x, -w * 0.25],
      [x + clasp.length * 0.35, -w * 0.5],
      [x + clasp.length * 0.8, -w * 0.45],
      [x + clasp.length, 0],
      [x + clasp.length * 0.8, w * 0.5],
      [x + clasp.length * 0.35, w * 0.5],
      [x, w * 0.25],
    ];
    return [
      plateOf('closure', 'hook', clasp.colour, [
        hook,
        ellipse(x + clasp.length * 0.66, 0, clasp.length * 0.2, w * 0.24),
      ]),
      ...(clasp.extender > 0
        ? drawChain(clasp.to === 'ring' ? -6 : 0, -1, clasp.extender, clasp.colour)
        : []),
    ];
  },
  extends: 'a longer extender chain makes up for it',
  ruleOfThumb: (_clasp, work) => (work.startsWithLoop ? hempRule(work) : null),
  halves: ({ name }, ring) => ({
    start: { name: 'the jump ring', finding: ring.id },
    end: { name: 'the eye of the lobster clasp', finding: name },
  }),
  before: ({ extender, to }) =>
    extender === 0
      ? {}
      : {
          end: [
            singleStep(
              'Hang the chain on',
              `Open its last link sideways, hang it in ${to === 'ring' ? 'the ring' : 'the loop'} at the start, and close it until no gap is felt.`,
              [{ do: 'put-on', finding: 'extender', place: AT_START, on: [], mm: 0 }],
              CAUTIONS.metal,
            ),
          ],
        },
  stays: ['the cords between work and rings'],
  checks: [
    check('The clasp opens and shuts by itself', 'No thin cord finds the gap of a ring.'),
    check('Pull at the closed clasp three times', 'No knot creeps.'),
  ],
  mistakes: [
    'The end is tied before trying on: there is no second chance without cutting.',
    'The ring is not quite shut, and thin cord slips out of it.',
  ],
});
