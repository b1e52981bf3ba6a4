import { say, term } from '../../../base/measure/saying.js';
import { bundleOf, bundleShape } from '@coiled-strand/rope';
import { MM_PER_UNIT } from '../../../base/measure/units.js';
import { countField } from '../../../base/kind/field.js';
import {
  plainLayout,
  type PartBase,
  type PartKind,
  type PartSite,
} from '../../../base/kind/part-kind.js';
import { PRACTICE, KNOT_SPREAD } from '../../../base/kind/reason.js';

import { OWN_CORD, tiedIn } from '../../knot/tied.js';
import { coilCord } from '../../knot/wraps.js';
import { edgeCore, edgeKnots } from '../../knot/edge.js';
import { coresOf } from '../../knot/lanes.js';
import { straightUse } from '../../knot/straight.js';
import { gatheredRuns, strokeOf } from '../../knot/stroke.js';
import { effectiveDiameter, type Cord } from '../../../base/material/cord.js';
import { legsOf } from '../ends.js';
import { bundleOfRuns } from '../pick.js';

/** Turns of a cord of its own round all cords, pulled under itself. */
export interface WhippingPart extends PartBase {
  readonly kind: 'whipping';
  readonly cord: Cord;
  readonly turns: number;
}

/** Ends in mm to hold while it is wound and pulled under. Common practice, no source. */
const ENDS = 60;

/** Perimeter in mm of the bare bundle that is wound round. */
function hullOf(part: WhippingPart, site: PartSite): number {
  const n = Math.max(1, site.runs.length);
  const cord = site.runs[0]?.cord ?? part.cord;
  return bundleShape(bundleOf(n), effectiveDiameter(cord), n).perimeter;
}

export const whipping: PartKind<WhippingPart> = {
  entry: {
    id: 'whipping',
    label: 'Whipping',
    blurb: 'Turns of its own cord round all cords, holding them together.',
    goodFor:
      'To hold cords together where no knot is wanted, and to hide where one thing ends and another begins.',
    group: 'cord',
    unitName: 'turn',
    needsBead: false,
    seconds: 5,
    keepsOrder: true,
  },
  // Four laces, five large beads, seized ends. Common practice, no source.
  ruleOfThumb: (_part, { site, plaited, strands, runs }) =>
    site === 'wrist' && plaited && runs === strands
      ? {
          label: 'Fifteen inches of each lace',
          low: 15 * strands * MM_PER_UNIT.in,
          high: 15 * strands * MM_PER_UNIT.in,
          of: 'strands',
        }
      : null,
  fields: [
    countField('turns', 'Turns', 2, 200),
    { type: 'cord', key: 'cord', label: 'Whipping cord' },
  ],
  make: ({ id, cord }) => ({ id, kind: 'whipping', cord, turns: 8 }),
  fills: () => false,
  section(part, site) {
    const d = effectiveDiameter(part.cord);
    const across = bundleOfRuns(site.runs) + 2 * d;
    return { width: across, thickness: across, pitch: d };
  },
  layOut(part, site) {
    const section = whipping.section(part, site);
    const length = part.turns * section.pitch;
    const hull = hullOf(part, site);
    return plainLayout(length, section, {
      units: part.turns,
      unitName: 'turn',
      uses: straightUse(site.runs, length),
      auxiliary: [
        {
          id: part.id,
          label: 'Whipping',
          cord: part.cord,
          reasons: [
            {
              area: 'knot',
              code: 'knot.coil',
              label: 'Turns, and the way back under them',
              detail: 'each round the hull of the bundle, and straight back through',
              mm: coilCord(part.turns, hull, effectiveDiameter(part.cord)),
              spread: KNOT_SPREAD,
            },
            {
              area: 'end',
              code: 'end.hold',
              label: 'Ends to hold',
              detail: 'to wind and pull under by; trimmed afterwards',
              ...PRACTICE,
              mm: 2 * ENDS,
              times: { count: 2, each: ENDS },
            },
          ],
        },
      ],
    });
  },
  draw(part, site, layout, { done }) {
    const d = effectiveDiameter(part.cord);
    const half = layout.width / 2 - d / 2;
    const turn = (i: number): readonly [number, number][] => [
      [(i + 0.35) * d, -half],
      [(i + 0.65) * d, half],
    ];
    const lay = (from: number, to: number, state: 'laid' | 'planned') =>
      from >= to
        ? []
        : [
            strokeOf(
              { strand: 0, cord: part.cord },
              `${part.id}-turns-${state}`,
              part.id,
              Array.from({ length: to - from }, (_, i) => turn(from + i)),
              state,
              'round',
            ),
          ];
    return [
      ...gatheredRuns(coresOf(site.runs), part.id, layout.length, layout.width - 2 * d),
      ...lay(done, part.turns, 'planned'),
      ...lay(0, done, 'laid'),
    ];
  },
  inSpace: null,
  drawEdge: (part, site, layout) => [
    ...edgeCore(part.id, site, layout),
    ...edgeKnots({ strand: 0, cord: part.cord }, part.id, layout),
  ],
  steps: (part, site, layout, first) => [
    {
      title: `Whip with ${part.turns} turns`,
      text: say`The closed end of the ${term('bight')} lies where the whipping is to stop, both ends out at the other side. Lay turn beside turn, none across another.`,
      tied: [tiedIn('whipping', [site.runs[0], OWN_CORD], first, part.cord)],
      units: part.turns,
      unitName: 'turn',
      actions: [
        {
          do: 'wind',
          place: part.id,
          cord: part.id,
          round: legsOf(site.runs),
          mm: layout.pitch,
          times: part.turns,
        },
      ],
      cautions: [],
    },
    {
      title: 'Pull the whipping under itself',
      text: 'Pull the other end until bight and end have gone half way under the turns. Pull both once more: nothing moves.',
      units: 1,
      aside: true,
      actions: [{ do: 'draw-up', cord: part.id }],
      cautions: [],
    },
  ],
};
