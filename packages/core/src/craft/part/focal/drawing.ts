import type { Primitive } from '../../../base/kind/primitive.js';
import type { DrawOptions, PartLayout, PartSite } from '../../../base/kind/part-kind.js';
import { ellipse, plateOf, roundedBox } from '../../knot/plate.js';
import { straightRuns } from '../../knot/stroke.js';
import type { FocalPart } from './model.js';

export function drawFocal(
  part: FocalPart,
  site: PartSite,
  layout: PartLayout,
  { done }: DrawOptions,
): readonly Primitive[] {
  const runs = straightRuns(site.runs, part.id, 0, layout.length, done > 0 ? 'laid' : 'planned');
  const { length, width, drop, colour } = part;
  if (part.form === 'bar') {
    const lip = Math.min(2, length * 0.06);
    return [
      ...runs,
      plateOf(part.id, 'bar', colour, [roundedBox(0, -width / 2, length, width, width * 0.22)]),
      plateOf(
        part.id,
        'shine',
        colour,
        [roundedBox(lip, -width * 0.34, length - 2 * lip, width * 0.16, width * 0.08)],
        'finding-recess',
      ),
    ];
  }
  const eye = Math.max(part.hole, 2) / 2 + 1;
  const middle = length / 2;
  return [
    plateOf(
      part.id,
      'body',
      colour,
      [ellipse(middle, eye + drop / 2, width / 2, drop / 2)],
      'stone',
    ),
    ...runs,
    plateOf(part.id, 'eye', colour, [
      ellipse(middle, 0, length / 2, eye),
      ellipse(middle, 0, length / 3.2, eye * 0.62),
    ]),
  ];
}
