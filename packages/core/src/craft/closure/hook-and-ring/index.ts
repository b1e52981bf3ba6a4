import { sizeField } from '../../../base/kind/field.js';
import { ellipse, plateOf } from '../../knot/plate.js';
import { hookOutline, tiedClasp, type TiedClasp } from '../clasps.js';
import { check } from '../uses.js';

/** A hook tied to one end and a ring to the other. */
export interface HookAndRing extends TiedClasp {
  readonly type: 'hook-and-ring';
  /** Length in mm when hooked together. */
  readonly length: number;
  readonly thickness: number;
}

export const hookAndRing = tiedClasp<HookAndRing>({
  entry: {
    type: 'hook-and-ring',
    label: 'Hook and ring',
    blurb: 'A hook that holds by the pull of the piece.',
    goodFor: 'Flat and quick; it stays shut as long as the piece pulls at it.',
    opens: true,
  },
  fields: [
    sizeField('length', 'Length when hooked', 4, 80),
    sizeField('thickness', 'Thickness', 1, 20),
  ],
  make: () => ({
    type: 'hook-and-ring',
    name: 'Hook and ring, 22 mm',
    length: 22,
    thickness: 3,
    colour: '#a9adb0',
  }),
  size: (clasp) => clasp,
  draw: ({ colour, length: long }, length) => [
    plateOf('closure', 'hook', colour, [hookOutline(length + 6, long * 0.7, long * 0.36)]),
    plateOf('closure', 'eye', colour, [
      ellipse(-8 - long * 0.1, 0, long * 0.16),
      ellipse(-8 - long * 0.1, 0, long * 0.1),
    ]),
  ],
  extends: 'a larger ring or a link more makes up for it',
  halves: ({ name }) => ({
    start: { name: 'the ring', finding: name, share: 0.5 },
    end: { name: 'the eye of the hook', finding: name, share: 0.5 },
  }),
  stays: ['the cords between work, hook and ring'],
  checks: [
    check('The hook catches with the wearer’s own movement', 'It does not come off when shaken.'),
    check('Pull at both ends', 'No knot creeps.'),
  ],
  mistakes: ['Worn too loose, a hook unhooks by itself: it needs a snug fit.'],
});
