/** Name and version of the open file format for one piece. */
export const PIECE_FORMAT = 'coiled-strand/piece';
export const PIECE_FORMAT_VERSION = 4;

/** Versions that are read besides. */
export const OLDER_VERSIONS: readonly unknown[] = [3];
