import type { FileFault } from '@coiled-strand/core';

/** Deeper than any data that means something. */
const DEEPEST = 40;
/** So many faults are told, however many there are. */
const MOST = 20;

/** NUL, which no database text holds, and halves of characters, which no file does. */
const UNSTORABLE = /\0|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/;

const WORDS = {
  deep: `is nested more than ${DEEPEST} deep`,
  text: 'holds a character that no text has (NUL, or half of one)',
  name: 'has a name with a character that no text has (NUL, or half of one)',
  hole: 'is empty (null) in a list',
} as const;

/**
 * What of plain data can be neither stored nor shown, whatever it is meant for; nor is there anywhere a list
 * with nothing in one of its places.
 *
 * @returns faults by path; the walk keeps its own stack, so that no depth overflows the program's
 */
export function unstorable(body: unknown): FileFault[] {
  const faults: FileFault[] = [];
  const open: { readonly value: unknown; readonly path: string; readonly depth: number }[] = [
    { value: body, path: '', depth: 0 },
  ];
  while (open.length > 0 && faults.length < MOST) {
    const { value, path, depth } = open.pop()!;
    if (typeof value === 'string') {
      if (UNSTORABLE.test(value)) faults.push({ path, message: WORDS.text });
    } else if (typeof value === 'object' && value !== null) {
      if (depth >= DEEPEST) {
        faults.push({ path, message: WORDS.deep });
        continue;
      }
      const list = Array.isArray(value);
      for (const [key, own] of Object.entries(value)) {
        if (UNSTORABLE.test(key)) faults.push({ path, message: WORDS.name });
        // Such a name would stand in for what every object of the program has.
        else if (key in Object.prototype) faults.push({ path, message: `cannot hold “${key}”` });
        else {
          const at = list ? `${path}[${key}]` : path === '' ? key : `${path}.${key}`;
          if (list && own === null) faults.push({ path: at, message: WORDS.hole });
          else open.push({ value: own, path: at, depth: depth + 1 });
        }
      }
    }
  }
  return faults;
}
