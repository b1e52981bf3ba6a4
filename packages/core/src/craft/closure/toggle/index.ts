import { sizeField } from '../../../base/kind/field.js';
import { ellipse, plateOf, roundedBox } from '../../knot/plate.js';
import type { Advice } from '../../../base/measure/advice.js';
import { say, size } from '../../../base/measure/saying.js';
import { CAUTIONS } from '../../../base/kind/cautions.js';
import type { ClosureSite } from '../../../base/kind/closure-kind.js';
import { bundleOfRuns } from '../../part/pick.js';
import { tiedClasp, type TiedClasp } from '../clasps.js';
import { ringNeed } from '../eyes.js';
import { check, singleStep } from '../uses.js';

/** A bar that turns through a ring. */
export interface Toggle extends TiedClasp {
  readonly type: 'toggle';
  readonly bar: number;
  readonly barThickness: number;
  /** Inner and outer diameter of the ring in mm. */
  readonly ring: number;
  readonly ringOuter: number;
  /** Length in mm of the two small rings that give the bar room to turn. */
  readonly rings: number;
}

/** What goes through the ring is compared with its opening, less the cords that lie in it: equal does not pass. */
const passes = (toggle: Toggle, site: ClosureSite): boolean =>
  site.endSize < toggle.ring - bundleOfRuns(site.runs);

function adviceOf(toggle: Toggle, site: ClosureSite): Advice[] {
  const advice: Advice[] = [];
  if (toggle.bar < toggle.ring + 4) {
    advice.push({
      code: 'toggle.short',
      severity: 'warning',
      message: say`A bar of ${size(toggle.bar)} slips out of a ring of ${size(toggle.ring)} by itself.`,
      remedy: say`Take a bar of ${size(toggle.ring + 4)} or more, or a smaller ring.`,
      path: 'bar',
    });
  }
  // Half of the bar goes through before it turns, and what lies beside it follows: that is slender, or passes.
  if (toggle.rings < toggle.bar / 2 - toggle.ring / 2 && !passes(toggle, site)) {
    advice.push({
      code: 'toggle.room',
      severity: 'warning',
      message: say`Half of the bar must pass the ring before it turns: it needs ${size(toggle.bar / 2)} of slender length beside it, and what lies there, ${size(site.endSize)} across, does not pass a ring of ${size(toggle.ring)} with the cords in it.`,
      remedy:
        'Hang the bar from two jump rings, leave plain cord next to it, or take a larger ring.',
      path: 'rings',
    });
  }
  return advice;
}

export const toggle = tiedClasp<Toggle>({
  entry: {
    type: 'toggle',
    label: 'Toggle',
    blurb: 'A bar turned through a ring; two jump rings give it room.',
    goodFor:
      'Easy with one hand. It needs room to turn through, and a piece that is worn under some pull.',
    opens: true,
    trials: ['turns'],
  },
  fields: [
    sizeField('bar', 'Bar', 6, 60),
    sizeField('barThickness', 'Bar, across', 1, 12),
    sizeField('ring', 'Ring, inside', 3, 50),
    sizeField('ringOuter', 'Ring, outside', 4, 60),
    sizeField('rings', 'Jump rings at the bar', 0, 40),
  ],
  make: () => ({
    type: 'toggle',
    name: 'Toggle, 20 mm bar',
    bar: 20,
    barThickness: 2.5,
    ring: 12,
    ringOuter: 16,
    rings: 8,
    colour: '#a9adb0',
  }),
  size: ({ ring, ringOuter, rings, barThickness }) => ({
    length: (ring + ringOuter) / 2 + rings,
    thickness: barThickness,
  }),
  needs: (_toggle, ring) => [ringNeed(2, ring)],
  advice: adviceOf,
  draw(closure, length) {
    const r = closure.ringOuter / 2;
    const w = closure.barThickness;
    const x = length + 5 + closure.rings;
    return [
      plateOf('closure', 'eye', closure.colour, [
        ellipse(-6 - r, 0, r),
        ellipse(-6 - r, 0, closure.ring / 2),
      ]),
      plateOf('closure', 'link', closure.colour, [
        ellipse(length + 8, 0, 3.4, 2.2),
        ellipse(length + 8, 0, 2.4, 1.2),
      ]),
      plateOf('closure', 'bar', closure.colour, [
        roundedBox(x - w / 2, -closure.bar / 2, w, closure.bar, w / 2),
      ]),
    ];
  },
  after: [
    singleStep(
      'See that the bar turns',
      'Half of the bar must pass the ring before it turns. If it does not, add another jump ring.',
      [{ do: 'test', what: 'turns' }],
    ),
  ],
  extends: 'a link between bar and end makes up for it',
  halves: ({ name }) => ({
    start: { name: 'the ring of the toggle', finding: name, share: 0.5 },
    end: { name: 'the outer jump ring' },
  }),
  before: ({ name }, ring) => ({
    end: [
      singleStep(
        'Hang the bar from two jump rings',
        'Open both rings sideways, never outwards. Hang the bar in the first and the second ring in that; close both until no gap is felt, splits to the skin.',
        [
          { do: 'open', finding: ring.id },
          { do: 'hang', finding: name, share: 0.5, in: ring.id },
          { do: 'close', finding: ring.id, count: 2, split: 'skin' },
        ],
        CAUTIONS.metal,
      ),
    ],
  }),
  stays: ['the cords between work, ring and bar'],
  checks: [
    check('The bar turns freely through the ring', 'It lies across the ring when it is worn.'),
    check('Pull at the closed toggle three times', 'No knot creeps.'),
  ],
  mistakes: [
    'Beads sit right against the bar: it has no room to turn through the ring. Two jump rings give it.',
  ],
});
