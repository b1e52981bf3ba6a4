import { COLOUR_FIELD, nameField, sizeField } from '../../../base/kind/field.js';
import { needOf } from '../../../base/kind/reason.js';
import { edgeCore } from '../../knot/edge.js';
import { plainLayout, type PartBase, type PartKind } from '../../../base/kind/part-kind.js';
import { plateOf, roundedBox } from '../../knot/plate.js';
import { tiedIn } from '../../knot/tied.js';
import { straightUse } from '../../knot/straight.js';
import { straightRuns } from '../../knot/stroke.js';
import { outerEnds } from '../ends.js';
import { bundleOfRuns } from '../pick.js';
import { say, size } from '../../../base/measure/saying.js';

/** A springy ring that grips a thick cord and keeps what slides on it in its place. */
export interface StopperRingPart extends PartBase {
  readonly kind: 'stopper-ring';
  readonly name: string;
  /** Along the cord in mm. */
  readonly length: number;
  readonly outer: number;
  /** Hole in mm when not stretched. */
  readonly hole: number;
  readonly colour: string;
}

/** A rubber ring stretches over a cord at most this many times its hole. Assumed. */
const STRETCHES = 1.6;

export const stopperRing: PartKind<StopperRingPart> = {
  entry: {
    id: 'stopper-ring',
    label: 'O-ring',
    blurb: 'Grips a thick cord and keeps a slider in its place.',
    goodFor: 'Thick cord, where a knot would be clumsy: the ring grips and can be pushed along.',
    group: 'focal',
    unitName: 'ring',
    needsBead: false,
    seconds: 20,
  },
  fields: [
    nameField(),
    sizeField('length', 'Along the cord', 0.5, 40),
    sizeField('outer', 'Across', 1, 60),
    sizeField('hole', 'Hole', 0.3, 40),
    COLOUR_FIELD,
  ],
  make: ({ id, cord }) => ({
    id,
    kind: 'stopper-ring',
    name: 'Rubber O-ring',
    length: 3,
    outer: cord.diameter + 4,
    hole: Math.max(0.5, cord.diameter * 0.8),
    colour: '#1f2326',
  }),
  fills: () => false,
  section: (part) => ({ width: part.outer, thickness: part.outer, pitch: part.length }),
  layOut(part, site) {
    const d = bundleOfRuns(site.runs);
    const loose = part.hole >= d;
    const tight = d > part.hole * STRETCHES;
    return plainLayout(part.length, stopperRing.section(part, site), {
      unitName: 'ring',
      uses: straightUse(site.runs, part.length),
      needs: [needOf(part.name)],
      advice: loose
        ? [
            {
              code: 'ring.loose',
              severity: 'warning',
              message: say`The ring’s hole of ${size(part.hole)} does not grip a cord of ${size(d)}; it will slide.`,
              remedy: 'Take a ring with a smaller hole.',
              path: 'hole',
            },
          ]
        : tight
          ? [
              {
                code: 'ring.tight',
                severity: 'warning',
                message: say`A ring with a hole of ${size(part.hole)} hardly goes over a cord of ${size(d)}.`,
                remedy: 'Take a ring with a larger hole, or wet it with soapy water and try.',
                path: 'hole',
              },
            ]
          : [],
    });
  },
  draw: (part, site, layout, { done }) => [
    ...straightRuns(site.runs, part.id, 0, layout.length, done > 0 ? 'laid' : 'planned'),
    plateOf(part.id, 'ring', part.colour, [
      roundedBox(0, -part.outer / 2, part.length, part.outer, part.length / 2),
    ]),
  ],
  inSpace: null,
  drawEdge: (part, site, layout) => [
    ...edgeCore(part.id, site, layout),
    plateOf(part.id, 'closed-ring', part.colour, [
      roundedBox(0, -(layout.thickness + part.outer) / 2, part.length, part.outer, part.length / 2),
    ]),
  ],
  steps: (part, site, _layout, first) => [
    {
      title: 'Roll the rubber ring on',
      text: `${part.name}. It should move only when pushed.`,
      units: 1,
      tied: [tiedIn('stopper-ring', [null, null, site.runs[0]], first)],
      actions: [
        {
          do: 'put-on',
          finding: part.name,
          place: part.id,
          mm: part.length,
          on: outerEnds(site.runs),
        },
      ],
      cautions: [],
    },
  ],
};
