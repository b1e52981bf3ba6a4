import type { EndsWere } from '../base/learn/own-ends.js';

/** What the maker measured when the piece was finished. Lengths in mm. */
export interface MakeRecord {
  /** Per strand, in cut-list order. */
  readonly cords: readonly {
    /** Length cut. */
    readonly cut: number;
    /** All that was left over: trimmed tails and offcut. */
    readonly leftover: number;
  }[];
  /** Finished length of the parts, without the closure. */
  readonly length: number;
  /** At the bench, in all. */
  readonly minutes: number;
  /** The same by what was done, where it was kept apart. */
  readonly stages?: StageMinutes;
  /** Units tied in the parts whose length grows by units, where they were not as many as planned. */
  readonly tied?: number;
  /** What was measured in between, where it was. */
  readonly between?: Between;
  /** The shortest end that a knot was tied with, as it was trimmed, and how it was for the fingers. */
  readonly ends?: { readonly shortest: number; readonly was: EndsWere };
}

/** The work as it was before it was finished. */
export interface Between {
  /** Units done of every part that was begun. */
  readonly done: { readonly part: string; readonly units: number }[];
  /** From the start of the parts to the last knot, in mm. */
  readonly length: number;
}

export interface StageMinutes {
  readonly prepare: number;
  readonly tie: number;
  readonly finish: number;
}
