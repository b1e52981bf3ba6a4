/** The version of this program, as its package says (held to it by a test). */
export const VERSION = '1.0.0';
