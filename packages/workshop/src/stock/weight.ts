import type { Cord, CordKind } from '@coiled-strand/core';

/** A number and its standard uncertainty, in the same unit. */
export interface Uncertain {
  readonly value: number;
  readonly uncertainty: number;
}

/** Mass of a length of cord in g/m, and whether this very cord was weighed. */
export interface LinearDensity extends Uncertain {
  readonly assumed: boolean;
}

/**
 * Mass over the volume of a cylinder of the nominal diameter, in g/cm³: fibre, wax and the air between. Assumed
 * from the density of the fibre and how much of the round it fills; a weighed length corrects it. Of paracord so
 * that 4 mm comes to 6.6 g/m, the most that MIL-C-5040H allows type III (225 ft to the pound; from memory).
 */
const FILL: Readonly<Record<CordKind, number>> = {
  paracord: 0.525,
  'nylon-cord': 0.75,
  'waxed-polyester': 1.05,
  'waxed-cotton': 0.95,
  hemp: 0.85,
  silk: 0.8,
  linen: 0.95,
  floss: 0.7,
  leather: 0.95,
  'faux-leather': 1.1,
};

/** Standard uncertainty of an assumed density, as a share. Assumed. */
const ASSUMED_SHARE = 0.12;

/**
 * Mass of a metre by kind and diameter: fill * pi / 4 * d², in g/m with d in mm.
 * @example assumedDensity({ kind: 'paracord', diameter: 4 }).value // 6.597
 */
export function assumedDensity({ kind, diameter }: Pick<Cord, 'kind' | 'diameter'>): LinearDensity {
  const value = FILL[kind] * (Math.PI / 4) * diameter ** 2;
  return { value, uncertainty: value * ASSUMED_SHARE, assumed: true };
}

/**
 * Mass of a metre of a length that was weighed.
 *
 * @param weight in g, above 0
 * @param length in mm, above 0
 * @example weighedDensity({ value: 13.2, uncertainty: 0.1 }, { value: 2000, uncertainty: 2 }).value // 6.6
 */
export function weighedDensity(weight: Uncertain, length: Uncertain): LinearDensity {
  const value = (weight.value / length.value) * 1000;
  const share = Math.hypot(weight.uncertainty / weight.value, length.uncertainty / length.value);
  return { value, uncertainty: value * share, assumed: false };
}

/**
 * Length of cord on a spool that was weighed: (weight - tare) / linear density. The uncertainties go along by the
 * law of propagation, taken as independent.
 *
 * @param weight with the spool, in g
 * @param tare of the empty spool, in g; 0 for a hank
 * @returns in mm; null where it weighs less than the empty spool
 * Source of the propagation: JCGM 100:2008 (GUM), 5.1.2.
 * @example lengthByWeight({ value: 250, uncertainty: 0 }, { value: 52, uncertainty: 0 }, { value: 6.6, uncertainty: 0 })
 *   // { value: 30000, uncertainty: 0 }
 */
export function lengthByWeight(
  weight: Uncertain,
  tare: Uncertain,
  density: Uncertain,
): Uncertain | null {
  const net = weight.value - tare.value;
  if (net < 0) return null;
  const value = (net / density.value) * 1000;
  const ofWeights = (Math.hypot(weight.uncertainty, tare.uncertainty) / density.value) * 1000;
  const ofDensity = value * (density.uncertainty / density.value);
  return { value, uncertainty: Math.hypot(ofWeights, ofDensity) };
}

/**
 * How many pieces weigh so much: to the nearest one.
 *
 * @param each weight of one in g, above 0
 * @returns null where it weighs less than nothing
 */
export function countByWeight(
  weight: Uncertain,
  tare: Uncertain,
  each: Uncertain,
): Uncertain | null {
  const found = lengthByWeight(weight, tare, each);
  return found && { value: Math.round(found.value / 1000), uncertainty: found.uncertainty / 1000 };
}
