import { PLAIT_TENSION } from '../tension-field.js';
import {
  plainLayout,
  type PartBase,
  type PartKind,
  type PartSite,
  type Tension,
} from '../../kind/part-kind.js';
import type { Point, Primitive } from '../../kind/primitive.js';
import { countField } from '../../kind/field.js';
import { PLAIT_SPREAD, useOf } from '../../kind/reason.js';
import { otherSide } from '../../measure/side.js';
import { PLAITS } from '../../knot/plait.js';
import { sideBySide } from '../../knot/lanes.js';
import { straightRuns, strokeOf } from '../../knot/stroke.js';
import { edgeBumps, plainEdge } from '../../knot/edge.js';
import { edgeOfPlait, plaitStrokes } from '../plait/drawing.js';
import { plaitingOf, plaitUses, tooFew, type Plaiting } from '../plait/model.js';
import { laid, say, inSentence } from '../../measure/saying.js';

/** A round plait of four from which a loop stands out at both sides after every few crossings. */
export interface PetalPlaitPart extends PartBase {
  readonly kind: 'petal-plait';
  readonly repeats: number;
  /** Crossings between two pairs of petals. */
  readonly crossings: number;
  /** Cord in mm that stands out in one petal. */
  readonly petal: number;
  readonly tension: Tension;
}

/** Half axes of a petal / the cord in it: an ellipse just over half as wide as it is long. */
const PETAL = { out: 0.2, along: 0.114 } as const;

/**
 * The strands that lie outermost after some crossings: the outer one of a side becomes its inner one at
 * every crossing of that side, and sides take turns, the left one first.
 *
 * @returns numbers of the bundles at the left and the right edge
 */
export function outermost(crossings: number): readonly [0 | 1, 2 | 3] {
  const [left, right] = [Math.ceil(crossings / 2), Math.floor(crossings / 2)];
  return [left % 2 === 0 ? 0 : 1, right % 2 === 0 ? 3 : 2];
}

/** How many petals every bundle makes. */
export function petalsOf({ repeats, crossings }: PetalPlaitPart): number[] {
  const petals = [0, 0, 0, 0];
  for (let i = 1; i <= repeats; i++) {
    for (const bundle of outermost(i * crossings)) petals[bundle]!++;
  }
  return petals;
}

const plaitingFor = (part: PetalPlaitPart, site: PartSite): Plaiting | null =>
  plaitingOf('four-round', part.tension, site.runs);

/** A petal takes as much of the length as its cord is thick. */
const periodOf = (part: PetalPlaitPart, { pitch, d }: Plaiting): number =>
  part.crossings * pitch + d;

function petal(x: number, y: number, side: 1 | -1, cord: number): Point[] {
  const [a, b] = [PETAL.along * cord, PETAL.out * cord];
  return Array.from({ length: 25 }, (_, i): Point => {
    const t = (2 * Math.PI * i) / 24;
    return [x + a * Math.sin(t), y + side * b * (1 - Math.cos(t))];
  });
}

export const petalPlait: PartKind<PetalPlaitPart> = {
  entry: {
    id: 'petal-plait',
    label: 'Plait with petals',
    blurb: 'A round plait of four; loops stand out at both sides, repeat by repeat.',
    group: 'cord',
    unitName: 'repeat',
    needsBead: false,
    seconds: 40,
  },
  fields: [
    countField('repeats', 'Repeats', 1, 120),
    countField('crossings', 'Crossings between petals', 2, 24),
    { type: 'length', key: 'petal', label: 'Cord in a petal', min: 6, max: 120 },
    PLAIT_TENSION,
  ],
  make: ({ id }) => ({
    id,
    kind: 'petal-plait',
    repeats: 6,
    crossings: 4,
    petal: 24,
    tension: 'even',
  }),
  fills: () => false,
  section(part, site) {
    const plaiting = plaitingFor(part, site);
    if (!plaiting) return { ...sideBySide(site.runs), pitch: 1 };
    const across = 3 * plaiting.d;
    return {
      width: across + 4 * PETAL.out * part.petal,
      thickness: across,
      pitch: periodOf(part, plaiting),
    };
  },
  layOut(part, site) {
    const plaiting = plaitingFor(part, site);
    const section = petalPlait.section(part, site);
    if (!plaiting) return plainLayout(1, section, { advice: [tooFew('four-round')] });
    const length = part.repeats * section.pitch;
    const petals = petalsOf(part);
    return plainLayout(length, section, {
      units: part.repeats,
      unitName: 'repeat',
      uses: [
        ...plaitUses(plaiting, length),
        ...plaiting.bundles.flatMap((runs, i) =>
          runs.map((run) =>
            useOf(
              run,
              {
                area: 'knot',
                code: 'knot.petal',
                label: 'Petals',
                detail: 'the loops that stand out at the side',
                spread: PLAIT_SPREAD,
              },
              part.petal,
              petals[i],
            ),
          ),
        ),
      ],
    });
  },
  draw(part, site, layout, { done }) {
    const plaiting = plaitingFor(part, site);
    if (!plaiting) return straightRuns(site.runs, part.id, 0, layout.length);
    const till = Math.min(layout.length, done * layout.pitch);
    const edge = plaiting.d;
    const loops = Array.from({ length: part.repeats }, (_, i) => i).flatMap((i): Primitive[] =>
      outermost((i + 1) * part.crossings).map((bundle, k) => {
        const side = k === 0 ? -1 : 1;
        return strokeOf(
          plaiting.bundles[bundle]![0]!,
          `${part.id}-petal-${i}-${k}`,
          part.id,
          [petal((i + 1) * layout.pitch - plaiting.d / 2, side * edge, side, part.petal)],
          i < done ? 'laid' : 'planned',
          'round',
        );
      }),
    );
    return [
      ...loops,
      ...plaitStrokes(plaiting, part.id, till, layout.length, 'planned'),
      ...plaitStrokes(plaiting, part.id, 0, till, 'laid'),
    ];
  },
  drawEdge(part, site, layout) {
    const plaiting = plaitingFor(part, site);
    if (!plaiting) return plainEdge(part.id, site, layout);
    // Petals stand out to the sides: from the edge the nearer one hides the plait behind it.
    const petals = Array.from({ length: part.repeats }, (_, i) =>
      edgeBumps(
        plaiting.bundles[outermost((i + 1) * part.crossings)[0]]![0]!,
        part.id,
        `petal-${i}`,
        [{ at: (i + 1) * layout.pitch - plaiting.d / 2, reach: PETAL.along * part.petal }],
        layout.thickness / 2,
      ),
    );
    return [...edgeOfPlait(plaiting, part.id, layout), ...petals];
  },
  withUnits: (part, repeats) => ({ ...part, repeats }),
  steps: (part) => [
    {
      title: `${part.repeats} repeats with petals`,
      text: say`${part.crossings} crossings of the round plait: the outer strand of one side behind the two next to it and forward over one, then the other side’s. Then bend the outermost strand of each side out to a loop of ${laid(part.petal)} and lay it back beside itself; the next crossing holds it. Measure each loop on the same pin or pencil so that all are alike.`,
      units: part.repeats,
      unitName: 'repeat',
      sideOf: (unit, first) => ((unit * part.crossings) % 2 === 0 ? first : otherSide(first)),
      unitText: (unit) => {
        const [left, right] = outermost((unit + 1) * part.crossings);
        return `Repeat ${unit + 1}: ${part.crossings} crossings, then petals with strands ${left + 1} and ${right + 1} (${inSentence(PLAITS['four-round'].label)}, counted from the left at the start).`;
      },
      cautions: [],
    },
  ],
};
