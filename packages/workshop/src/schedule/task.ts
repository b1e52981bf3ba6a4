/** What is laid out for it, so that alike tasks of several pieces are done together. */
export type Batch = 'glue' | 'dye' | 'seal' | 'oil' | 'melt';

/** Something that hands do at the bench in one go, or, where it may be interrupted, in several. */
export interface Task {
  readonly id: string;
  readonly job: string;
  readonly what: 'prepare' | 'tie' | 'finish';
  /** Hands-on, without laying out, > 0. */
  readonly minutes: number;
  /** Whether it may be put down at any time: tying can, between any two units. */
  readonly splits: boolean;
  /** Minutes that have to pass after it before the next one: glue cures, dye dries. No hands are needed. */
  readonly wait: number;
  readonly batch: Batch | null;
}

/** A piece to be made: tasks one after the other. */
export interface Job {
  readonly id: string;
  readonly tasks: readonly Task[];
  /** When it has to be ready, in ms since 1970; null where nobody waits. */
  readonly due: number | null;
  /** Not to be begun before, in ms since 1970: what is needed is not there yet, or something still cures. */
  readonly release: number;
}

/** Laying out and clearing away glue, dye or wax, in minutes: once for all that is done with it in a row. Assumed. */
export const SET_OUT_MINUTES = 6;
