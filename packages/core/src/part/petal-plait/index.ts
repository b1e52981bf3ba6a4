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
import { byUnit, legsOf, outerEnds } from '../ends.js';
import { bundlesAfter, plaitAside } from '../../knot/plait.js';
import { sideBySide } from '../../knot/lanes.js';
import { straightRuns, strokeOf } from '../../knot/stroke.js';
import { edgeBumps, plainEdge } from '../../knot/edge.js';
import { edgeOfPlait, plaitStrokes } from '../plait/drawing.js';
import { lyingAfter, plaitingOf, plaitUses, tooFew, type Plaiting } from '../plait/model.js';
import type { Run } from '../../kind/run.js';
import { countOf } from '../../measure/plural.js';
import { cordNamed, laid, listed, say, type Saying } from '../../measure/saying.js';

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
 * The bundles that lie outermost after some crossings, by their places where the part begins.
 *
 * @param crossings of this part
 * @param before crossings of the plait that it goes on from
 * @returns numbers of the bundles at both edges, that of the side which the hands begin on first
 * @example outermost(1, 0)[0] // 1
 */
export function outermost(crossings: number, before: number): readonly [number, number] {
  const at = bundlesAfter('four-round', [0, 1, 2, 3], crossings, before);
  return [at[0]!, at[3]!];
}

/** How many petals every bundle makes. */
export function petalsOf({ repeats, crossings }: PetalPlaitPart, before: number): number[] {
  const petals = [0, 0, 0, 0];
  for (let i = 1; i <= repeats; i++) {
    for (const bundle of outermost(i * crossings, before)) petals[bundle]!++;
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
    lateral: true,
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
    const petals = petalsOf(part, site.crossed);
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
      outermost((i + 1) * part.crossings, site.crossed).map((bundle, k) => {
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
        plaiting.bundles[outermost((i + 1) * part.crossings, site.crossed)[0]]![0]!,
        part.id,
        `petal-${i}`,
        [{ at: (i + 1) * layout.pitch - plaiting.d / 2, reach: PETAL.along * part.petal }],
        layout.thickness / 2,
      ),
    );
    return [...edgeOfPlait(plaiting, part.id, layout), ...petals];
  },
  withUnits: (part, repeats) => ({ ...part, repeats }),
  liesAfter: (part, site) =>
    lyingAfter(plaitingFor(part, site), site, part.repeats * part.crossings),
  steps(part, site, layout) {
    const plaiting = plaitingFor(part, site);
    if (!plaiting) return [];
    const edges = (unit: number): readonly (readonly Run[])[] =>
      outermost((unit + 1) * part.crossings, site.crossed).map((i) => plaiting.bundles[i]!);
    const named = (runs: readonly Run[]): Saying =>
      listed(runs.map((run) => say`${cordNamed(run, 'strand')}`));
    return [
      {
        title: `Plait ${countOf(part.repeats, 'repeat')} with petals`,
        text: say`${countOf(part.crossings, 'crossing')} of the round plait: the outer strand of one side behind the two next to it and forward over one, then the other side’s. Then bend the outermost strand of each side out to a loop of ${laid(part.petal)} and lay it back beside itself; the next crossing holds it. Measure each loop on the same pin or pencil so that all are alike.`,
        units: part.repeats,
        unitName: 'repeat',
        sideOf: (unit, first) =>
          (unit * part.crossings + site.crossed) % 2 === 0 ? first : otherSide(first),
        unitText: (unit) => {
          const [one, other] = edges(unit);
          return say`Repeat ${unit + 1}: ${countOf(part.crossings, 'crossing')}, then petals with the two outermost, ${named(one!)} and ${named(other!)}.`;
        },
        ...byUnit(part.repeats, (unit) => [
          {
            do: 'plait',
            place: part.id,
            bundles: plaiting.bundles.map(outerEnds),
            form: 'four-round',
            aside: plaitAside('four-round', plaiting.q) * plaiting.d,
            pitch: plaiting.pitch,
            mm: layout.length / (part.repeats * part.crossings),
            times: part.crossings,
            after: unit * part.crossings,
            before: site.crossed,
          },
          { do: 'petal', place: part.id, legs: legsOf(edges(unit).flat()), mm: part.petal },
        ]),
        cautions: [],
      },
    ];
  },
};
