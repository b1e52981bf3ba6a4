import type { ClosureBase, ClosureKind } from '../../kind/closure-kind.js';
import type { Advice } from '../../measure/advice.js';
import { ellipse, plateOf, roundedBox } from '../../knot/plate.js';
import { claspStates, drawRing, tiedClasp, tieSteps } from '../clasps.js';
import { once } from '../steps.js';
import { mm } from '../tails.js';

/** A bar that turns through a ring. */
export interface Toggle extends ClosureBase {
  readonly type: 'toggle';
  readonly name: string;
  readonly bar: number;
  readonly barThickness: number;
  /** Inner and outer diameter of the ring in mm. */
  readonly ring: number;
  readonly ringOuter: number;
  /** Length in mm of the two small rings that give the bar room to turn. */
  readonly rings: number;
  readonly colour: string;
}

const alongOf = (toggle: Toggle): number => (toggle.ring + toggle.ringOuter) / 2 + toggle.rings;

function advice(toggle: Toggle): Advice[] {
  const out: Advice[] = [];
  if (toggle.bar < toggle.ring + 4) {
    out.push({
      code: 'toggle.short',
      severity: 'warning',
      message: `A bar of ${mm(toggle.bar)} slips out of a ring of ${mm(toggle.ring)} by itself.`,
      remedy: `Take a bar of ${mm(toggle.ring + 4)} or more, or a smaller ring.`,
      path: 'bar',
    });
  }
  if (toggle.rings < toggle.bar / 2 - toggle.ring / 2) {
    out.push({
      code: 'toggle.room',
      severity: 'warning',
      message: `Half of the bar must pass the ring before it turns: ${mm(toggle.bar / 2)} of slender length beside it.`,
      remedy: 'Hang the bar from two rings, or leave plain cord next to it.',
      path: 'rings',
    });
  }
  return out;
}

export const toggle: ClosureKind<Toggle> = {
  entry: {
    type: 'toggle',
    label: 'Toggle',
    blurb: 'A bar turned through a ring; two small rings give it room.',
    opens: true,
  },
  fields: [
    { type: 'text', key: 'name', label: 'Name' },
    { type: 'length', key: 'bar', label: 'Bar', min: 6, max: 60, small: true },
    { type: 'length', key: 'barThickness', label: 'Bar, across', min: 1, max: 12, small: true },
    { type: 'length', key: 'ring', label: 'Ring, inside', min: 3, max: 50, small: true },
    { type: 'length', key: 'ringOuter', label: 'Ring, outside', min: 4, max: 60, small: true },
    { type: 'length', key: 'rings', label: 'Small rings at the bar', min: 0, max: 40, small: true },
    { type: 'colour', key: 'colour', label: 'Colour' },
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
  aim: (closure) =>
    claspStates({ length: alongOf(closure), thickness: closure.barThickness, extender: 0 })[0]!
      .extra,
  layOut: (closure, site) =>
    tiedClasp(site, {
      length: alongOf(closure),
      thickness: closure.barThickness,
      extender: 0,
      onLoop: false,
      needs: [
        { label: closure.name, count: 1 },
        { label: 'Ring, 5 mm', count: 2 },
      ],
      advice: advice(closure),
    }),
  draw(closure, site, _layout, { length, done }) {
    const state = done ? 'laid' : 'planned';
    const r = closure.ringOuter / 2;
    const x = length + 5 + closure.rings;
    return [
      ...drawRing(site, 'start', 0, closure.colour, state),
      plateOf('closure', 'eye', closure.colour, [
        ellipse(-6 - r, 0, r),
        ellipse(-6 - r, 0, closure.ring / 2),
      ]),
      ...drawRing(site, 'end', length, closure.colour, state),
      plateOf('closure', 'link', closure.colour, [
        ellipse(length + 8, 0, 3.4, 2.2),
        ellipse(length + 8, 0, 2.4, 1.2),
      ]),
      plateOf('closure', 'bar', closure.colour, [
        roundedBox(
          x - closure.barThickness / 2,
          -closure.bar / 2,
          closure.barThickness,
          closure.bar,
          closure.barThickness / 2,
        ),
      ]),
    ];
  },
  steps(closure, site) {
    const tie = tieSteps(site, closure.name, false);
    return {
      start: tie.start,
      end: [
        ...tie.end,
        once(
          'See that the bar turns',
          'Half of the bar must pass the ring before it turns. If it does not, add another small ring.',
        ),
      ],
    };
  },
  finish: {
    stays: ['the cords between work, ring and bar'],
    goes: ['the ends beyond the knots at ring and bar'],
    checks: [
      'The bar turns freely through the ring, and lies across it when it is worn.',
      'Pull at the closed toggle three times: no knot creeps.',
    ],
  },
  mistakes: [
    'Beads sit right against the bar: it has no room to turn through the ring. Two small rings give it.',
  ],
};
