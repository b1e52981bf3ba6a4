/** A point on the bench in mm: x along the piece to the right, y downwards. */
export type Point = readonly [number, number];
/** A point in space in mm: z towards the viewer. */
export type Point3 = readonly [number, number, number];
