/**
 * What one body may hold, counted in its bytes before anything is made of them. A megabyte of empty objects, or of
 * names that no two objects share, costs a hundred times what a piece of a megabyte does. The largest piece that the
 * program knows, with forty drawn knots, has a third of each.
 */
export const JSON_LIMITS = {
  /** Levels of lists and objects in each other. */
  depth: 40,
  /** Names in one object. */
  names: 500,
  objects: 10_000,
  values: 200_000,
} as const;

const [QUOTE, BACKSLASH, COMMA] = [0x22, 0x5c, 0x2c];
const [OPEN_LIST, CLOSE_LIST, OPEN_OBJECT, CLOSE_OBJECT] = [0x5b, 0x5d, 0x7b, 0x7d];

/** The byte behind a text that begins at `from`, the byte behind its first quotation mark. */
function behindText(bytes: Uint8Array, from: number): number {
  for (let i = from; ;) {
    const end = bytes.indexOf(QUOTE, i);
    if (end < 0) return bytes.length;
    let slashes = 0;
    while (end - 1 - slashes >= from && bytes[end - 1 - slashes] === BACKSLASH) slashes += 1;
    if (slashes % 2 === 0) return end + 1;
    i = end + 1;
  }
}

/**
 * Which of the limits a JSON text is beyond, in words; null for none. Whether it is JSON at all is not its question.
 * It ends with the first limit that is passed, and looks at each byte once.
 */
export function jsonExcess(bytes: Uint8Array): string | null {
  const { depth, names, objects, values } = JSON_LIMITS;
  // Commas in each list and object that is open: one less than it holds.
  const open: { commas: number; object: boolean }[] = [];
  let objectCount = 0;
  let valueCount = 1;
  for (let i = 0; i < bytes.length;) {
    const byte = bytes[i]!;
    i = byte === QUOTE ? behindText(bytes, i + 1) : i + 1;
    const top = open.at(-1);
    if (byte === COMMA) {
      valueCount += 1;
      if (top && ++top.commas >= names && top.object)
        return `more than ${names} names in one object`;
    } else if (byte === OPEN_LIST || byte === OPEN_OBJECT) {
      const object = byte === OPEN_OBJECT;
      valueCount += 1;
      objectCount += object ? 1 : 0;
      open.push({ commas: 0, object });
    } else if (byte === CLOSE_LIST || byte === CLOSE_OBJECT) open.pop();
    if (open.length > depth) return `lists and objects more than ${depth} deep in each other`;
    if (objectCount > objects) return `more than ${objects} objects`;
    if (valueCount > values) return `more than ${values} values`;
  }
  return null;
}
