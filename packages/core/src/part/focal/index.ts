import { plainLayout, type PartKind } from '../../kind/part-kind.js';
import { straightUse } from '../../knot/straight.js';
import { sideBySide } from '../../knot/lanes.js';
import { mm } from '../pick.js';
import { drawFocal } from './drawing.js';
import { type FocalPart } from './model.js';

export type { FocalPart } from './model.js';

export const focal: PartKind<FocalPart> = {
  entry: {
    id: 'focal',
    label: 'Bar or pendant',
    blurb: 'A rigid piece that the cords run through.',
    group: 'focal',
    unitName: 'piece',
    needsBead: false,
    seconds: 30,
  },
  fields: [
    { type: 'text', key: 'name', label: 'Name' },
    {
      type: 'choice',
      key: 'form',
      label: 'Form',
      choices: [
        { id: 'bar', label: 'Bar', blurb: 'lies in the line of the work' },
        { id: 'pendant', label: 'Pendant', blurb: 'hangs from it' },
      ],
    },
    { type: 'length', key: 'length', label: 'Along the cord', min: 1, max: 150, small: true },
    { type: 'length', key: 'width', label: 'Across', min: 1, max: 120, small: true },
    { type: 'length', key: 'thickness', label: 'Thickness', min: 0.5, max: 60, small: true },
    {
      type: 'length',
      key: 'drop',
      label: 'Hangs down',
      min: 1,
      max: 200,
      small: true,
      when: (values) => values.form === 'pendant',
    },
    { type: 'length', key: 'hole', label: 'Hole', min: 0.3, max: 40, small: true },
    { type: 'colour', key: 'colour', label: 'Colour' },
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
          ? [{ kind: 'rigid', length: part.length, height: part.thickness / 2 }]
          : [
              {
                kind: 'flexible',
                length: part.length,
                height: sideBySide(site.runs).thickness / 2,
              },
            ],
      uses: straightUse(site.runs, part.length),
      passages: [{ what: part.name, hole: part.hole, runs: [...site.runs] }],
      needs: [{ label: part.name, count: 1 }],
    });
  },
  draw: drawFocal,
  steps: (part, site) => [
    {
      title: `Thread ${part.name}`,
      text:
        part.form === 'bar'
          ? `Pass ${site.runs.length > 1 ? 'all cords' : 'the cord'} through the bar (${mm(part.length)} long) and bring it to its place; check that its outside faces out.`
          : `Pass ${site.runs.length > 1 ? 'all cords' : 'the cord'} through its eye, so that its face looks forward.`,
      units: 1,
      cautions: [],
    },
  ],
};
