/** What a phone opens: a page of this workshop at the address that it is seen by now. */
export const addressOf = (path: string): string => new URL(path, window.location.origin).href;

const ALONE = new Set(['localhost', '127.0.0.1', '[::1]']);

/** What is said of a code that a phone cannot open. */
export const aloneHint = (): string =>
  `A code made here opens ${addressOf('/')}, which is this machine alone. For a phone, open the program by its address in your network first, and save the labels there.`;

/** Whether the program is seen by an address that no other device can open. */
export const seenAlone = (): boolean => ALONE.has(window.location.hostname);
