import { plainLayout, type PartBase, type PartKind } from '../../kind/part-kind.js';
import { plateOf, roundedBox } from '../../knot/plate.js';
import { straightUse } from '../../knot/straight.js';
import { straightRuns } from '../../knot/stroke.js';
import { bundleOfRuns, mm } from '../pick.js';

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
    label: 'Stopper ring',
    blurb: 'Grips a thick cord and keeps a slider in its place.',
    group: 'focal',
    unitName: 'ring',
    needsBead: false,
    seconds: 20,
  },
  fields: [
    { type: 'text', key: 'name', label: 'Name' },
    { type: 'length', key: 'length', label: 'Along the cord', min: 0.5, max: 40, small: true },
    { type: 'length', key: 'outer', label: 'Across', min: 1, max: 60, small: true },
    { type: 'length', key: 'hole', label: 'Hole', min: 0.3, max: 40, small: true },
    { type: 'colour', key: 'colour', label: 'Colour' },
  ],
  make: ({ id, cord }) => ({
    id,
    kind: 'stopper-ring',
    name: 'Rubber ring',
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
      needs: [{ label: part.name, count: 1 }],
      advice: loose
        ? [
            {
              code: 'ring.loose',
              severity: 'warning',
              message: `The ring’s hole of ${mm(part.hole)} does not grip a cord of ${mm(d)}; it will slide.`,
              remedy: 'Take a ring with a smaller hole.',
              path: 'hole',
            },
          ]
        : tight
          ? [
              {
                code: 'ring.tight',
                severity: 'warning',
                message: `A ring with a hole of ${mm(part.hole)} hardly goes over a cord of ${mm(d)}.`,
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
  steps: (part) => [
    {
      title: `Roll ${part.name} on`,
      text: 'Roll the ring over the end of the cord to its place; it should move only when pushed.',
      units: 1,
      cautions: [],
    },
  ],
};
