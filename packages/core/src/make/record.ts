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
}

export interface StageMinutes {
  readonly prepare: number;
  readonly tie: number;
  readonly finish: number;
}
