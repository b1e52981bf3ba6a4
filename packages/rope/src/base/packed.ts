/**
 * Diameter of the smallest circle that holds m equal circles, in their diameters.
 * Source: circle packing in a circle; up to 7 proven by Graham (1968) and Pirl (1969), more from
 * memory. Beyond the table: the area of the circles at a packing density of 0.75.
 */
const PACKED = [
  0, 1, 2, 2.1547, 2.4142, 2.7013, 3, 3, 3.3048, 3.6131, 3.8131, 3.9238, 4.0296, 4.2361, 4.3284,
  4.5214, 4.6154, 4.792, 4.8637, 4.8637,
] as const;

/** @example packedDiameter(4) // 2.4142 */
export const packedDiameter = (m: number): number => PACKED[m] ?? Math.sqrt(m / 0.75);
