import type { FileFault } from '@coiled-strand/core';

/** Deeper than any data that means something. */
const MAX_DEPTH = 40;
/** So many faults are reported, however many there are. */
export const MAX_FAULTS = 20;
/**
 * Values in one request: five times what the largest piece with forty drawn knots has. What is larger is refused
 * before anything is built of it.
 */
export const MAX_VALUES = 200_000;
/** Objects among them: each costs far more to build and to check than a number does. */
export const MAX_OBJECTS = 10_000;

/** NUL, which no database text holds, and halves of characters, which no file does. */
const UNSTORABLE = /\0|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/;

const WORDS = {
  deep: `is nested more than ${MAX_DEPTH} deep`,
  many: `holds more than ${MAX_VALUES} values, or more than ${MAX_OBJECTS} objects`,
  text: 'holds a character that no text has (NUL, or half of one)',
  name: 'has a name with a character that no text has (NUL, or half of one)',
  hole: 'is empty (null) in a list',
} as const;

/** A value and how it was come to; its path is only written out where there is a fault to report. */
interface Visit {
  readonly value: unknown;
  readonly key: string | number | null;
  readonly parent: Visit | null;
  readonly depth: number;
}

/** `parts[0].tension` */
function pathOf(visit: Visit | null): string {
  const steps: string[] = [];
  for (let at = visit; at && at.key !== null; at = at.parent) {
    steps.push(typeof at.key === 'number' ? `[${at.key}]` : `.${at.key}`);
  }
  return steps.reverse().join('').replace(/^\./, '');
}

/**
 * What of plain data can be neither stored nor shown, whatever it is meant for; nor is there anywhere a list
 * with nothing in one of its places.
 *
 * @returns at most {@link MAX_FAULTS} faults by path; the walk keeps its own stack, so that no depth overflows the
 *   program's, and ends after {@link MAX_VALUES} values
 */
export function unstorable(body: unknown): FileFault[] {
  const faults: FileFault[] = [];
  const fault = (visit: Visit, message: string): void => {
    if (faults.length < MAX_FAULTS) faults.push({ path: pathOf(visit), message });
  };
  const open: Visit[] = [{ value: body, key: null, parent: null, depth: 0 }];
  let values = 1;
  let objects = 0;
  while (open.length > 0 && faults.length < MAX_FAULTS) {
    const visit = open.pop()!;
    const { value, depth } = visit;
    if (typeof value === 'string') {
      if (UNSTORABLE.test(value)) fault(visit, WORDS.text);
      continue;
    }
    if (typeof value !== 'object' || value === null) continue;
    if (depth >= MAX_DEPTH) {
      fault(visit, WORDS.deep);
      continue;
    }
    if (!Array.isArray(value)) objects += 1;
    const inside = (key: string | number, own: unknown): Visit => ({
      value: own,
      key,
      parent: visit,
      depth: depth + 1,
    });
    values += Array.isArray(value) ? value.length : Object.keys(value).length;
    if (values > MAX_VALUES || objects > MAX_OBJECTS) {
      fault(visit, WORDS.many);
      break;
    }
    if (Array.isArray(value)) {
      for (const [i, own] of value.entries() as Iterable<[number, unknown]>) {
        if (own === null) fault(inside(i, own), WORDS.hole);
        else if (typeof own === 'string' || typeof own === 'object') open.push(inside(i, own));
      }
      continue;
    }
    for (const [key, own] of Object.entries(value) as [string, unknown][]) {
      if (UNSTORABLE.test(key)) fault(visit, WORDS.name);
      // Such a name would stand in for what every object of the program has.
      else if (key in Object.prototype) fault(visit, `cannot hold “${key}”`);
      else if (typeof own === 'string' || typeof own === 'object') open.push(inside(key, own));
    }
  }
  return faults;
}
