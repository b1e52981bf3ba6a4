import { plainLayout, type PartKind } from '../../kind/part-kind.js';
import { KNOT_SPREAD } from '../../kind/reason.js';
import { loopCord } from '../../knot/loop.js';
import { stopper } from '../../knot/stopper.js';
import { effectiveDiameter } from '../../material/cord.js';
import { bundleOfRuns, mm } from '../pick.js';
import { drawStone } from './drawing.js';
import { type StonePart, slips } from './model.js';

export type { StonePart } from './model.js';

export const stone: PartKind<StonePart> = {
  entry: {
    id: 'stone',
    label: 'Stone in a loop',
    blurb: 'A stone or heart caught in a loop of the cord, a bead over the knot.',
    group: 'focal',
    unitName: 'stone',
    needsBead: true,
    seconds: 600,
  },
  fields: [
    { type: 'text', key: 'name', label: 'Name' },
    { type: 'length', key: 'girth', label: 'Girth at the loop', min: 8, max: 300, small: true },
    {
      type: 'length',
      key: 'above',
      label: 'Largest girth above it',
      min: 1,
      max: 300,
      small: true,
    },
    { type: 'length', key: 'height', label: 'Height', min: 4, max: 120, small: true },
    { type: 'length', key: 'width', label: 'Width', min: 3, max: 100, small: true },
    { type: 'length', key: 'thickness', label: 'Thickness', min: 1, max: 60, small: true },
    { type: 'length', key: 'rise', label: 'From loop to knot', min: 0, max: 80, small: true },
    { type: 'bead', key: 'bead', label: 'Bead over the knot' },
    { type: 'colour', key: 'colour', label: 'Colour' },
  ],
  make: ({ id, bead }) => ({
    id,
    kind: 'stone',
    name: 'Polished drop',
    girth: 52,
    above: 56,
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
      beads: [{ id: part.bead, at: length / 2 }],
      passages: [
        // Both tails of every run rise through the bead.
        { what: bead.name, hole: bead.hole, runs: [...site.runs, ...site.runs] },
      ],
      needs: [{ label: part.name, count: 1 }],
      uses: site.runs.flatMap((run) => {
        const d = effectiveDiameter(run.cord);
        const at = { strand: run.strand, half: run.half };
        return [
          {
            ...at,
            reason: {
              code: 'start.stone',
              label: 'Loop round the stone',
              detail: `its girth of ${mm(part.girth)} and π × the cord, along its middle`,
              mm: loopCord(part.girth, d),
            },
          },
          {
            ...at,
            reason: {
              code: 'start.rise',
              label: 'Up to the knot and through the bead',
              detail: 'both tails',
              mm: 2 * (part.rise + bead.length),
              times: { count: 2, each: part.rise + bead.length },
            },
          },
          {
            ...at,
            reason: {
              code: 'knot.stone',
              label: 'Knot over the stone',
              detail: 'an overhand knot in both tails together',
              mm: 2 * stopper('overhand', 2 * d).inKnot,
              assumed: true,
              spread: KNOT_SPREAD,
            },
          },
        ];
      }),
      advice: slips(part),
    });
  },
  draw: drawStone,
  steps: (part, site) => [
    {
      title: `Catch ${part.name} in the middle of the cord`,
      text: `Lay the middle of the cord round the stone where it is ${mm(part.girth)} round and draw it together ${mm(part.rise)} above. Tie one overhand knot in both tails, close on the stone, and pull at it: it must not turn or slip.`,
      units: 1,
      cautions: [],
    },
    {
      title: `String ${site.bead(part.bead).name} over the knot`,
      text: 'Pass both tails through the bead and push it down until it hides the knot.',
      units: 1,
      cautions: [],
    },
  ],
};
