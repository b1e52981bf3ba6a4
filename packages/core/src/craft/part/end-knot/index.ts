import { knotInSpace } from '@coiled-strand/rope';
import { plainLayout, type PartBase, type PartKind } from '../../../base/kind/part-kind.js';
import { formField } from '../../../base/kind/field.js';
import { KNOT_SPREAD, useOf, type Use } from '../../../base/kind/reason.js';
import {
  END_KNOT_FORMS,
  END_KNOTS,
  endKnotSize,
  DRAW_UP_END_KNOTS,
  tiedEndKnot,
  type EndKnotForm,
} from '../../knot/end-knots.js';

import { edgeCore, edgeKnots } from '../../knot/edge.js';
import { sideBySide } from '../../knot/lanes.js';
import { turksHeadStrokes } from '../../knot/round-drawing.js';
import { straightUse } from '../../knot/straight.js';
import { moved, straightRuns } from '../../knot/stroke.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import { oneOf } from '../../../base/measure/plural.js';
import { inSentence, say } from '../../../base/measure/saying.js';
import type { Run } from '../../../base/kind/run.js';
import { outerEnds } from '../ends.js';
import { bulkyEnds, endKnotSource } from './model.js';

/** A bulky knot of all ends together: a button to close with, or a fine end. */
export interface EndKnotPart extends PartBase {
  readonly kind: 'end-knot';
  readonly form: EndKnotForm;
}

const diameter = (runs: readonly Run[]): number =>
  Math.max(0.1, ...runs.map((run) => effectiveDiameter(run.cord)));

export const endKnot: PartKind<EndKnotPart> = {
  entry: {
    id: 'end-knot',
    label: 'Bulky end knot',
    blurb: 'A diamond knot or a carrick bend of all ends: a button, or a fine end.',
    goodFor:
      'A fine end of all cords, and a button that a loop goes over. It wants patience to draw tight evenly.',
    group: 'knots',
    unitName: 'knot',
    needsBead: false,
    seconds: 240,
  },
  fields: [formField('form', 'Knot', END_KNOT_FORMS, END_KNOTS)],
  make: ({ id }) => ({ id, kind: 'end-knot', form: 'diamond' }),
  fills: () => false,
  section(part, site) {
    const d = diameter(site.runs);
    const { width, thickness, length } = endKnotSize(part.form, Math.max(2, site.runs.length));
    return {
      width: Math.max(width * d, sideBySide(site.runs).width),
      thickness: thickness * d,
      pitch: length * d,
    };
  },
  layOut(part, site) {
    const section = endKnot.section(part, site);
    const { label, cords } = END_KNOTS[part.form];
    const n = site.runs.length;
    const uses = site.runs.flatMap((run): Use[] => {
      const d = effectiveDiameter(run.cord);
      const inside = Math.max(0, endKnotSize(part.form, Math.max(2, n)).inKnot * d - section.pitch);
      return [
        useOf(
          run,
          {
            area: 'knot',
            code: 'knot.bulky',
            label,
            detail: 'over and above its length',
            spread: KNOT_SPREAD,
            ...endKnotSource(part.form, n),
          },
          inside,
        ),
      ];
    });
    return plainLayout(section.pitch, section, {
      unitName: 'knot',
      uses: [
        ...straightUse(site.runs, section.pitch),
        ...uses,
        ...bulkyEnds(site.runs, site, part.form),
      ],
      advice:
        n >= cords[0] && n <= cords[1]
          ? []
          : [
              {
                code: 'end-knot.cords',
                severity: 'error',
                message: say`A ${inSentence(label)} is tied with ${cords[0]} to ${cords[1]} ends; there are ${n} here.`,
                remedy: n < cords[0] ? 'Add a strand, or fold one.' : 'Choose a stopper knot.',
                path: 'form',
              },
            ],
    });
  },
  draw(part, site, layout, { done }) {
    const state = done > 0 ? 'laid' : 'planned';
    const d = diameter(site.runs);
    const head = turksHeadStrokes(
      { leads: 3, bights: 4, passes: 1 },
      part.form === 'diamond' ? 1.6 : 1.2,
      d,
      site.runs,
      part.id,
      state,
    );
    return [
      ...straightRuns(site.runs, part.id, 0, layout.length, state),
      ...moved(head, layout.length / 2),
    ];
  },
  inSpace: {
    cell: (part, site) =>
      part.form === 'carrick' ? 'carrick' : `diamond.${Math.min(4, site.runs.length)}`,
    draw(_part, site, layout, cell) {
      if (cell.strands.length !== site.runs.length) return null;
      const d = diameter(site.runs);
      return {
        cords: knotInSpace(cell, d, layout.length).map((line, i) => ({
          run: site.runs[i]!,
          worked: { from: 0, count: 1 },
          line,
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
      title: `Tie ${oneOf(END_KNOTS[part.form].label)}`,
      text: `${DRAW_UP_END_KNOTS[part.form]} Do not trim before it is firm and lies where it should.`,
      units: 1,
      unitName: 'knot',
      tied: [tiedEndKnot(part.form, site.runs, first)],
      actions: [
        {
          do: 'tie',
          place: part.id,
          knot: { form: 'bulky', knot: part.form, ends: Math.max(2, site.runs.length) },
          by: outerEnds(site.runs),
          mm: layout.pitch,
        },
      ],
      cautions: [],
    },
  ],
};
