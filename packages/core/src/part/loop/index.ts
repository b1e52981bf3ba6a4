import { plainLayout, type PartKind } from '../../kind/part-kind.js';
import { KNOT_SPREAD, type Use } from '../../kind/reason.js';
import { loopCord } from '../../knot/loop.js';
import { sideBySide } from '../../knot/lanes.js';
import { stopper } from '../../knot/stopper.js';
import { effectiveDiameter } from '../../material/cord.js';
import { bundleOfRuns, mm } from '../pick.js';
import { drawLoop } from './drawing.js';
import { type LoopPart, TURNED_BACK } from './model.js';

export type { LoopPart } from './model.js';

export const loop: PartKind<LoopPart> = {
  entry: {
    id: 'loop',
    label: 'Loop',
    blurb: 'For a clasp, a button or a knot; shut by a knot in all cords.',
    group: 'cord',
    unitName: 'loop',
    needsBead: false,
    seconds: 90,
  },
  fields: [
    { type: 'length', key: 'perimeter', label: 'Way round inside', min: 4, max: 300, small: true },
  ],
  make: ({ id }) => ({ id, kind: 'loop', perimeter: 24 }),
  fills: () => false,
  section: (_part, site) => ({ ...sideBySide(site.runs), pitch: 1 }),
  layOut(part, site) {
    const reach = part.perimeter / 2;
    const atFold = site.first && site.runs.every((run) => run.folded);
    const bundle = bundleOfRuns(site.runs);
    // A single cord comes back beside itself, so that the knot is tied in it twice over.
    const knot = stopper('overhand', atFold ? bundle : 2 * bundle);
    const length = reach + knot.length;
    const section = {
      width: Math.max(part.perimeter / Math.PI, knot.width),
      thickness: knot.width,
      pitch: length,
    };
    const uses: Use[] = site.runs.flatMap((run): Use[] => {
      const d = effectiveDiameter(run.cord);
      const round = loopCord(part.perimeter, d);
      const ends = atFold ? 1 : 2;
      const at = { strand: run.strand, half: run.half };
      return [
        {
          ...at,
          reason: {
            code: 'start.loop',
            label: atFold ? 'Half of the loop' : 'Loop',
            detail: 'the way round inside and π × the cord, along its middle',
            mm: atFold ? round / 2 : round,
          },
        },
        {
          ...at,
          reason: {
            code: 'knot.loop',
            label: 'Knot that shuts the loop',
            detail: 'an overhand knot in all cords together, taken as one thick cord',
            mm: ends * (knot.uses + knot.length),
            assumed: true,
            spread: KNOT_SPREAD,
          },
        },
        ...(atFold
          ? []
          : [
              {
                ...at,
                reason: {
                  code: 'end.turned-back',
                  label: 'End of the loop',
                  detail: 'left below the knot, trimmed afterwards',
                  mm: TURNED_BACK,
                },
              },
            ]),
      ];
    });
    return plainLayout(length, section, {
      unitName: 'loop',
      round: [
        { kind: 'flexible', length: reach, height: effectiveDiameter(site.runs[0]!.cord) / 2 },
        { kind: 'flexible', length: knot.length, height: knot.width / 2 },
      ],
      uses,
      advice:
        site.first || site.last
          ? []
          : [
              {
                code: 'loop.place',
                severity: 'error',
                message: 'A loop can only be at the start or at the end.',
                remedy: 'Move it to an end of the piece.',
                path: '',
              },
            ],
    });
  },
  draw: drawLoop,
  steps: (part, site) => [
    {
      title: `Make a loop, ${mm(part.perimeter)} round inside`,
      text:
        site.first && site.runs.every((run) => run.folded)
          ? 'Lay all folds together and tie one overhand knot across all cords, so that the loop is left as long as planned. Try what it is for before you pull the knot tight.'
          : 'Turn the end back beside its own cord and tie one overhand knot in both together. Try what the loop is for before you pull the knot tight.',
      units: 1,
      cautions: [],
    },
  ],
};
