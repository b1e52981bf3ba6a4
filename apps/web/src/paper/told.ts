/**
 * What is said of a file that was saved.
 *
 * @param lost letters that stand in it as a question mark
 */
export const toldOf = (name: string, lost: readonly string[]): string =>
  lost.length === 0
    ? `${name} is saved.`
    : `${name} is saved. Our letters for paper have no ${lost.join(' ')}: a question mark stands there.`;
