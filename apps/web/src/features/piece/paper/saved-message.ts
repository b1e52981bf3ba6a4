import { saidOfFile } from '../../../ui/shell/save-file';

/**
 * What is said of a file for paper.
 *
 * @param lost letters that stand in it as a question mark
 */
export const savedMessage = (name: string, lost: readonly string[]): string =>
  lost.length === 0
    ? saidOfFile(name)
    : `${saidOfFile(name)} Our letters for paper have no ${lost.join(' ')}: a question mark stands there.`;
