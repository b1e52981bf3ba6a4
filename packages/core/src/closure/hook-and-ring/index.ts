import type { ClosureBase, ClosureKind } from '../../kind/closure-kind.js';
import type { Point } from '../../kind/primitive.js';
import { ellipse, plateOf } from '../../knot/plate.js';
import { claspStates, drawRing, tiedClasp, tieSteps } from '../clasps.js';

/** A hook tied to one end and a ring to the other. */
export interface HookAndRing extends ClosureBase {
  readonly type: 'hook-and-ring';
  readonly name: string;
  /** Length in mm when hooked together. */
  readonly length: number;
  readonly thickness: number;
  readonly colour: string;
}

/** A hook as an outline from x along s. */
export const hookOutline = (x: number, length: number, width: number): Point[] => [
  [x, -width * 0.18],
  [x + length * 0.55, -width * 0.18],
  [x + length * 0.9, -width * 0.5],
  [x + length, 0],
  [x + length * 0.86, width * 0.5],
  [x + length * 0.5, width * 0.5],
  [x + length * 0.5, width * 0.24],
  [x + length * 0.8, width * 0.22],
  [x + length * 0.86, -width * 0.05],
  [x + length * 0.6, width * 0.1],
  [x, width * 0.18],
];

export const hookAndRing: ClosureKind<HookAndRing> = {
  entry: {
    type: 'hook-and-ring',
    label: 'Hook and ring',
    blurb: 'A hook that holds by the pull of the piece.',
    opens: true,
  },
  fields: [
    { type: 'text', key: 'name', label: 'Name' },
    { type: 'length', key: 'length', label: 'Length when hooked', min: 4, max: 80, small: true },
    { type: 'length', key: 'thickness', label: 'Thickness', min: 1, max: 20, small: true },
    { type: 'colour', key: 'colour', label: 'Colour' },
  ],
  make: () => ({
    type: 'hook-and-ring',
    name: 'Hook and ring, 22 mm',
    length: 22,
    thickness: 3,
    colour: '#a9adb0',
  }),
  aim: (clasp) => claspStates({ ...clasp, extender: 0 })[0]!.extra,
  layOut: (clasp, site) =>
    tiedClasp(site, {
      ...clasp,
      extender: 0,
      onLoop: false,
      needs: [{ label: clasp.name, count: 1 }],
      advice: [],
    }),
  draw(clasp, site, _layout, { length, done }) {
    const state = done ? 'laid' : 'planned';
    return [
      ...drawRing(site, 'start', 0, clasp.colour, state),
      ...drawRing(site, 'end', length, clasp.colour, state),
      plateOf('closure', 'hook', clasp.colour, [
        hookOutline(length + 6, clasp.length * 0.7, clasp.length * 0.36),
      ]),
      plateOf('closure', 'eye', clasp.colour, [
        ellipse(-8 - clasp.length * 0.1, 0, clasp.length * 0.16),
        ellipse(-8 - clasp.length * 0.1, 0, clasp.length * 0.1),
      ]),
    ];
  },
  steps: (clasp, site) => tieSteps(site, clasp.name, false),
  finish: {
    stays: ['the cord inside the ends of hook and ring'],
    goes: ['nothing outside: the ends are covered'],
    checks: [
      'The hook catches with the wearer’s own movement and does not come loose when shaken.',
      'Pull at both ends: no cord moves in its socket.',
    ],
  },
  mistakes: ['Worn loose, a hook unhooks by itself: it needs a snug fit.'],
};
