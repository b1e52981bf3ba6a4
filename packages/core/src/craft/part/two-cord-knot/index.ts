import { laidTo } from '@coiled-strand/rope';
import { plainLayout, type PartKind } from '../../../base/kind/part-kind.js';
import { countField } from '../../../base/kind/field.js';
import { KNOT_SPREAD, useOf } from '../../../base/kind/reason.js';

import { edgeCore, edgeKnots } from '../../knot/edge.js';
import { computed } from '../../knot/source.js';
import { TWO_CORD_KNOT } from '../../knot/two-cord.js';
import { tiedIn } from '../../knot/tied.js';
import { straightUse } from '../../knot/straight.js';
import { outerEnds } from '../ends.js';
import { drawTwoCord } from './drawing.js';
import { type TwoCordPart, bundles, diameterOf } from './model.js';

export const twoCordKnot: PartKind<TwoCordPart> = {
  entry: {
    id: 'two-cord-knot',
    label: 'Snake knot',
    blurb: 'Each cord tied through the other: one as a stopper, many as a snake chain.',
    goodFor:
      'One as a stopper or a mark between beads; many as a supple round chain of two cords, without a core.',
    group: 'knots',
    unitName: 'knot',
    needsBead: false,
    seconds: 120,
    ties: 'over-each-other',
  },
  fields: [countField('units', 'Knots in a row', 1, 500)],
  make: ({ id }) => ({ id, kind: 'two-cord-knot', units: 1 }),
  fills: () => false,
  section(_part, site) {
    const d = diameterOf(site);
    return {
      width: TWO_CORD_KNOT.width * d,
      thickness: TWO_CORD_KNOT.thickness * d,
      pitch: TWO_CORD_KNOT.pitch * d,
    };
  },
  layOut(part, site) {
    const section = twoCordKnot.section(part, site);
    const d = diameterOf(site);
    const length = part.units * section.pitch;
    // Of the cord in a knot, one pitch is the length of work it lies in; the rest is the knot's own.
    const each = (TWO_CORD_KNOT.bothCords / 2 - TWO_CORD_KNOT.pitch) * d;
    const [a, b] = bundles(site);
    return plainLayout(length, section, {
      units: part.units,
      unitName: 'knot',
      uses: [
        ...straightUse(site.runs, length),
        ...site.runs.map((run) =>
          useOf(
            run,
            {
              area: 'knot',
              code: 'knot.two-cord',
              label: 'Snake knots',
              detail: 'tied through the other cord, over and above the length of the knot',
              ...computed('two-cord.cord', 'two-cord.pitch'),
              spread: KNOT_SPREAD,
            },
            each,
            part.units,
          ),
        ),
      ],
      advice:
        a.length > 0 && b.length > 0
          ? []
          : [
              {
                code: 'two-cord.cords',
                severity: 'error',
                message: 'A snake knot needs two cords.',
                remedy: 'Add a strand or fold one, or tie a stopper knot.',
                path: '',
              },
            ],
    });
  },
  draw: drawTwoCord,
  inSpace: {
    cell: () => 'two-cord.360',
    draw(part, site, layout, cell) {
      const [a, b] = bundles(site);
      if (a.length === 0 || b.length === 0) return null;
      const d = diameterOf(site);
      const { lines } = laidTo(cell, part.units, layout.length, d);
      return {
        cords: [a, b].map(([run], i) => ({
          run: run!,
          diameter: d,
          worked: { from: 0, count: part.units },
          line: lines[i]!,
        })),
        beads: [],
      };
    },
  },
  drawEdge: (part, site, layout) => [
    ...edgeCore(part.id, site, layout),
    ...edgeKnots(site.runs[0], part.id, layout),
  ],
  steps: (part, site, layout, first) => [
    {
      title: part.units === 1 ? 'Tie a snake knot' : `Tie ${part.units} snake knots`,
      text: 'Hold both cords up out of the work and look down on them.',
      units: part.units,
      unitName: 'knot',
      tied: [tiedIn('snake', bundles(site), first)],
      actions: [
        {
          do: 'tie',
          place: part.id,
          knot: { form: 'two-cord' },
          by: outerEnds(site.runs),
          mm: layout.pitch,
          times: part.units,
        },
      ],
      cautions: [],
    },
  ],
};
