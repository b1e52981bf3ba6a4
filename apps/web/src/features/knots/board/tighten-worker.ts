import {
  boardPlaces,
  drawBoard,
  leftAt,
  type Board,
  type BoardVerdict,
  type Progress,
  type Point3,
} from '@coiled-strand/core';
import { expose } from 'comlink';

/** How a knot lies at one moment while it is drawn tight, in diameters, as on the board. */
export interface Frame {
  readonly curves: readonly (readonly Point3[])[];
  readonly beads: readonly Point3[];
  /** Share of their thickness that the cords have by then: they grow to it as they go. */
  readonly thickness: number;
  readonly round: number;
}

/** A moment is told so often, in ms. */
const TOLD = 100;

let stopped = false;

const engine = {
  /** Draws a board tight, telling how it lies on the way. */
  async draw(board: Board, watch: (frame: Frame) => void): Promise<BoardVerdict> {
    stopped = false;
    let told = 0;
    let last: Progress | undefined;
    const tell = (now: Progress): void => {
      const { thickness, round } = now;
      watch({ ...boardPlaces(now.soFar()), thickness, round });
    };
    const steps = drawBoard(board);
    for (;;) {
      const { done, value } = steps.next();
      if (done) {
        if (last) tell(last);
        return value;
      }
      last = value;
      const now = performance.now();
      if (now - told < TOLD) continue;
      told = now;
      tell(value);
      // A stop is heard between two rounds.
      await new Promise((resume) => setTimeout(resume));
      if (stopped) return leftAt(board, value);
    }
  },
  stop(): void {
    stopped = true;
  },
};
export type TightenWorker = typeof engine;

expose(engine);
