import { countField } from '../../../base/kind/field.js';
import { plainLayout, type PartKind, type PartSite } from '../../../base/kind/part-kind.js';
import { straightUse } from '../../knot/straight.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import { byUnit, cordsOf, helpThrough, legsOf, outerEnds } from '../ends.js';
import { otherSide } from '../../../base/measure/side.js';
import { drawAlternating } from './drawing.js';
import { alternatingLength, periodIn, type AlternatingPart, type Period } from './model.js';
import { countOf } from '../../../base/measure/plural.js';
import { onSide, say, size } from '../../../base/measure/saying.js';

/** What sets the length of a bead, in words. */
const LIMITS: Readonly<Record<Period['limit'], string>> = {
  measured: 'as you measured five',
  'along one cord': 'the beads nest, and bead and rings along one cord set it',
  pinched: 'the ring holds cord between bead and wire, and the beads apart (computed)',
  'bead against bead': 'the ring is wide enough for the beads to touch (computed)',
};

/** Diameter in mm of one of both cords. */
const cordIn = (site: PartSite): number =>
  site.runs[0] ? effectiveDiameter(site.runs[0].cord) : 1;

export const alternatingBeads: PartKind<AlternatingPart> = {
  entry: {
    id: 'alternating-beads',
    label: 'Alternating beads',
    blurb: 'Beads from cord to cord, a ring over both after each.',
    goodFor: 'A firm, jewelled band without knotting: two cords go through ring and bead by turns.',
    group: 'beads',
    unitName: 'bead',
    needsBead: true,
    seconds: 15,
  },
  fields: [
    { type: 'bead', key: 'bead', label: 'Bead' },
    { type: 'bead', key: 'ring', label: 'Ring' },
    countField('count', 'Beads', 1, 300),
    {
      type: 'length',
      key: 'five',
      label: 'Five of mine measure, with their rings',
      min: 3,
      max: 400,
      small: true,
      open: 'not measured',
      optional: true,
    },
  ],
  make: ({ id, bead }) => ({ id, kind: 'alternating-beads', bead, ring: bead, count: 6 }),
  fills: () => false,
  section(part, site) {
    const bead = site.bead(part.bead);
    const ring = site.bead(part.ring);
    const period = periodIn(part, bead, ring, cordIn(site));
    return {
      width: bead.height + period.offset,
      thickness: Math.max(bead.height, ring.height),
      pitch: period.mm,
    };
  },
  layOut(part, site) {
    const bead = site.bead(part.bead);
    const ring = site.bead(part.ring);
    const [one, two] = site.runs;
    const period = periodIn(part, bead, ring, cordIn(site));
    const section = alternatingBeads.section(part, site);
    const sizes = { bead: bead.length, wire: ring.length };
    const length = alternatingLength(sizes, period.mm, part.count);
    const first = bead.length / 2;
    return plainLayout(length, section, {
      units: part.count,
      unitName: 'bead',
      round: [{ kind: 'beads', length, height: bead.height / 2, count: part.count }],
      uses: straightUse(site.runs, length),
      beads: Array.from({ length: part.count }, (_, i) => [
        {
          id: part.bead,
          at: first + i * period.mm,
          run: i % 2,
          on: site.runs.slice(i % 2, (i % 2) + 1).map((run) => run.index),
          inRow: true as const,
        },
        {
          id: part.ring,
          at: first + i * period.mm + (bead.length + ring.length) / 2,
          on: site.runs.map((run) => run.index),
          spacer: true as const,
          inRow: true as const,
        },
      ]).flat(),
      passages: [
        { what: bead.name, hole: bead.hole, runs: one ? [one] : [] },
        { what: ring.name, hole: ring.hole, runs: one && two ? [one, two] : [...site.runs] },
      ],
      advice: [
        ...(site.runs.length === 2
          ? []
          : [
              {
                code: 'alternating.cords',
                severity: 'error' as const,
                message: `Beads alternate on two cords; there are ${site.runs.length} here.`,
                remedy: 'Fold one strand, or take two.',
                path: '',
              },
            ]),
        {
          code: 'alternating.period',
          severity: 'note',
          message: say`Each bead takes ${size(period.mm)}: ${LIMITS[period.limit]}.`,
          remedy:
            'String five of your own with their rings, pull both cords taut, measure from the first bead to the last ring and enter that.',
          path: 'five',
        },
      ],
    });
  },
  draw: drawAlternating,
  withUnits: (part, count) => ({ ...part, count }),
  inSpace: null,
  steps(part, site, layout, firstSide) {
    const bead = site.bead(part.bead);
    const ring = site.bead(part.ring);
    return [
      {
        title: `String ${countOf(part.count, 'bead')} from cord to cord`,
        text: 'A bead on one cord, then a ring over both, pushed up until they sit; the next bead goes on the other cord. Pull both cords equally tight.',
        units: part.count,
        unitName: 'bead',
        unitText: (unit) =>
          say`${bead.name} on the ${onSide(unit % 2 === 0 ? firstSide : otherSide(firstSide))} cord, then ${ring.name} over both`,
        ...byUnit(part.count, (unit) => [
          {
            do: 'string',
            place: part.id,
            bead: part.bead,
            // From the second on, beads nest between their neighbours.
            mm: unit === 0 ? bead.length : layout.pitch - ring.length,
            on: outerEnds(site.runs.slice(unit % 2, (unit % 2) + 1)),
            beside: legsOf(site.runs.filter((_, i) => i !== unit % 2)),
          },
          {
            do: 'string',
            place: part.id,
            bead: part.ring,
            mm: ring.length,
            on: outerEnds(site.runs),
            ...helpThrough(ring.hole, cordsOf(site.runs)),
          },
        ]),
        sideOf: (unit, first) => (unit % 2 === 0 ? first : otherSide(first)),
        cautions: [],
      },
    ];
  },
};
