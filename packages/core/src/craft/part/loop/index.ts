import { stopperSource } from '../../knot/source.js';
import { sizeField } from '../../../base/kind/field.js';
import { plainLayout, type PartKind, type PartSite } from '../../../base/kind/part-kind.js';
import { PRACTICE, KNOT_SPREAD, useOf, type Use } from '../../../base/kind/reason.js';
import { loopCord } from '../../knot/loop.js';
import { sideBySide } from '../../knot/lanes.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import { outerEnds, startEnds } from '../ends.js';
import { tiedLoop } from '../../knot/tied.js';
import { knotInRuns } from '../pick.js';
import { drawLoop } from './drawing.js';
import { type LoopPart, TURNED_BACK } from './model.js';
import { laid, say } from '../../../base/measure/saying.js';

/** Whether it is a loop of folds; single cords beside them are caught in its knot. */
const madeOfFolds = (site: PartSite): boolean => site.first && site.runs.some((run) => run.folded);

export const loop: PartKind<LoopPart> = {
  entry: {
    id: 'loop',
    label: 'Loop',
    blurb: 'For a clasp, a button or a knot; shut by a knot in all cords.',
    goodFor: 'The eye that a clasp, a button or a knot goes into.',
    group: 'cord',
    unitName: 'loop',
    needsBead: false,
    seconds: 90,
    forClosure: true,
  },
  fields: [sizeField('perimeter', 'Inside circumference', 4, 300)],
  make: ({ id }) => ({ id, kind: 'loop', perimeter: 24 }),
  fills: () => false,
  section: (_part, site) => ({ ...sideBySide(site.runs), pitch: 1 }),
  layOut(part, site) {
    const reach = part.perimeter / 2;
    const atFold = madeOfFolds(site);
    // A single cord comes back beside itself, so that the knot is tied in it twice over.
    const knot = knotInRuns('overhand', atFold ? site.runs : [...site.runs, ...site.runs]);
    const length = reach + knot.length;
    const section = {
      width: Math.max(part.perimeter / Math.PI, knot.width),
      thickness: knot.width,
      pitch: length,
    };
    const uses: Use[] = site.runs.flatMap((run): Use[] => {
      const round = loopCord(part.perimeter, effectiveDiameter(run.cord));
      // Beside folds a single cord goes no way round: its end is caught in their knot.
      const caught = atFold && !run.folded;
      return [
        ...(caught
          ? []
          : [
              useOf(
                run,
                {
                  area: 'start',
                  code: 'start.loop',
                  label: atFold ? 'Half of the loop' : 'Loop',
                  detail: 'the way round inside and π × the cord, along its middle',
                },
                atFold ? round / 2 : round,
              ),
            ]),
        useOf(
          run,
          {
            area: 'knot',
            code: 'knot.loop',
            label: 'Knot that shuts the loop',
            detail: 'an overhand knot in all cords together',
            ...stopperSource('overhand', site.runs),
            spread: KNOT_SPREAD,
          },
          (atFold ? 1 : 2) * knot.inKnot,
        ),
        ...(atFold && !caught
          ? []
          : [
              useOf(
                run,
                {
                  area: 'end',
                  code: 'end.turned-back',
                  label: 'End of the loop',
                  detail: 'left below the knot, trimmed afterwards',
                  ...PRACTICE,
                },
                TURNED_BACK,
              ),
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
  inSpace: null,
  steps(part, site, layout, first) {
    const atFold = madeOfFolds(site);
    return [
      {
        title: say`Make a loop, ${laid(part.perimeter)} round inside`,
        text: atFold
          ? 'Clip all folds side by side and tie one knot across all cords. Try what the loop is for before you pull the knot tight.'
          : 'Turn the end back beside its own cord, and tie one knot in both together with the fold.',
        units: 1,
        tied: [tiedLoop(!atFold, site.runs, first)],
        actions: [
          {
            do: 'tie',
            place: part.id,
            knot: {
              form: 'loop',
              perimeter: part.perimeter,
              of: atFold ? 'fold' : 'turned-end',
              knots: 1,
              loops: 1,
            },
            by: !site.first
              ? outerEnds(site.runs)
              : [...outerEnds(site.runs.filter((run) => run.folded)), ...startEnds(site.runs)],
            mm: layout.length,
          },
        ],
        cautions: [],
      },
    ];
  },
};
