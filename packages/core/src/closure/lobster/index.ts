import type { ClosureBase, ClosureKind } from '../../kind/closure-kind.js';
import type { Point } from '../../kind/primitive.js';
import { ellipse, plateOf } from '../../knot/plate.js';
import {
  claspStates,
  drawChain,
  drawRing,
  startsWithLoop,
  tiedClasp,
  tieSteps,
} from '../clasps.js';
import type { Advice } from '../../measure/advice.js';
import { mm } from '../tails.js';

/** A sprung hook tied to one end, closing on a ring or on a loop of cord. */
export interface Lobster extends ClosureBase {
  readonly type: 'lobster';
  readonly name: string;
  /** Length in mm with its own eye. */
  readonly length: number;
  readonly thickness: number;
  /** Where it closes: a ring tied to the start, or the loop that is the first part. */
  readonly to: 'ring' | 'loop';
  /** Chain in mm for a second, longer size; 0 for none. */
  readonly extender: number;
  readonly colour: string;
}

/** Ring in mm that the hook closes on and hangs from. Assumed: 5 mm rings. */
const RING = 5;
const alongOf = (clasp: Lobster): number => clasp.length + (clasp.to === 'ring' ? RING : 0);

export const lobster: ClosureKind<Lobster> = {
  entry: {
    type: 'lobster',
    label: 'Lobster clasp',
    blurb: 'A sprung hook on a ring or a loop, with a chain for a second size.',
    opens: true,
  },
  fields: [
    { type: 'text', key: 'name', label: 'Name' },
    { type: 'length', key: 'length', label: 'Length with its eye', min: 4, max: 60, small: true },
    { type: 'length', key: 'thickness', label: 'Thickness', min: 1, max: 20, small: true },
    {
      type: 'choice',
      key: 'to',
      label: 'Closes on',
      choices: [
        { id: 'ring', label: 'A ring', blurb: 'tied to the start' },
        { id: 'loop', label: 'A loop of cord', blurb: 'the first part' },
      ],
    },
    { type: 'length', key: 'extender', label: 'Extender chain (0 for none)', min: 0, max: 120 },
    { type: 'colour', key: 'colour', label: 'Colour' },
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
  aim: (clasp) => claspStates({ ...clasp, length: alongOf(clasp), extender: 0 })[0]!.extra,
  layOut(clasp, site) {
    const missing: Advice[] =
      clasp.to === 'loop' && !startsWithLoop(site)
        ? [
            {
              code: 'lobster.loop',
              severity: 'error',
              message: 'The clasp closes on a loop of cord, and the first part is none.',
              remedy: 'Add a loop as the first part, or let it close on a ring.',
              path: 'to',
            },
          ]
        : [];
    return tiedClasp(site, {
      length: alongOf(clasp),
      thickness: clasp.thickness,
      extender: clasp.extender,
      onLoop: clasp.to === 'loop',
      needs: [
        { label: clasp.name, count: 1 },
        { label: 'Ring, 5 mm', count: clasp.to === 'ring' ? 1 : 0 },
        ...(clasp.extender > 0
          ? [{ label: `Extender chain, ${mm(clasp.extender)}`, count: 1 }]
          : []),
      ].filter((need) => need.count > 0),
      advice: missing,
    });
  },
  draw(clasp, site, _layout, { length, done }) {
    const state = done ? 'laid' : 'planned';
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
      ...(clasp.to === 'ring' ? drawRing(site, 'start', 0, clasp.colour, state) : []),
      ...drawRing(site, 'end', length, clasp.colour, state),
      plateOf('closure', 'hook', clasp.colour, [
        hook,
        ellipse(x + clasp.length * 0.66, 0, clasp.length * 0.2, w * 0.24),
      ]),
      ...(clasp.extender > 0
        ? drawChain(clasp.to === 'ring' ? -6 : 0, -1, clasp.extender, clasp.colour)
        : []),
    ];
  },
  steps: (clasp, site) => tieSteps(site, clasp.name, clasp.to === 'loop'),
  finish: {
    stays: ['the cords between work and rings'],
    goes: ['the ends beyond the knots at the rings'],
    checks: [
      'The clasp opens and shuts by itself; no thin cord finds the gap of a ring.',
      'Pull at the closed clasp three times: no knot creeps.',
    ],
  },
  mistakes: [
    'The end is tied before trying on: there is no second chance without cutting.',
    'The ring is not quite shut, and thin cord slips out of it.',
  ],
};
