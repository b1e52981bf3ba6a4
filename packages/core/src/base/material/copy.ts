/** A copy of something on a workshop's list: a wearer, a cord, a bead, a fitting. Files carry it whole. */
export interface Copy {
  /** Id of what it is a copy of; none where it was entered by hand or came with a template. */
  readonly origin?: string;
}
