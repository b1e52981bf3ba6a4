import { computed } from '../../knot/source.js';
import { KNOT_SPREAD, PLAIT_SPREAD, useOf, type Use } from '../../../base/kind/reason.js';
import type { PartBase, PartSite, Section, Tension } from '../../../base/kind/part-kind.js';
import type { Run } from '../../../base/kind/run.js';
import { bundlesAfter } from '../../knot/plait.js';
import { pullOf, snugPetal, turnRadius, type SnugPetal } from '../../knot/snug-petal.js';
import { plaitingOf, plaitUses, sectionOfPlait, type Plaiting } from '../plait/model.js';

/** How petals are made: as loops that stand out, or as turns that lie flat against the plait. */
export type PetalSchool = 'loops' | 'snug';

/** A round plait of four with petals at both sides after every few crossings. */
export interface PetalPlaitPart extends PartBase {
  readonly kind: 'petal-plait';
  readonly repeats: number;
  /** Crossings between two pairs of petals. */
  readonly crossings: number;
  /** Left out by older pieces, whose petals are loops. */
  readonly school?: PetalSchool;
  /** Cord in mm that stands out in one petal; of snug ones it is kept and not used. */
  readonly petal: number;
  readonly tension: Tension;
}

export const isSnug = ({ school }: PetalPlaitPart): boolean => school === 'snug';

/** Half axes of a loop / the cord in it: an ellipse just over half as wide as it is long. */
export const LOOP = { out: 0.2, along: 0.114 } as const;

/**
 * Order of the bundles after some crossings, by their places where the part begins.
 *
 * @param crossings of this part
 * @param before crossings of the plait that it goes on from
 */
const orderAfter = (crossings: number, before: number): readonly number[] =>
  bundlesAfter('four-round', [0, 1, 2, 3], crossings, before);

/**
 * The bundles that lie outermost after some crossings, by their places where the part begins.
 *
 * @returns numbers of the bundles at both edges, that of the side which the hands begin on first
 * @example outermost(1, 0)[0] // 1
 */
export function outermost(crossings: number, before: number): readonly [number, number] {
  const at = orderAfter(crossings, before);
  return [at[0]!, at[3]!];
}

/**
 * The bundles beside them, in the same order: what a snug petal goes round.
 * @example beside(1, 0)[0] // 0
 */
export function beside(crossings: number, before: number): readonly [number, number] {
  const at = orderAfter(crossings, before);
  return [at[1]!, at[2]!];
}

/** How many times every bundle is among those chosen at the end of each repeat. */
function timesChosen(
  { repeats, crossings }: PetalPlaitPart,
  before: number,
  chosen: typeof outermost,
): number[] {
  const times = [0, 0, 0, 0];
  for (let i = 1; i <= repeats; i++) {
    for (const bundle of chosen(i * crossings, before)) times[bundle]!++;
  }
  return times;
}

/** How many petals every bundle makes. */
export const petalsOf = (part: PetalPlaitPart, before: number): number[] =>
  timesChosen(part, before, outermost);

/** null where there are fewer cords than bundles. */
export const plaitingFor = (part: PetalPlaitPart, site: PartSite): Plaiting | null =>
  plaitingOf('four-round', part.tension, site.runs);

/** What a snug petal takes, in mm. */
export function snugOf({ tension }: PetalPlaitPart, { d }: Plaiting): SnugPetal {
  const { along, turning, turned } = snugPetal(tension);
  return { along: along * d, turning: turning * d, turned: turned * d };
}

/** Length of the crossings of one repeat, and of the work that its petals take, in mm. A loop takes as much
 * of the length as its cord is thick. */
export const lengthsOf = (
  part: PetalPlaitPart,
  plaiting: Plaiting,
): { readonly plaited: number; readonly petals: number } => ({
  plaited: part.crossings * plaiting.pitch,
  petals: isSnug(part) ? snugOf(part, plaiting).along : plaiting.d,
});

/**
 * Width and thickness with the petals, and the length of a repeat, in mm. Where they are snug, two pairs of
 * strands lie side by side, each with its middle a diameter from that of the plait.
 */
export function sectionOfPetals(part: PetalPlaitPart, plaiting: Plaiting): Section {
  const { d } = plaiting;
  const { plaited, petals } = lengthsOf(part, plaiting);
  const pitch = plaited + petals;
  if (!isSnug(part)) {
    const across = 3 * d;
    return { width: across + 4 * LOOP.out * part.petal, thickness: across, pitch };
  }
  const plain = sectionOfPlait(plaiting);
  const { turning, along } = snugOf(part, plaiting);
  const reach = turnRadius(turning, along);
  return {
    width: Math.max(plain.width, 2 * (d + reach) + d),
    thickness: Math.max(plain.thickness, 2 * reach + d),
    pitch,
  };
}

const petalUses = (
  bundles: Plaiting['bundles'],
  times: readonly number[],
  each: number,
  said: Pick<Use['reason'], 'code' | 'detail' | 'spread' | 'assumed' | 'source'>,
): Use[] =>
  bundles.flatMap((runs: readonly Run[], i) =>
    runs.map((run) => useOf(run, { area: 'knot', label: 'Petals', ...said }, each, times[i])),
  );

/** Cord of every run: plaited, and in petals. */
export function petalPlaitUses(part: PetalPlaitPart, site: PartSite, plaiting: Plaiting): Use[] {
  const { bundles } = plaiting;
  const { plaited, petals } = lengthsOf(part, plaiting);
  const turning = petalsOf(part, site.crossed);
  if (!isSnug(part)) {
    return [
      ...plaitUses(plaiting, part.repeats * (plaited + petals)),
      ...petalUses(bundles, turning, part.petal, {
        code: 'knot.petal',
        detail: 'the loops that stand out at the side',
        spread: PLAIT_SPREAD,
      }),
    ];
  }
  const snug = snugOf(part, plaiting);
  const pull = pullOf(part.tension);
  const assumed = part.tension === 'soft' || bundles.some((runs) => runs.length > 1);
  return [
    ...plaitUses(plaiting, part.repeats * plaited),
    ...petalUses(bundles, turning, snug.turning, {
      code: 'knot.petal.turning',
      detail: 'whole turns round the strand beside it',
      spread: KNOT_SPREAD,
      ...(assumed ? { assumed } : computed(`petal.${pull}.turning`)),
    }),
    ...petalUses(bundles, timesChosen(part, site.crossed, beside), snug.turned, {
      code: 'knot.petal.turned',
      detail: 'bent by the strand that turns round it',
      spread: KNOT_SPREAD,
      ...(assumed ? { assumed } : computed(`petal.${pull}.turned`)),
    }),
  ];
}
