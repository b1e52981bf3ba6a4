export interface Difference {
  readonly path: string;
  readonly mine: unknown;
  readonly theirs: unknown;
}

const isTree = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null;

/** The leaves in which two documents differ, by path; for showing what a conflict is about. */
export function differences(mine: unknown, theirs: unknown, path = ''): Difference[] {
  if (Object.is(mine, theirs)) return [];
  if (isTree(mine) && isTree(theirs)) {
    const keys = [...new Set([...Object.keys(mine), ...Object.keys(theirs)])];
    const step = (key: string): string =>
      Array.isArray(mine) ? `${path}[${key}]` : path === '' ? key : `${path}.${key}`;
    return keys.flatMap((key) => differences(mine[key], theirs[key], step(key)));
  }
  return [{ path, mine, theirs }];
}

/** Whether two documents say the same, whatever the order of their keys. */
export const sameDocument = (a: unknown, b: unknown): boolean => differences(a, b).length === 0;
