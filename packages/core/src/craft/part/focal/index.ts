import { choiceField, COLOUR_FIELD, nameField, sizeField } from '../../../base/kind/field.js';
import { needOf } from '../../../base/kind/reason.js';
import { edgeCore, hangingFromEdge } from '../../knot/edge.js';
import { plateOf, roundedBox } from '../../knot/plate.js';
import { plainLayout, type PartKind } from '../../../base/kind/part-kind.js';
import { straightUse } from '../../knot/straight.js';
import { sideBySide } from '../../knot/lanes.js';
import { cordsOf, helpThrough, outerEnds } from '../ends.js';
import { drawFocal } from './drawing.js';
import { type FocalPart } from './model.js';
import type { Sits } from '../../../base/measure/ring.js';
import { say, size } from '../../../base/measure/saying.js';

export const focal: PartKind<FocalPart> = {
  entry: {
    id: 'focal',
    label: 'Bar or pendant',
    blurb: 'A rigid piece that the cords run through.',
    goodFor:
      'A bar or a pendant in the middle: it does not bend, so a piece with a long one has to be a little larger.',
    group: 'focal',
    unitName: 'piece',
    needsBead: false,
    seconds: 30,
  },
  fields: [
    nameField(),
    choiceField<FocalPart['form']>('form', 'Form', {
      bar: ['Bar', 'lies in the line of the work'],
      pendant: ['Pendant', 'hangs from it'],
    }),
    sizeField('length', 'Along the cord', 1, 150),
    sizeField('width', 'Across', 1, 120),
    sizeField('thickness', 'Thickness', 0.5, 60),
    sizeField('drop', 'Hangs down', 1, 200, (values) => values.form === 'pendant'),
    sizeField('hole', 'Hole', 0.3, 40),
    choiceField<Sits>(
      'sits',
      'Lies on',
      {
        flat: ['The flat side', 'on top of the wrist or under it'],
        narrow: ['The narrow side', 'beside the thumb'],
        round: ['A round limb', 'with no flat side'],
      },
      { optional: true, when: (values) => values.form === 'bar' },
    ),
    COLOUR_FIELD,
  ],
  make: ({ id }) => ({
    id,
    kind: 'focal',
    name: 'Focal bar',
    form: 'bar',
    length: 35,
    width: 8,
    thickness: 5,
    drop: 30,
    hole: 4,
    colour: '#8d9499',
  }),
  fills: () => false,
  section: (part, site) => ({
    width: Math.max(part.form === 'bar' ? part.width : 0, sideBySide(site.runs).width),
    thickness: part.thickness,
    pitch: part.length,
  }),
  layOut(part, site) {
    return plainLayout(part.length, focal.section(part, site), {
      unitName: part.form,
      round:
        part.form === 'bar'
          ? [
              {
                kind: 'rigid',
                length: part.length,
                height: part.thickness / 2,
                sits: part.sits ?? 'flat',
              },
            ]
          : [
              {
                kind: 'flexible',
                length: part.length,
                height: sideBySide(site.runs).thickness / 2,
              },
            ],
      uses: straightUse(site.runs, part.length),
      passages: [{ what: part.name, finding: part.name, hole: part.hole, runs: [...site.runs] }],
      needs: [needOf(part.name)],
    });
  },
  draw: drawFocal,
  inSpace: null,
  drawEdge: (part, site, layout) => [
    ...edgeCore(part.id, site, layout),
    part.form === 'bar'
      ? plateOf(part.id, 'closed-bar', part.colour, [
          roundedBox(0, -part.thickness, part.length, part.thickness, part.thickness / 2),
        ])
      : hangingFromEdge(part, layout, part.thickness, part.drop),
  ],
  steps: (part, site) => [
    {
      title: `Thread ${part.name}`,
      text:
        part.form === 'bar'
          ? say`Pass ${site.runs.length > 1 ? 'all cords' : 'the cord'} through the bar (${size(part.length)} long) and bring it to its place; check that its outside faces out.`
          : `Pass ${site.runs.length > 1 ? 'all cords' : 'the cord'} through its eye, so that its face looks forward.`,
      units: 1,
      actions: [
        {
          do: 'put-on',
          finding: part.name,
          place: part.id,
          mm: part.length,
          on: outerEnds(site.runs),
          ...helpThrough(part.hole, cordsOf(site.runs)),
        },
      ],
      cautions: [],
    },
  ],
};
