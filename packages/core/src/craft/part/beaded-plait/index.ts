import { PLAIT_TENSION } from '../tension-field.js';
import { countField } from '../../../base/kind/field.js';
import {
  plainLayout,
  type PartBase,
  type PartKind,
  type PartSite,
  type Tension,
} from '../../../base/kind/part-kind.js';
import type { Bead } from '../../../base/material/bead.js';
import { countOf } from '../../../base/measure/plural.js';
import { beadNamed, cordNamed, listed, onSide, say } from '../../../base/measure/saying.js';
import { otherSide } from '../../../base/measure/side.js';
import { PLAIT_SPREAD, useOf } from '../../../base/kind/reason.js';
import { beadSolid } from '../../knot/bead-solid.js';
import { edgeBeads, plainEdge } from '../../knot/edge.js';
import type { Run } from '../../../base/kind/run.js';
import { bundlesAfter, plaitAside } from '../../knot/plait.js';
import { sideBySide } from '../../knot/lanes.js';
import { straightRuns } from '../../knot/stroke.js';
import { byUnit, cordsOf, helpThrough, outerEnds } from '../ends.js';
import { edgeOfPlait, plaitStrokes } from '../plait/drawing.js';
import {
  lyingAfter,
  plaitingOf,
  tellBundles,
  tooFew,
  type Plaiting,
  tiedPlait,
} from '../plait/model.js';

/** A plait of three bundles with a bead on the one that lies in the middle before it is crossed. */
export interface BeadedPlaitPart extends PartBase {
  readonly kind: 'beaded-plait';
  readonly bead: string;
  readonly count: number;
  /** Crossings from one bead to the next. */
  readonly every: number;
  readonly tension: Tension;
}

interface Spacing {
  readonly plaiting: Plaiting;
  readonly bead: Bead;
  /** Length in mm from one bead to the next, and of the crossing that holds a bead. */
  readonly period: number;
  readonly held: number;
  /** Cord in mm of every bundle in one period. */
  readonly cord: number;
}

/**
 * The crossing that holds a bead is as long as the bead or the crossing, whichever is longer; there the
 * bundles go aside by half the height of the bead more. Worked out as the other plaits are; assumed.
 */
function spacing(part: BeadedPlaitPart, site: PartSite): Spacing | null {
  const plaiting = plaitingOf('three', part.tension, site.runs);
  if (!plaiting) return null;
  const bead = site.bead(part.bead);
  const aside = plaitAside('three', plaiting.q) * plaiting.d;
  const held = Math.max(plaiting.pitch, bead.length);
  const others = part.every - 1;
  return {
    plaiting,
    bead,
    held,
    period: held + others * plaiting.pitch,
    cord: Math.hypot(held, aside + bead.height / 2) + others * Math.hypot(plaiting.pitch, aside),
  };
}

/** The bundle that lies in the middle before a crossing of this part. */
const middleAt = ({ bundles }: Plaiting, crossing: number, before: number): readonly Run[] =>
  bundlesAfter('three', bundles, crossing, before)[1]!;

/** The bundles that beads go on. */
const beaded = (part: BeadedPlaitPart, plaiting: Plaiting, before: number): (readonly Run[])[] => [
  ...new Set(
    Array.from({ length: part.count }, (_, i) => middleAt(plaiting, i * part.every, before)),
  ),
];

export const beadedPlait: PartKind<BeadedPlaitPart> = {
  entry: {
    id: 'beaded-plait',
    label: 'Plait with beads',
    blurb: 'Three bundles; a bead is dropped on to the middle one at every turn.',
    goodFor:
      'A quick, soft band with a line of beads down its middle. Beads may not be much wider than a bundle.',
    group: 'beads',
    unitName: 'crossing',
    needsBead: true,
    seconds: 8,
    lateral: true,
  },
  fields: [
    { type: 'bead', key: 'bead', label: 'Bead' },
    countField('count', 'Beads', 1, 300),
    countField('every', 'Crossings from bead to bead', 1, 12),
    PLAIT_TENSION,
  ],
  make: ({ id, bead }) => ({
    id,
    kind: 'beaded-plait',
    bead,
    count: 7,
    every: 2,
    tension: 'even',
  }),
  fills: () => false,
  section(part, site) {
    const at = spacing(part, site);
    if (!at) return { ...sideBySide(site.runs), pitch: 1 };
    return {
      width: Math.max(3 * at.plaiting.d, at.bead.height + 2 * at.plaiting.d),
      thickness: Math.max(2 * at.plaiting.d, at.bead.height),
      pitch: at.period / part.every,
    };
  },
  layOut(part, site) {
    const at = spacing(part, site);
    const section = beadedPlait.section(part, site);
    if (!at) return plainLayout(1, section, { unitName: 'crossing', advice: [tooFew('three')] });
    const { plaiting, bead, period, held, cord } = at;
    return plainLayout(part.count * period, section, {
      units: part.count * part.every,
      unitName: 'crossing',
      uses: plaiting.bundles.flat().map((run) =>
        useOf(
          run,
          {
            area: 'run',
            code: 'run.plait',
            label: 'Plaited round beads',
            detail: 'from side to side, and out round every bead',
            spread: PLAIT_SPREAD,
            assumed: true,
          },
          cord,
          part.count,
        ),
      ),
      passages: beaded(part, plaiting, site.crossed).map((runs) => ({
        what: bead.name,
        hole: bead.hole,
        runs,
      })),
      beads: Array.from({ length: part.count }, (_, i) => ({
        id: part.bead,
        at: i * period + held / 2,
        on: middleAt(plaiting, i * part.every, site.crossed).map((run) => run.index),
      })),
    });
  },
  draw(part, site, layout, { done }) {
    const at = spacing(part, site);
    if (!at) return straightRuns(site.runs, part.id, 0, layout.length);
    // Stretched so that its crossings come as often as the beads ask for.
    const plaiting = { ...at.plaiting, pitch: layout.pitch, d: layout.width / 3 };
    const till = done >= layout.units ? layout.length : done * layout.pitch;
    const bead = site.bead(part.bead);
    return [
      ...plaitStrokes(plaiting, part.id, till, layout.length, 'planned'),
      ...plaitStrokes(plaiting, part.id, 0, till, 'laid'),
      ...layout.beads.map(({ at: x }, i) =>
        beadSolid(bead, `${part.id}-bead-${i}`, part.id, [x, 0], x < till ? 'laid' : 'planned'),
      ),
    ];
  },
  inSpace: null,
  drawEdge(part, site, layout) {
    const at = spacing(part, site);
    if (!at) return plainEdge(part.id, site, layout);
    const plaiting = { ...at.plaiting, pitch: layout.pitch };
    return [...edgeOfPlait(plaiting, part.id, layout), ...edgeBeads(part.id, site, layout)];
  },
  liesAfter: (part, site, layout) =>
    lyingAfter(spacing(part, site)?.plaiting ?? null, site, layout.units),
  steps(part, site, layout, first) {
    const at = spacing(part, site);
    if (!at) return [];
    const { plaiting, bead } = at;
    const name = beadNamed(part.bead, bead);
    const inMiddle = (unit: number): readonly Run[] => middleAt(plaiting, unit, site.crossed);
    const aside = plaitAside('three', plaiting.q) * plaiting.d;
    return [
      {
        title: `Plait, with ${countOf(part.count, 'bead')}`,
        text: say`From the ${onSide(first)}: ${tellBundles(plaiting.bundles)}. Clip the plait, string a bead on the middle bundle, and cross the outer one over it.`,
        again:
          'String a bead on the bundle that lies in the middle now, push it up, and cross the outer bundle over it.',
        units: layout.units,
        unitName: 'crossing',
        tied: [tiedPlait(plaiting, first, site.crossed)],
        sideOf: (unit, from) => ((unit + site.crossed) % 2 === 0 ? from : otherSide(from)),
        unitText: (unit) =>
          unit % part.every === 0
            ? say`String bead ${unit / part.every + 1} (${name}) on the middle bundle, now ${listed(
                inMiddle(unit).map((run) => say`${cordNamed(run, 'strand')}`),
                ' and ',
              )}, push it up, then cross below it.`
            : 'Cross without a bead.',
        ...byUnit(layout.units, (unit) => {
          const beaded = unit % part.every === 0;
          const bundle = inMiddle(unit);
          return [
            ...(beaded
              ? [
                  {
                    do: 'string' as const,
                    place: part.id,
                    bead: part.bead,
                    mm: 0,
                    on: outerEnds(bundle),
                    ...helpThrough(bead.hole, cordsOf(bundle)),
                  },
                ]
              : []),
            {
              do: 'plait' as const,
              place: part.id,
              bundles: plaiting.bundles.map(outerEnds),
              form: 'three' as const,
              aside: beaded ? aside + bead.height / 2 : aside,
              pitch: beaded ? at.held : plaiting.pitch,
              mm: beaded ? at.held : plaiting.pitch,
              times: 1,
              after: unit,
              before: site.crossed,
            },
          ];
        }),
        cautions: [],
      },
    ];
  },
};
