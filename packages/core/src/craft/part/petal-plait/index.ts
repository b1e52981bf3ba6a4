import { PLAIT_TENSION } from '../tension-field.js';
import { plainLayout, type PartKind } from '../../../base/kind/part-kind.js';
import { choiceField, countField } from '../../../base/kind/field.js';
import { otherSide } from '../../../base/measure/side.js';
import { byUnit, legsOf, outerEnds } from '../ends.js';
import { bundlesAfter, plaitAside } from '../../knot/plait.js';
import { tiedIn } from '../../knot/tied.js';
import { sideBySide } from '../../knot/lanes.js';
import { straightRuns } from '../../knot/stroke.js';
import { plainEdge } from '../../knot/edge.js';
import { lyingAfter, tiedPlait, tooFew } from '../plait/model.js';
import type { Run } from '../../../base/kind/run.js';
import { countOf } from '../../../base/measure/plural.js';
import { cordNamed, laid, listed, say, type Saying } from '../../../base/measure/saying.js';
import { drawPetals, drawPetalsEdge } from './drawing.js';
import {
  beside,
  isSnug,
  lengthsOf,
  outermost,
  petalPlaitUses,
  plaitingFor,
  sectionOfPetals,
  snugOf,
  type PetalPlaitPart,
  type PetalSchool,
} from './model.js';

export type { PetalPlaitPart } from './model.js';

/** Repeats after which the strands of a round plait lie again as they did, whatever its crossings. */
const ORDERS = 8;

/** How one pair of petals is made, after the crossings of its repeat. */
function petalText(part: PetalPlaitPart): Saying {
  if (!isSnug(part)) {
    return say`Then a loop of ${laid(part.petal)} in the outermost strand of each side. Measure all of them on the same pin or pencil.`;
  }
  const pulled =
    part.tension === 'hard'
      ? 'Hold the two strands in the middle taut and draw the turns close to them.'
      : 'Draw all four strands up alike: the two of each side wind round each other.';
  return say`Then the petals. ${pulled}`;
}

export const petalPlait: PartKind<PetalPlaitPart> = {
  entry: {
    id: 'petal-plait',
    label: 'Plait with petals',
    blurb: 'A round plait of four with petals at both sides, repeat by repeat.',
    goodFor:
      'A light, showy round plait for the middle of a piece. The petals catch on things: better on a necklace than on a working hand.',
    group: 'cord',
    unitName: 'repeat',
    needsBead: false,
    seconds: 40,
    lateral: true,
  },
  fields: [
    countField('repeats', 'Repeats', 1, 120),
    countField('crossings', 'Crossings between petals', 2, 24),
    choiceField<PetalSchool>(
      'school',
      'Petals',
      {
        loops: ['Loops', 'that stand out at the sides'],
        snug: ['Snug turns', 'round the strand beside, flat against the plait'],
      },
      { optional: true },
    ),
    {
      type: 'length',
      key: 'petal',
      label: 'Cord in a petal',
      min: 6,
      max: 120,
      when: (values) => values.school !== 'snug',
    },
    PLAIT_TENSION,
  ],
  make: ({ id }) => ({
    id,
    kind: 'petal-plait',
    repeats: 6,
    crossings: 4,
    school: 'loops',
    petal: 24,
    tension: 'even',
  }),
  fills: () => false,
  section(part, site) {
    const plaiting = plaitingFor(part, site);
    return plaiting ? sectionOfPetals(part, plaiting) : { ...sideBySide(site.runs), pitch: 1 };
  },
  layOut(part, site) {
    const plaiting = plaitingFor(part, site);
    const section = petalPlait.section(part, site);
    if (!plaiting) return plainLayout(1, section, { advice: [tooFew('four-round')] });
    return plainLayout(part.repeats * section.pitch, section, {
      units: part.repeats,
      unitName: 'repeat',
      uses: petalPlaitUses(part, site, plaiting),
    });
  },
  draw(part, site, layout, { done }) {
    const plaiting = plaitingFor(part, site);
    return plaiting
      ? drawPetals(part, site, plaiting, layout, done)
      : straightRuns(site.runs, part.id, 0, layout.length);
  },
  inSpace: null,
  drawEdge(part, site, layout) {
    const plaiting = plaitingFor(part, site);
    return plaiting
      ? drawPetalsEdge(part, site, plaiting, layout)
      : plainEdge(part.id, site, layout);
  },
  withUnits: (part, repeats) => ({ ...part, repeats }),
  liesAfter: (part, site) =>
    lyingAfter(plaitingFor(part, site), site, part.repeats * part.crossings),
  steps(part, site, layout, first) {
    const plaiting = plaitingFor(part, site);
    if (!plaiting) return [];
    const snug = isSnug(part) ? snugOf(part, plaiting) : null;
    const { plaited } = lengthsOf(part, plaiting);
    // A loop makes room between its crossings, a turn lies behind them.
    const crossing = (snug ? plaited : layout.length / part.repeats) / part.crossings;
    const chosen = (of: typeof outermost, unit: number): readonly (readonly Run[])[] =>
      of((unit + 1) * part.crossings, site.crossed).map((i) => plaiting.bundles[i]!);
    const named = (runs: readonly Run[]): Saying =>
      listed(runs.map((run) => say`${cordNamed(run, 'strand')}`));
    return [
      {
        title: `Plait ${countOf(part.repeats, 'repeat')} with petals`,
        text: say`${countOf(part.crossings, 'crossing')} of the round plait. ${petalText(part)}`,
        units: part.repeats,
        unitName: 'repeat',
        begins: tiedPlait(plaiting, first, site.crossed),
        tied: Array.from({ length: Math.min(part.repeats, ORDERS) }, (_, unit) =>
          tiedIn(
            `petals.${snug ? 'snug' : 'standing'}`,
            bundlesAfter('four-round', plaiting.bundles, (unit + 1) * part.crossings, site.crossed),
            first,
          ),
        ),
        sideOf: (unit, first) =>
          (unit * part.crossings + site.crossed) % 2 === 0 ? first : otherSide(first),
        unitText: (unit) => {
          const [one, other] = chosen(outermost, unit);
          const [near, far] = chosen(beside, unit);
          const start = say`Repeat ${unit + 1}: ${countOf(part.crossings, 'crossing')}, then`;
          return snug
            ? say`${start} ${named(one!)} once round ${named(near!)}, and ${named(other!)} once round ${named(far!)}.`
            : say`${start} petals with the two outermost, ${named(one!)} and ${named(other!)}.`;
        },
        ...byUnit(part.repeats, (unit) => [
          {
            do: 'plait',
            place: part.id,
            bundles: plaiting.bundles.map(outerEnds),
            form: 'four-round',
            aside: plaitAside('four-round', plaiting.q) * plaiting.d,
            pitch: plaiting.pitch,
            mm: crossing,
            times: part.crossings,
            after: unit * part.crossings,
            before: site.crossed,
          },
          {
            do: 'petal',
            place: part.id,
            legs: legsOf(chosen(outermost, unit).flat()),
            mm: snug ? snug.turning : part.petal,
            ...(snug
              ? {
                  round: legsOf(chosen(beside, unit).flat()),
                  roundMm: snug.turned,
                  along: snug.along,
                }
              : {}),
          },
        ]),
        cautions: [],
      },
    ];
  },
};
