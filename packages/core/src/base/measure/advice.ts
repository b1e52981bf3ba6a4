import type { Saying } from './saying.js';

/** Something the maker should know or must mend, in plain words, with what to do about it. */
export interface Advice {
  /** Stable name for programs: `area.fault`. */
  readonly code: string;
  /** An error stops the plan; a warning questions it; a note explains it. */
  readonly severity: 'error' | 'warning' | 'note';
  readonly message: Saying;
  readonly remedy: Saying;
  /** Id of the part concerned, or `closure`; told by the plan. */
  readonly part?: string;
  /** The value or part concerned, as a path into the piece: `parts[0].length`. */
  readonly path: string;
  /** Whether the piece is laid out and drawn all the same: with this error it only cannot be made. */
  readonly drawn?: true;
  /** A value that would mend it, offered to the maker: what to write where. */
  readonly fix?: {
    readonly label: Saying;
    readonly path: string;
    readonly value: number | string | null;
  };
}
