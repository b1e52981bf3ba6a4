import { stopperSource } from '../../knot/source.js';
import { plainLayout, type PartKind } from '../../../base/kind/part-kind.js';
import { choiceField, COLOUR_FIELD, nameField, sizeField } from '../../../base/kind/field.js';
import { CAUTIONS } from '../../../base/kind/cautions.js';
import { GLUE_CURES } from '../../../base/kind/waits.js';
import { KNOT_SPREAD, needOf, useOf } from '../../../base/kind/reason.js';
import { edgeCore, hangingFromEdge } from '../../knot/edge.js';
import { loopCord } from '../../knot/loop.js';
import { passingSize, stopper } from '../../knot/stopper.js';
import { tiedIn } from '../../knot/tied.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import { cordsOf, helpThrough, outerEnds, startEnds } from '../ends.js';
import { bundleOfRuns } from '../pick.js';
import { drawStone } from './drawing.js';
import { shapeOf, slips, type StonePart } from './model.js';
import { beadNamed, laid, say, size, term } from '../../../base/measure/saying.js';

export const stone: PartKind<StonePart> = {
  entry: {
    id: 'stone',
    label: 'Stone in a loop',
    blurb: 'A stone or heart caught in a loop of the cord, a bead over the knot.',
    goodFor: 'A polished stone or a heart, caught at its waist or a notch so that it hangs flat.',
    group: 'focal',
    unitName: 'stone',
    needsBead: true,
    seconds: 600,
    fromMiddle: true,
  },
  fields: [
    nameField(),
    sizeField('girth', 'Girth at the loop', 8, 300),
    sizeField('above', 'Largest girth above it', 1, 300),
    sizeField('height', 'Height', 4, 120),
    sizeField('width', 'Width', 3, 100),
    sizeField('thickness', 'Thickness', 1, 60),
    sizeField('rise', 'From loop to knot', 0, 80),
    choiceField<'loop' | 'glue'>(
      'setting',
      'It is held by',
      { loop: 'The loop alone', glue: ['The loop and glue', 'one drop, under the loop'] },
      { optional: true },
    ),
    { type: 'bead', key: 'bead', label: 'Bead over the knot' },
    COLOUR_FIELD,
  ],
  make: ({ id, bead }) => ({
    id,
    kind: 'stone',
    name: 'Polished drop',
    girth: 44,
    above: 48,
    height: 26,
    width: 18,
    thickness: 9,
    rise: 8,
    bead,
    colour: '#8fa3a8',
  }),
  fills: () => false,
  section: (part, site) => {
    const d = bundleOfRuns(site.runs);
    return { width: Math.max(3 * d, part.width), thickness: d, pitch: 2 * d };
  },
  layOut(part, site) {
    const section = stone.section(part, site);
    const bead = site.bead(part.bead);
    const length = section.pitch;
    return plainLayout(length, section, {
      unitName: 'stone',
      beads: [{ id: part.bead, at: length / 2, on: site.runs.map((run) => run.index) }],
      passages: [
        // Both tails of every run rise through the bead.
        { what: bead.name, hole: bead.hole, runs: [...site.runs, ...site.runs] },
      ],
      needs: [needOf(part.name)],
      uses: site.runs.flatMap((run) => {
        const d = effectiveDiameter(run.cord);
        const up = part.rise + bead.length;
        return [
          useOf(
            run,
            {
              area: 'start',
              code: 'start.stone',
              label: 'Loop round the stone',
              detail: say`its girth of ${laid(part.girth)} and π × the cord, along its middle`,
            },
            loopCord(part.girth, d),
          ),
          useOf(
            run,
            {
              area: 'start',
              code: 'start.rise',
              label: 'Up to the knot and through the bead',
              detail: 'both tails',
            },
            up,
            2,
          ),
          useOf(
            run,
            {
              area: 'knot',
              code: 'knot.stone',
              label: 'Knot over the stone',
              detail: 'an overhand knot in both tails together',
              ...stopperSource('overhand', [run, run]),
              spread: KNOT_SPREAD,
            },
            2 * stopper('overhand', [d, d]).inKnot,
          ),
        ];
      }),
      advice: [...shapeOf(part), ...slips(part)],
    });
  },
  draw: drawStone,
  inSpace: null,
  drawEdge: (part, site, layout) => [
    ...edgeCore(part.id, site, layout),
    hangingFromEdge(part, layout, part.thickness, part.height),
  ],
  steps(part, site, layout, first) {
    const tails = [...startEnds(site.runs), ...outerEnds(site.runs)];
    const bead = site.bead(part.bead);
    const glued = part.setting === 'glue';
    const hides = site.runs.every(({ cord }) => passingSize('overhand', [cord, cord]) <= bead.hole);
    return [
      {
        title: `Lay a loop round ${part.name} at the mark`,
        text: say`The marked place of the cord lies against the stone where it is ${laid(part.girth)} round.${glued ? ' Put a drop of glue under it.' : ''} Draw both ${term('tail', 'tails')} together ${laid(part.rise)} above.`,
        units: 1,
        tied: [tiedIn('stone-loop', [null, site.runs[0]], first)],
        actions: [
          {
            do: 'tie',
            place: part.id,
            knot: {
              form: 'catch',
              girth: part.girth,
              rise: part.rise + bead.length,
              ...(glued ? { glued } : {}),
            },
            by: outerEnds(site.runs),
            mm: 0,
            to: part.name,
          },
          ...(glued
            ? [{ do: 'wait' as const, for: 'glue' as const, minutes: GLUE_CURES.minutes }]
            : []),
        ],
        cautions: glued ? [CAUTIONS.glue] : [],
      },
      {
        title: `Close the loop round ${part.name}`,
        text: 'Tie one overhand knot in both tails together, close on the stone. Pull at it: the loop must not turn or slip.',
        units: 1,
        tied: [tiedIn('overhand', [[...site.runs, ...site.runs]], first)],
        actions: [
          {
            do: 'tie',
            place: part.id,
            knot: { form: 'catch-knot' },
            by: outerEnds(site.runs),
            mm: layout.length,
          },
        ],
        cautions: [],
      },
      {
        title: hides
          ? say`String ${beadNamed(part.bead, bead)} over the knot`
          : say`String ${beadNamed(part.bead, bead)} down to the knot`,
        text: hides
          ? 'Pass both tails through the bead and push it down until it hides the knot.'
          : say`Pass both tails through the bead and push it down on the knot. It does not go over it: the knot is wider than its hole of ${size(bead.hole)}.`,
        units: 1,
        actions: [
          {
            do: 'string',
            place: part.id,
            bead: part.bead,
            mm: 0,
            on: tails,
            ...helpThrough(bead.hole, cordsOf([...site.runs, ...site.runs])),
          },
        ],
        cautions: [],
      },
    ];
  },
};
