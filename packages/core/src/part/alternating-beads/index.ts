import { countField } from '../../kind/field.js';
import { plainLayout, type PartKind } from '../../kind/part-kind.js';
import { sideBySide } from '../../knot/lanes.js';
import { straightUse } from '../../knot/straight.js';
import { effectiveDiameter } from '../../material/cord.js';
import { byUnit, cordsOf, helpThrough, legsOf, outerEnds } from '../ends.js';
import { otherSide } from '../../measure/side.js';
import { drawAlternating } from './drawing.js';
import { type AlternatingPart, periodOf, offsetOf } from './model.js';
import { countOf } from '../../measure/plural.js';
import { onSide, say, size } from '../../measure/saying.js';

export const alternatingBeads: PartKind<AlternatingPart> = {
  entry: {
    id: 'alternating-beads',
    label: 'Alternating beads',
    blurb: 'Beads from cord to cord, a ring over both after each.',
    group: 'beads',
    unitName: 'bead',
    needsBead: true,
    seconds: 15,
  },
  fields: [
    { type: 'bead', key: 'bead', label: 'Bead' },
    { type: 'bead', key: 'ring', label: 'Ring' },
    countField('count', 'Beads', 1, 300),
  ],
  make: ({ id, bead }) => ({ id, kind: 'alternating-beads', bead, ring: bead, count: 6 }),
  fills: () => false,
  section(part, site) {
    const bead = site.bead(part.bead);
    const d = sideBySide(site.runs).thickness;
    return {
      width: bead.height + 2 * offsetOf(bead, d),
      thickness: Math.max(bead.height, site.bead(part.ring).height),
      pitch: periodOf(bead.length, site.bead(part.ring).length, offsetOf(bead, d)).mm,
    };
  },
  layOut(part, site) {
    const bead = site.bead(part.bead);
    const ring = site.bead(part.ring);
    const [one, two] = site.runs;
    const d = one ? effectiveDiameter(one.cord) : 1;
    const period = periodOf(bead.length, ring.length, offsetOf(bead, d));
    const section = alternatingBeads.section(part, site);
    // The first bead and the last ring stand out by half a bead and half a ring.
    const length = part.count * period.mm + Math.max(0, bead.length + ring.length - period.mm);
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
          message: say`Each bead takes ${size(period.mm)}: ${period.limit === 'along one cord' ? 'the beads nest, and bead and rings along one cord set it' : 'the beads of the two cords touch'}.`,
          remedy:
            'Measure five beads of your own and enter the bead’s length from it to correct this.',
          path: 'bead',
        },
      ],
    });
  },
  draw: drawAlternating,
  withUnits: (part, count) => ({ ...part, count }),
  steps(part, site, layout, firstSide) {
    const bead = site.bead(part.bead);
    const ring = site.bead(part.ring);
    return [
      {
        title: `String ${countOf(part.count, 'bead')} from cord to cord`,
        text: `String ${bead.name} on one cord, then ${ring.name} over both cords, and push both up until they sit; the next bead goes on the other cord. Pull both cords equally tight after every ring.`,
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
