/** Errors of a ruler laid along work, and along a loose cord: standard deviations in mm. Assumed. */
export const RULER = { work: 1, cord: 5 } as const;
