import { PLAIT_TENSION } from '../tension-field.js';
import { countField } from '../../kind/field.js';
import {
  plainLayout,
  type PartBase,
  type PartKind,
  type PartSite,
  type Tension,
} from '../../kind/part-kind.js';
import type { Bead } from '../../material/bead.js';
import { beadNamed, say } from '../../measure/saying.js';
import { otherSide } from '../../measure/side.js';
import { PLAIT_SPREAD, useOf } from '../../kind/reason.js';
import { beadSolid } from '../../knot/bead-solid.js';
import { edgeBeads, plainEdge } from '../../knot/edge.js';
import { PLAITS } from '../../knot/plait.js';
import { sideBySide } from '../../knot/lanes.js';
import { straightRuns } from '../../knot/stroke.js';
import { edgeOfPlait, plaitStrokes } from '../plait/drawing.js';
import { plaitingOf, tellBundles, tooFew, type Plaiting } from '../plait/model.js';

/** A plait of three bundles with a bead dropped on to the middle one before it is crossed. */
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
  const aside = PLAITS.three.aside * plaiting.d;
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

export const beadedPlait: PartKind<BeadedPlaitPart> = {
  entry: {
    id: 'beaded-plait',
    label: 'Plait with beads',
    blurb: 'Three bundles; a bead is dropped on to the middle one at every turn.',
    group: 'beads',
    unitName: 'crossing',
    needsBead: true,
    seconds: 8,
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
      passages: plaiting.bundles
        .filter((bundle, i) => i === 0 || bundle.length > plaiting.bundles[0]!.length)
        .map((runs) => ({ what: bead.name, hole: bead.hole, runs })),
      beads: Array.from({ length: part.count }, (_, i) => ({
        id: part.bead,
        at: i * period + held / 2,
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
  drawEdge(part, site, layout) {
    const at = spacing(part, site);
    if (!at) return plainEdge(part.id, site, layout);
    const plaiting = { ...at.plaiting, pitch: layout.pitch };
    return [...edgeOfPlait(plaiting, part.id, layout), ...edgeBeads(part.id, site, layout)];
  },
  steps(part, site, layout) {
    const at = spacing(part, site);
    const name = beadNamed(part.bead, site.bead(part.bead));
    return [
      {
        title: `Plait, with ${part.count} beads`,
        text: `${at ? `Bundles from the left: ${tellBundles(at.plaiting.bundles)}. ` : ''}String all beads on the middle bundle’s cords before you begin, or drop each on as it is needed. Push the bead up to the last crossing, then cross the outer bundle over the middle one below it.`,
        units: layout.units,
        unitName: 'crossing',
        sideOf: (unit, first) => (unit % 2 === 0 ? first : otherSide(first)),
        unitText: (unit) =>
          unit % part.every === 0
            ? say`Drop bead ${unit / part.every + 1} on to the middle bundle (${name}), then cross below it.`
            : 'Cross without a bead.',
        cautions: [],
      },
    ];
  },
};
