import { laidTo, nearestOf } from '@coiled-strand/rope';
import { PLAIT_TENSION } from '../tension-field.js';
import { plainLayout, type PartKind } from '../../../base/kind/part-kind.js';
import { otherSide, type Side } from '../../../base/measure/side.js';
import { outerEnds } from '../ends.js';
import { choiceField } from '../../../base/kind/field.js';
import { PLAIT_SPREAD } from '../../../base/kind/reason.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import {
  plaitAside,
  plaitRatio,
  PLAITS,
  ROUND_LOOKS,
  roundLook,
  type PlaitForm,
} from '../../knot/plait.js';
import { plainEdge } from '../../knot/edge.js';

import { straightRuns } from '../../knot/stroke.js';
import { sideBySide } from '../../knot/lanes.js';
import type { Advice } from '../../../base/measure/advice.js';
import { edgeOfPlait, plaitStrokes } from './drawing.js';
import {
  lyingAfter,
  plaitingOf,
  plaitUses,
  sectionOfPlait,
  tellBundles,
  tiedPlait,
  tooFew,
  type PlaitPart,
  type Plaiting,
} from './model.js';
import { laid, onSide, say } from '../../../base/measure/saying.js';

const FORMS: Readonly<Record<PlaitForm, readonly [label: string, blurb: string]>> = {
  three: [PLAITS.three.label, 'Each outer bundle over the middle one, by turns.'],
  'four-flat': [PLAITS['four-flat'].label, 'A flat band, one broader than of three.'],
  'four-round': [PLAITS['four-round'].label, 'A round cord; colours make stripes or a spiral.'],
};

const HOW = 'Pull out to both sides after every crossing.';

/** What a crossing of a flat plait of four is. */
const FLAT_UNITS = [
  'Both outer bundles inwards, past their neighbours',
  'The two bundles in the middle past each other',
] as const;

/** Crossings this far apart, in diameters, of which the curves are known. */
const COMPUTED_PITCHES: Readonly<Record<PlaitForm, readonly number[]>> = {
  three: [1, 1.2, 1.5, 2],
  'four-flat': [1, 1.2, 1.5, 2],
  'four-round': [1, 1.5, 2, 2.5, 3],
};

const side = (unit: number, first: Side): Side => (unit % 2 === 0 ? first : otherSide(first));

/** What the order of the colours makes of a round plait. */
function lookOf({ form, bundles }: Plaiting): Advice[] {
  if (form !== 'four-round') return [];
  const colours = bundles.map((bundle) => bundle[0]!.cord.colour.hex.toLowerCase());
  const look = roundLook(colours as [string, string, string, string]);
  if (look === 'plain') return [];
  return [
    {
      code: 'plait.look',
      severity: 'note',
      message: `In this order the colours make ${ROUND_LOOKS[look]}.`,
      remedy:
        look === 'stripes'
          ? 'For a spiral give each side one strand of either colour.'
          : look === 'spiral'
            ? 'For stripes put both strands of a colour on the same side.'
            : 'For stripes or a spiral use two strands of each of two colours.',
      path: 'form',
    },
  ];
}

export const plait: PartKind<PlaitPart> = {
  entry: {
    id: 'plait',
    label: 'Plait',
    blurb: 'All cords in three or four bundles, crossed by turns.',
    goodFor:
      'The quickest way from cords to a band, and the one that takes the least of them. It stretches and gives a little, and comes undone where it is not held.',
    group: 'cord',
    unitName: 'crossing',
    needsBead: false,
    seconds: 4,
    lateral: true,
  },
  fields: [
    choiceField('form', 'Plait', FORMS),
    PLAIT_TENSION,
    { type: 'length', key: 'length', label: 'Length', min: 3, max: 5000, open: 'set by the fit' },
  ],
  make: ({ id }) => ({ id, kind: 'plait', form: 'three', tension: 'even', length: 60 }),
  fills: (part) => part.length === null,
  withLength: (part, length) => ({ ...part, length }),
  section(part, site) {
    const plaiting = plaitingOf(part.form, part.tension, site.runs);
    return plaiting ? sectionOfPlait(plaiting) : { ...sideBySide(site.runs), pitch: 1 };
  },
  layOut(part, site, share) {
    const length = part.length ?? share;
    const plaiting = plaitingOf(part.form, part.tension, site.runs);
    const section = plait.section(part, site);
    if (!plaiting) {
      return plainLayout(length, section, {
        unitName: 'crossing',
        advice: [tooFew(part.form)],
      });
    }
    return plainLayout(length, section, {
      units: Math.max(1, Math.round(length / section.pitch)),
      unitName: 'crossing',
      uses: plaitUses(plaiting, length),
      advice: lookOf(plaiting),
    });
  },
  draw(part, site, layout, { done }) {
    const plaiting = plaitingOf(part.form, part.tension, site.runs);
    if (!plaiting) return straightRuns(site.runs, part.id, 0, layout.length);
    const till =
      done >= layout.units ? layout.length : Math.min(layout.length, done * layout.pitch);
    return [
      ...plaitStrokes(plaiting, part.id, till, layout.length, 'planned'),
      ...plaitStrokes(plaiting, part.id, 0, till, 'laid'),
    ];
  },
  inSpace: {
    cell(part, site) {
      const plaiting = plaitingOf(part.form, part.tension, site.runs);
      if (!plaiting) return null;
      const { form, q } = plaiting;
      return `plait.${form}.${nearestOf(COMPUTED_PITCHES[form], q)}`;
    },
    draw(part, site, layout, cell) {
      const plaiting = plaitingOf(part.form, part.tension, site.runs);
      if (!plaiting) return null;
      const { d, bundles } = plaiting;
      const count = Math.max(1, Math.round(layout.length / ((cell.shift ?? 1) * d)));
      const { lines } = laidTo(cell, count, layout.length, d, layout);
      if (lines.length !== bundles.length) return null;
      return {
        cords: lines.map((line, i) => ({ run: bundles[i]![0]!, diameter: d, line })),
        beads: [],
      };
    },
  },
  drawEdge(part, site, layout) {
    const plaiting = plaitingOf(part.form, part.tension, site.runs);
    return plaiting ? edgeOfPlait(plaiting, part.id, layout) : plainEdge(part.id, site, layout);
  },
  swatch(part, cord) {
    const q = PLAITS[part.form].pitch[part.tension];
    const pitch = q * effectiveDiameter(cord);
    return {
      how: `Plait ${PLAITS[part.form].bundles} single cords. Measure all of them together, before and after.`,
      unitName: 'crossing',
      cordPerUnit: PLAITS[part.form].bundles * plaitRatio(part.form, q) * pitch,
      lengthPerUnit: pitch,
      spread: PLAIT_SPREAD,
    };
  },
  liesAfter: (part, site, layout) =>
    lyingAfter(plaitingOf(part.form, part.tension, site.runs), site, layout.units),
  steps(part, site, layout, first) {
    const plaiting = plaitingOf(part.form, part.tension, site.runs);
    return [
      {
        title: say`Plait ${laid(layout.length)}`,
        text: say`${plaiting ? say`From the ${onSide(first)}: ${tellBundles(plaiting.bundles)}. ` : ''}${HOW}`,
        again: HOW,
        units: layout.units,
        unitName: 'crossing',
        ...(plaiting ? { tied: [tiedPlait(plaiting, first, site.crossed)] } : {}),
        ...(part.form === 'four-flat'
          ? { unitText: (unit: number) => FLAT_UNITS[(unit + site.crossed) % 2]! }
          : { sideOf: (unit: number, from: Side) => side(unit + site.crossed, from) }),
        actions: plaiting
          ? [
              {
                do: 'plait',
                place: part.id,
                bundles: plaiting.bundles.map(outerEnds),
                form: part.form,
                aside: plaitAside(part.form, plaiting.q) * plaiting.d,
                pitch: plaiting.pitch,
                mm: layout.length / layout.units,
                times: layout.units,
                after: 0,
                before: site.crossed,
              },
            ]
          : [],
        cautions: [],
      },
    ];
  },
};
