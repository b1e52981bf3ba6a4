/** Units of length that makers speak in. */
export const LENGTH_UNITS = ['mm', 'cm', 'm', 'in', 'ft', 'yd'] as const;
export type LengthUnit = (typeof LENGTH_UNITS)[number];

/**
 * Millimetres in one of each unit. The inch is 25.4 mm exactly.
 *
 * Source: International Yard and Pound Agreement (1959); NIST Special Publication 811.
 */
export const MM_PER_UNIT: Readonly<Record<LengthUnit, number>> = {
  mm: 1,
  cm: 10,
  m: 1000,
  in: 25.4,
  ft: 304.8,
  yd: 914.4,
};

export const isImperial = (unit: LengthUnit): boolean =>
  unit === 'in' || unit === 'ft' || unit === 'yd';
