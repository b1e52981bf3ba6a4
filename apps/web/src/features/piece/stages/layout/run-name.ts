import type { Run } from '@coiled-strand/core';

/** A run as makers tell it: by its cord, and its half where that is folded. */
export const nameOfRun = (run: Run): string =>
  run.folded ? `Cord ${run.strand}, half ${run.half + 1}` : `Cord ${run.strand}`;
