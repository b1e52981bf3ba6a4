import {
  proposeLayouts,
  type Hand,
  type LayoutWish,
  type Piece,
  type Proposal,
} from '@coiled-strand/core';
import { expose } from 'comlink';

/** Long work a slice at a time, so that a message to stop is heard in between. */
const SLICE_MS = 40;
const breathe = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 0));

const solver = {
  /**
   * @param onProgress told the share done, 0 to 1
   * @throws Error with a sentence for the maker
   */
  async propose(
    piece: Piece,
    wish: LayoutWish,
    hand: Hand,
    onProgress: (share: number) => void,
  ): Promise<Proposal[]> {
    const search = proposeLayouts(piece, wish, hand);
    let since = performance.now();
    for (;;) {
      const step = search.next();
      if (step.done) return step.value;
      if (performance.now() - since > SLICE_MS) {
        onProgress(step.value);
        await breathe();
        since = performance.now();
      }
    }
  },
};
export type LayoutSolver = typeof solver;

expose(solver);
